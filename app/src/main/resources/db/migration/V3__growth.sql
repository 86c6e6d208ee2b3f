-- The organisation's plan of its people; there is one.
create table growth_plan (
  id bigint primary key,
  plan clob not null,
  -- what stood here before the last change, so that it can be undone
  replaced clob,
  noted_by varchar(120) not null,
  noted_at timestamp with time zone not null,
  version bigint not null
);

-- The hours a contender takes, as a document.
alter table contender add column effort varchar(1000);
alter table contender_aud add column effort varchar(1000);
