-- A line of a customer order may be bought for alone, and the purchase names it.

alter table customer_orders
    add column supply   text,
    add column supplier text references suppliers (code) on update cascade;

alter table supply_order_lines
    add column for_order text,
    add column for_line  text;

create or replace view open_orders as
select l.order_number as number, l.line, o.kind, l.stage, l.item, o.site, o.from_site, o.supplier, l.quantity, l.due_date,
       l.start_date, l.locked, l.ordered, l.start_quantity, l.for_order, l.for_line
from supply_order_lines l join supply_orders o on o.number = l.order_number
where l.quantity > 0;
