-- Why a choice is made although its own figures speak against it.
alter table decision add column despite varchar(2000) default '' not null;
