-- What was ordered in all and what was started for it goes with an open order.
create or replace view open_orders as
select l.order_number as number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,
       l.start_date, l.locked, l.ordered, l.start_quantity
from supply_order_lines l join supply_orders o on o.number = l.order_number
where l.quantity > 0;
