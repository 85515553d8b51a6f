-- The next number of an item's lots or serial numbers, where they are made up by a pattern; never given twice.
create table lot_counters
(
    item text primary key references items (code) on update cascade on delete cascade,
    next bigint not null
);
