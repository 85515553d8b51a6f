-- Signing out ends a visit; who comes back soon otherwise goes on with it.
alter table visits add column ended boolean not null default false;
