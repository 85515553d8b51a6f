-- What is printed on orders to suppliers, and which requests were passed on to them.
alter table suppliers
    add column order_text text;
alter table supplier_items
    add column order_text text;
alter table change_requests
    add column sent_at timestamptz;
