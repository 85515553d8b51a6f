-- When an order went to its supplier and what he promised first; what came of orders, and what they took.
alter table supply_order_lines
    add column sent_date            date,
    add column first_confirmed_date date;

create or replace view open_orders as
select l.order_number as number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,
       l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line, l.unit, l.unit_price as price,
       l.scrapped, l.confirmed_date, l.split_of, l.state, l.purchase_state, l.sent_date, l.first_confirmed_date
from supply_order_lines l join supply_orders o on o.number = l.order_number
where l.closed_date is null;

create table receipts
(
    number               text           not null,
    line                 text           not null,
    received_date        date           not null,
    supplier             text           not null,
    item                 text           not null references items (code) on update cascade,
    site                 text           not null references sites (code) on update cascade,
    ordered_date         date           not null,
    first_confirmed_date date,
    quantity             numeric(19, 6) not null,
    primary key (number, line, received_date)
);
create index receipts_supplier on receipts (supplier, received_date);
create index receipts_item on receipts (item, site);

create table usage
(
    item     text           not null references items (code) on update cascade,
    site     text           not null references sites (code) on update cascade,
    date     date           not null,
    number   text           not null,
    line     text           not null,
    quantity numeric(19, 6) not null,
    primary key (item, site, date, number, line)
);
create index usage_number on usage (number, line);

-- what the record knows already: of each line what came on a day, less what was taken back
insert into receipts (number, line, received_date, supplier, item, site, ordered_date, first_confirmed_date, quantity)
select m.order_number, m.order_line, m.date, coalesce(o.supplier, ''), m.item, m.site,
       least(coalesce(l.start_date, m.date), m.date), null, sum(m.quantity)
from movements m
    join supply_orders o on o.number = m.order_number
    join supply_order_lines l on l.order_number = m.order_number and l.line = m.order_line
where m.kind = 'receipt' and m.reverses is null
  and not exists (select from movements r where r.reverses = m.number)
group by m.order_number, m.order_line, m.date, o.supplier, m.item, m.site, l.start_date
having sum(m.quantity) > 0;

insert into usage (item, site, date, number, line, quantity)
select m.item, m.site, m.date, m.order_number, coalesce(m.order_line, ''), -sum(m.quantity)
from movements m
where m.kind in ('issue', 'transfer_out') and m.order_number is not null and m.reverses is null
  and not exists (select from movements r where r.reverses = m.number)
group by m.item, m.site, m.date, m.order_number, m.order_line
having sum(m.quantity) < 0;
