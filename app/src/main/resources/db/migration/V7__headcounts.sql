-- How many people there really were, as read from a file; there is one table of them.
create table headcounts (
  id bigint primary key,
  counts clob not null,
  format integer not null,
  -- what stood here before the last change, so that it can be undone
  replaced clob,
  noted_by varchar(120) not null,
  noted_at timestamp with time zone not null,
  version bigint not null
);
