-- Who is at the desk, on whichever server, and which stock point is in view there.
create table presence (
    login text primary key,
    name  text not null,
    item  text,
    site  text,
    at    timestamptz not null
);
