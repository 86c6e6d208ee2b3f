-- What somebody weighed and marked when they showed it to the others: it stays, whatever follows.
create table first_view (
  member_id bigint primary key references panel_member on delete cascade,
  entries clob not null
);

-- Which selection a message is about: who is shut out of it does not read of it.
alter table outbox_message add column selection_id bigint;
update outbox_message
  set selection_id = cast(regexp_substr(link, '[0-9]+') as bigint)
  where link like '/selections/%' and regexp_substr(link, '[0-9]+') is not null;
