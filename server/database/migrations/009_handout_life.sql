-- A handout after it went out: from when on nothing is accepted any more, whether its teacher has put it away, and more time for
-- single students.
alter table handout add column closes_at timestamptz;
alter table handout add column put_away_at timestamptz;
alter table copy add column extended_to timestamptz;
