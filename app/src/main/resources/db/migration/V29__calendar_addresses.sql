-- An address under which a calendar reads somebody's dates without signing in; one a person.
create table calendar_address (
  account_id bigint primary key references account,
  -- SHA-256 of the word in the address; the word itself is not kept
  word_hash varchar(64) not null unique
);
