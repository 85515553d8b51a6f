-- Stock that was bought for one line of a customer order alone.

alter table stock
    add column for_order text,
    add column for_line  text;
drop index stock_key;
create unique index stock_key
    on stock (item, site, coalesce(lot, ''), coalesce(serial, ''), coalesce(for_order, ''), coalesce(for_line, ''));
