-- A selection is open to everybody with an account, or to the people named.
alter table selection add column open_to_all boolean default true not null;
alter table selection_aud add column open_to_all boolean;

create table selection_person (
  selection_id bigint not null references selection,
  account_id bigint not null references account,
  primary key (selection_id, account_id)
);
create table selection_person_aud (
  rev integer not null references revinfo, revtype tinyint,
  selection_id bigint not null, account_id bigint not null,
  primary key (rev, selection_id, account_id)
);
