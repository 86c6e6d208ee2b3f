-- The tools the organisation uses, as one document; there is one row.
create table in_use (
  id bigint primary key,
  document clob not null,
  format integer not null,
  replaced clob,
  noted_by varchar(600) not null,
  noted_at timestamp with time zone not null,
  version bigint not null
);
-- Whether a contender is what is in use, kept as it is, and what stays or goes with it, as a document.
alter table contender add column as_today boolean default false not null;
alter table contender add column in_use varchar(8000);
