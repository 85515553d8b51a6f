-- What rates of work centers were when an order was given out.
create index fact_changes_rates on fact_changes (revision) where table_name = 'work_centers';
