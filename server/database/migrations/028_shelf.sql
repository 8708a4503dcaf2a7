-- A teacher's shelf: pictures sorted into sections, shared with those who teach the same classes, with where they are from.
alter table picture
  add column section text not null default '',
  -- names of the colours that it mostly has, the widest first
  add column colours text[] not null default '{}',
  add column credit text not null default '',
  add column shared boolean not null default false,
  -- large enough for screens, where the picture itself is larger
  add column screen bytea;
-- A drawing is kept as its shapes alone.
alter table picture
  alter column type drop not null,
  alter column image drop not null,
  alter column lines drop not null;
-- Pictures without their backgrounds: made from the picture by a recipe, and made again if they are lost. The pixels stay with the
-- picture; here is only what is left of them, and what screens show.
create table cleared_picture (
  -- the picture's own id and a code of the recipe
  id text primary key,
  picture_id text not null references picture on delete cascade,
  school_id text not null references school on delete cascade,
  recipe jsonb not null,
  drawn jsonb not null,
  -- PNGs: one channel, in colour, in lines
  mask bytea not null,
  screen bytea not null,
  lines bytea not null,
  created_at timestamptz not null default now()
);
create index on cleared_picture (picture_id);
create index on cleared_picture (school_id);
