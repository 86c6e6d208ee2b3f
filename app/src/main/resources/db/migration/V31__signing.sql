-- Who is asked to agree to a decision, by which rule, and what they said; null: one other person signs.
alter table decision add column signing clob;
