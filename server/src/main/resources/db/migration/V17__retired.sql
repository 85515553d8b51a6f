-- What is planned as before, but not offered any more.
alter table items add column retired boolean;
alter table sites add column retired boolean;
alter table suppliers add column retired boolean;
alter table customers add column retired boolean;
