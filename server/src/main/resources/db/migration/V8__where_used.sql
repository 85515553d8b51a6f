-- Where an item is used is answered by the plan in memory; nothing asked the database for it.
drop index bom_lines_component;
