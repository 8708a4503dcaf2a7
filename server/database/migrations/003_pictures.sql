-- Pictures that people brought along. The id is a hash of the owner and the file, so that what is brought twice is kept once.
create table picture (
  id text primary key,
  school_id text not null references school on delete cascade,
  owner_id text not null references person,
  name text not null,
  -- image/jpeg, or image/png where it is see-through somewhere
  type text not null,
  image bytea not null,
  -- the same as a drawing in lines, a PNG
  lines bytea not null,
  drawn jsonb not null,
  -- no longer offered, but still there for the sheets that show it
  put_away boolean not null default false,
  created_at timestamptz not null default now()
);
create index on picture (owner_id);
