-- What became of trials and results, also after they were changed or taken back.
create table trial_aud (
  id bigint not null, rev integer not null references revinfo, revtype tinyint,
  selection_id bigint, contender varchar(80), plan varchar(80), first_day date, last_day date,
  terms varchar(400), people varchar(5000),
  primary key (id, rev)
);

create table trial_result_aud (
  id bigint not null, rev integer not null references revinfo, revtype tinyint,
  selection_id bigint, contender varchar(80), task varchar(80), author varchar(120),
  outcome varchar(20), minutes integer, note varchar(1000), tried_on date,
  primary key (id, rev)
);
