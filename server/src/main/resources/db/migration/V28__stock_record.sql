-- What execution knows of items and stock, and the record of movements: one immutable line each, numbered without gaps.

alter table items
    add column issue       text check (issue in ('manual', 'backflush')),
    add column cost_batch  numeric(19, 6),
    add column lot_pattern text;
alter table items drop constraint if exists items_costing_check;
alter table bom_lines
    add column issue text check (issue in ('manual', 'backflush'));

alter table stock
    add column received date;
drop index stock_key;
create unique index stock_key
    on stock (item, site, coalesce(lot, ''), coalesce(serial, ''), coalesce(quarantined, false), coalesce(for_order, ''),
              coalesce(for_line, ''));

-- one act of a person each; its movements carry its key
create table postings
(
    key      uuid primary key,
    date     date        not null,
    sentence text        not null,
    person   text        not null,
    at       timestamptz not null,
    reverses uuid references postings (key)
);
create unique index postings_reversed_once on postings (reverses);

create table movements
(
    number      bigint primary key,
    key         uuid           not null references postings (key),
    date        date           not null,
    kind        text           not null,
    item        text           not null references items (code) on update cascade,
    site        text           not null references sites (code) on update cascade,
    lot         text,
    serial      text,
    quarantined boolean        not null,
    quantity    numeric(19, 6) not null,
    value       numeric(19, 4) not null,
    document    text,
    order_number text,
    order_line  text,
    reverses    bigint references movements (number),
    reason      text,
    person      text           not null,
    entered     timestamptz    not null
);
create index movements_of_item on movements (item, site, number);
create index movements_of_order on movements (order_number, order_line) where order_number is not null;
create index movements_of_key on movements (key);
create index movements_of_lot on movements (item, lot, serial) where lot is not null or serial is not null;
create index movements_of_day on movements (date, number);

-- what stock is worth, where that is not quantity times standard cost
create table stock_values
(
    item  text           not null references items (code) on update cascade,
    site  text           not null references sites (code) on update cascade,
    value numeric(19, 4) not null,
    primary key (item, site)
);
create table stock_layers
(
    item     text           not null references items (code) on update cascade,
    site     text           not null references sites (code) on update cascade,
    lot      text           not null,
    serial   text           not null,
    date     date,
    number   bigint         not null,
    quantity numeric(19, 6) not null,
    value    numeric(19, 4) not null
);
create index stock_layers_of_point on stock_layers (item, site);

create table order_costs
(
    number   text           not null,
    line     text           not null,
    material numeric(19, 4) not null,
    work     numeric(19, 4) not null,
    outside  numeric(19, 4) not null,
    put_out  numeric(19, 4) not null,
    variance numeric(19, 4) not null,
    primary key (number, line)
);

-- a line stays when all of it has come
alter table supply_order_lines
    add column closed_date date;
