-- A letter about a go to one address of the family of one of its students. It is sent once, however often it is asked for.
create table letter (
  id text primary key,
  handout_id text not null references handout on delete cascade,
  copy_id text not null references copy on delete cascade,
  go_id text not null references go on delete cascade,
  student_id text not null references person on delete cascade,
  sender_id text not null references person on delete cascade,
  -- Null where the family's addresses were deleted since.
  address text,
  -- What the teacher wrote to all.
  words text not null,
  -- What stands besides: {"lookFors", "marks"}.
  shows jsonb not null,
  created_at timestamptz not null default now(),
  -- When somebody began to send it: one that takes too long is tried again.
  begun_at timestamptz,
  sent_at timestamptz,
  -- Why it could not be sent.
  problem text,
  -- As it was sent, with what was attached.
  eml bytea,
  unique (go_id, student_id, address)
);
create index on letter (handout_id, created_at);
create index on letter (copy_id);
create index on letter (student_id);
create index on letter (sender_id);
create index on letter (created_at) where sent_at is null and problem is null;
