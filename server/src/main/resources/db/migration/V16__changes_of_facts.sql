-- Every change of a fact, for ever: the rows of one table under one key as they were and as they became. It is what other
-- servers follow, what is taken back, and what is told of an item.
create table fact_changes (
    revision   bigint not null,
    place      integer not null,
    table_name text not null,
    -- the item that it is about, if it is about one
    item       text,
    -- the values of the key, one after the other
    key        text not null,
    before     text not null,
    after      text not null,
    primary key (revision, place)
);
create index fact_changes_item on fact_changes (item, revision) where item is not null;

insert into fact_changes (revision, place, table_name, item, key, before, after)
select c.revision, e.place, e.change ->> 'table',
       coalesce(
           case e.change ->> 'table' when 'items' then coalesce(e.change -> 'after' -> 0, e.change -> 'before' -> 0) ->> 'code' end,
           coalesce(e.change -> 'after' -> 0, e.change -> 'before' -> 0) ->> 'item',
           coalesce(e.change -> 'after' -> 0, e.change -> 'before' -> 0) ->> 'parent'),
       '', (e.change -> 'before')::text, (e.change -> 'after')::text
from plan_causes c, jsonb_array_elements(c.changes::jsonb) with ordinality as e (change, place)
where c.changes is not null;

-- Whether all that became otherwise is told; if not, the company is read again.
alter table plan_causes add column told boolean not null default true;
update plan_causes set told = changes is not null;
alter table plan_causes drop column changes;
