-- Where an item lies at a site, as its pick lists are walked.
alter table planning add column zone text;
