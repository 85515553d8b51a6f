-- From when to when a supplier offers an item so, and where partners and sites are reached.

alter table supplier_items
    add column valid_from           date,
    add column valid_to             date,
    add column supplier_code        text,
    add column over_receipt_percent numeric(19, 6);
alter table supplier_items drop constraint supplier_items_supplier_item_from_quantity_key;
create unique index supplier_items_key
    on supplier_items (supplier, item, from_quantity, coalesce(valid_from, '-infinity'));

alter table suppliers
    add column address      text,
    add column contact      text,
    add column phone        text,
    add column payment_days integer,
    add column tax_number   text,
    add column tax_rate     numeric(19, 6);
alter table customers
    add column address      text,
    add column contact      text,
    add column phone        text,
    add column payment_days integer,
    add column tax_number   text,
    add column tax_rate     numeric(19, 6);
alter table sites
    add column address          text,
    add column purchase_release text;
