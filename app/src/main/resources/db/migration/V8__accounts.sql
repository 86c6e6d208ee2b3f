-- An account is never deleted: what somebody signed keeps their name.
alter table account add column disabled boolean default false not null;
alter table account_aud add column disabled boolean;

-- A link by which a person sets their password, once and for some days; only its hash is kept.
create table invitation (
  account_id bigint primary key references account,
  word_hash varchar(64) not null unique,
  expires_at timestamp with time zone not null
);
