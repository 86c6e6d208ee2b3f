-- Conditions of a decision that can be tested, as a file holds them.
alter table decision add column holds_while varchar(8000) default '[]' not null;
-- Whether the people of a decided selection were those of the growth plan.
alter table selection add column followed_growth boolean default false not null;
