-- Sentences that a teacher keeps for notes. `about`: kinds of look-fors that they were written about.
create table phrase (
  id text primary key,
  owner_id text not null references person on delete cascade,
  body text not null,
  shared boolean not null default false,
  about text[] not null default '{}',
  used integer not null default 0,
  created_at timestamptz not null default now(),
  unique (owner_id, body)
);
-- What a teacher has written before is suggested, too.
create index on margin_note (author_id, created_at desc);
