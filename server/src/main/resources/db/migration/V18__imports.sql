-- How a sheet with these names over its columns was understood the last time.
create table import_mappings (
    header     text not null,
    table_name text not null,
    mapping    text not null,
    used_at    timestamptz not null,
    primary key (header)
);

-- What is wrong or doubtful in the data: since when it is known, and what somebody decided to live with.
create table health_findings (
    id       text primary key,
    found_at timestamptz not null
);
create table health_waivers (
    id      text primary key,
    seen    text not null,
    reason  text not null,
    name    text not null,
    made_at timestamptz not null
);
