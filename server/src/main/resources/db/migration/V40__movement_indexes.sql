-- Invoices to customers are numbered; what was shipped is found by the order.
insert into number_ranges (kind, prefix, next) values ('invoice', 'INV-', 1);
create index movements_shipped on movements (order_number, order_line) where kind in ('shipment', 'customer_return');

-- A ledger is read by day, the last first; a movement is asked whether it was taken back; a scanned number is looked for alone.
create index movements_of_item_day on movements (item, site, date, number);
create index movements_reversing on movements (reverses) where reverses is not null;
create index movements_by_lot on movements (lot) where lot is not null;
create index movements_by_serial on movements (serial) where serial is not null;
