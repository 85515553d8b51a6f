-- Which orders a posting touched, also where nothing moved: time, scrap and the end of an order.
create table posting_orders
(
    number text not null,
    key    uuid not null references postings (key),
    primary key (number, key)
);
create index posting_orders_key on posting_orders (key);
insert into posting_orders (number, key)
select distinct step ->> 'number', p.key
from postings p, jsonb_array_elements(p.steps::jsonb) step
where p.steps is not null and step ->> 'number' is not null;
