-- What a line of an order says beyond what the plan counts with. The quantity in the supplier's unit follows from the rest.
alter table supply_order_lines
    add column scrapped numeric(19, 6),
    add column confirmed_date date,
    add column split_of text,
    add column state text,
    add column purchase_state text,
    drop column unit_quantity;

create or replace view open_orders as
select l.order_number as number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,
       l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line, l.unit, l.unit_price as price,
       l.scrapped, l.confirmed_date, l.split_of, l.state, l.purchase_state
from supply_order_lines l join supply_orders o on o.number = l.order_number
where l.quantity > 0;

-- What became otherwise by a decision, orders too, stands in the stream of changes alone.
alter table decisions drop column edits;
