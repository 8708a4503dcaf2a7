-- How often a student has asked on a go whether answers are right, and what was counted the last time.
create table answer_check (
  copy_id text not null references copy(id) on delete cascade,
  look_for_id text not null,
  go integer not null,
  tries integer not null,
  -- The last asking: sent again, because no answer came, it counts once.
  asked text not null,
  result jsonb not null,
  checked_at timestamptz not null default now(),
  primary key (copy_id, look_for_id)
);
