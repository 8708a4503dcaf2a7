-- Pieces of a handout that its teacher shows to those who have it.
create table gallery (
  handout_id text primary key references handout on delete cascade,
  open boolean not null default false,
  named boolean not null default false,
  -- Only whose own piece is with the teacher or done sees it.
  after_own boolean not null default true
);
-- `shown`: one that is taken down keeps what was written about it.
create table gallery_piece (
  id text primary key,
  handout_id text not null references gallery on delete cascade,
  copy_id text not null references copy on delete cascade,
  go_id text not null references go on delete cascade,
  shown boolean not null default true,
  unique (handout_id, copy_id)
);
create index on gallery_piece (copy_id);
create index on gallery_piece (go_id);
create table gallery_note (
  id text primary key,
  piece_id text not null references gallery_piece on delete cascade,
  author_id text not null references person on delete cascade,
  kind text not null,
  body text not null,
  state text not null default 'waiting',
  created_at timestamptz not null default now()
);
create index on gallery_note (piece_id, created_at);
create index on gallery_note (author_id);
