-- Who reads the pieces of a handout a second time.
create table second_reader (
  handout_id text primary key references handout on delete cascade,
  person_id text not null references person on delete cascade
);
create index on second_reader (person_id);
-- What a second reader makes of a go, beside what the first said.
create table second_reading (
  go_id text not null references go on delete cascade,
  reader_id text not null references person on delete cascade,
  -- Levels by the rows of the rubric.
  marks jsonb not null default '{}',
  -- By look-for, a space, and the item where it is on one answer: whether it is met, and why.
  rulings jsonb not null default '{}',
  -- For the first reader.
  word text not null default '',
  done_at timestamptz,
  primary key (go_id, reader_id)
);
create index on second_reading (reader_id);
