-- Who noted something may be said together with what it rests on: longer than any one name.
alter table growth_plan alter column noted_by varchar(600);
alter table tool_version alter column noted_by varchar(600);
alter table tool_version_aud alter column noted_by varchar(600);
alter table narrowing alter column noted_by varchar(600);
