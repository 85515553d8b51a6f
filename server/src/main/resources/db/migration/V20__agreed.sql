-- What was agreed with the customer of an order line, beside what is still open of it.

alter table customer_orders
    add column ordered       numeric(19, 6),
    add column unit          text references units (code) on update cascade,
    add column entered       date,
    add column wanted_date   date,
    add column promised_date date,
    add column reference     text,
    add column state         text,
    add column complete      boolean;

-- Which line of a document was shipped, and to whom.
alter table shipments
    add column line     text,
    add column customer text references customers (code) on update cascade;
alter table shipments drop constraint shipments_item_site_date_number_key;
create unique index shipments_key on shipments (item, site, date, number, coalesce(line, ''));
