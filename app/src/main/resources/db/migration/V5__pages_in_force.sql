-- Which page is in force is a question of a day: the copy in the tool's row goes, and every change
-- of one of its pages counts as a change of the tool.
alter table tool drop column sheet;
alter table tool drop column name;
alter table tool add column changes integer default 0 not null;
alter table tool_aud drop column sheet;
alter table tool_aud drop column name;
alter table tool_aud add column changes integer;

-- Documents say in which version of their format they were written.
alter table tool_version add column format integer default 1 not null;
alter table selection add column format integer default 1 not null;
alter table selection_aud add column format integer;
alter table growth_plan add column format integer default 1 not null;

create table tool_version_aud (
  id bigint not null, rev integer not null references revinfo, revtype tinyint,
  tool_id bigint, valid_from date, sheet clob, format integer,
  noted_by varchar(120), noted_at timestamp with time zone,
  primary key (id, rev)
);
