-- Files with work made elsewhere, as students handed them in; the pages on the copies show pictures of them.
create table brought_file (
  id text primary key,
  school_id text not null references school on delete cascade,
  copy_id text not null references copy on delete cascade,
  person_id text references person on delete set null,
  name text not null,
  type text not null,
  bytes bytea not null,
  created_at timestamptz not null default now()
);
create index on brought_file (copy_id);
create index on brought_file (person_id);
create index on brought_file (school_id);
