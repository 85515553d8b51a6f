-- What orders have taken, put out and sent, so that everything can be posted on them.

-- A line is done when it was closed: of one that is made, all may be there before it is finished.
update supply_order_lines l
set closed_date = l.due_date
from supply_orders o
where o.number = l.order_number
  and l.quantity = 0
  and l.closed_date is null
  and o.kind not in ('make', 'assemble');

alter table supply_order_components
    add column step    text,
    add column planned numeric(19, 6),
    add column issued  numeric(19, 6),
    add column used    numeric(31, 12),
    add column value   numeric(19, 4),
    add column per     text check (per in ('unit', 'order')),
    add column issue   text check (issue in ('manual', 'backflush'));

create or replace view open_orders as
select l.order_number as number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,
       l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line, l.unit, l.unit_price as price,
       l.scrapped, l.confirmed_date, l.split_of, l.state, l.purchase_state
from supply_order_lines l join supply_orders o on o.number = l.order_number
where l.closed_date is null;

drop view open_order_components;
create view open_order_components as
select c.order_number as number, c.line, c.component, c.quantity, c.needed_date, c.step, c.planned, c.issued, c.used,
       c.value, c.per, c.issue
from supply_order_components c
    join supply_order_lines l on l.order_number = c.order_number and l.line = c.line
where l.closed_date is null;

create index supply_order_lines_for on supply_order_lines (for_order) where for_order is not null;

create table order_steps
(
    number   text not null,
    line     text not null,
    step     text not null,
    reported numeric(19, 6),
    scrapped numeric(19, 6),
    booked   numeric(19, 6),
    minutes  numeric(19, 6),
    primary key (number, line, step)
);

create table in_transit
(
    number   text           not null,
    line     text           not null,
    lot      text           not null,
    serial   text           not null,
    quantity numeric(19, 6) not null,
    value    numeric(19, 4) not null,
    expiry   date,
    primary key (number, line, lot, serial)
);

-- what a posting changed on documents, so that it can be taken back whole
alter table postings
    add column steps text;
