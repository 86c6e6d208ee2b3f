-- A signature carries the account that gave it. Display names are unique, so those there are tell.
alter table decision add column proposed_by_account varchar(80);
alter table decision add column answered_by_account varchar(80);
alter table decision_aud add column proposed_by_account varchar(80);
alter table decision_aud add column answered_by_account varchar(80);

update decision set
  proposed_by_account = (select sign_in_name from account where display_name = proposed_by),
  answered_by_account = (select sign_in_name from account where display_name = answered_by);
