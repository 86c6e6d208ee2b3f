-- What became of remarks and pictures, also after they were closed or taken away.
create table remark_aud (
  id bigint not null, rev integer not null references revinfo, revtype tinyint,
  selection_id bigint, answers bigint, about varchar(300), kind varchar(20), text varchar(2000),
  account_id bigint, author varchar(120), said_at timestamp with time zone, once varchar(40),
  closed_by varchar(120), closed_at timestamp with time zone,
  primary key (id, rev)
);

create table proof_aud (
  id bigint not null, rev integer not null references revinfo, revtype tinyint,
  selection_id bigint, about varchar(300), account_id bigint, author varchar(120), added_on date,
  primary key (id, rev)
);
