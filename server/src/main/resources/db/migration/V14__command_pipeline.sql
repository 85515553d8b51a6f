-- One audit of all commands: what was decided is found here too, by the key of its command.
alter table commands
    add column name     text,
    add column kind     text,
    add column revision bigint;

update commands set kind = 'RELEASE', name = coalesce((select u.name from users u where u.login = commands.login), login);

insert into commands (key, login, name, kind, request, answer, created_at)
select command, login, name, kind, request, id::text, made_at
from decisions
on conflict (key) do nothing;

alter table commands
    alter column name set not null,
    alter column kind set not null;

create index commands_created_at on commands (created_at);

alter table decisions drop column request;

-- Assumptions say what they are about in fields of their own.
update what_ifs
set assumptions = (
    select coalesce(jsonb_agg(
        case
            when a ->> 'kind' in ('ORDER', 'BILL') and jsonb_typeof(a -> 'fields') = 'object'
                then (a - 'fields') || (a -> 'fields')
            else a
        end order by place), '[]')::text
    from jsonb_array_elements(assumptions::jsonb) with ordinality as each (a, place));
