-- Plans of a contender that somebody set aside, with the reasons, as a document.
alter table contender add column plans_aside varchar(40000);
alter table contender_aud add column plans_aside varchar(40000);
