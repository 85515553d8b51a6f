-- The rows that became otherwise with each revision, so that every server follows; null: the company is read again.
alter table plan_causes add column changes text;
