-- What a teacher draws on a piece by hand: a stroke or a stamp, about a part that stood at x, y then.
create table ink (
  id text primary key,
  go_id text not null references go on delete cascade,
  author_id text not null references person,
  page_id text not null,
  item_id text,
  x double precision not null,
  y double precision not null,
  mark jsonb not null,
  created_at timestamptz not null default now()
);
create index on ink (go_id);
