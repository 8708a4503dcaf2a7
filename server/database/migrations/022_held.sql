-- What its teacher returns before this time goes back at it, all at once; null: each piece at once.
alter table handout add column returns_at timestamptz;
-- How a go comes back once that time is there.
alter table go add column held_for text;
create index on go (copy_id) where held_for is not null;
