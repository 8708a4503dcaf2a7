-- What a document was at some of its changes: the first one, and every hundredth since. A replay begins at the nearest.
create table document_snapshot (
  document_id text not null references document on delete cascade,
  seq integer not null,
  sheet jsonb not null,
  primary key (document_id, seq)
);
insert into document_snapshot (document_id, seq, sheet) select id, snapshot_seq, snapshot from document;

-- A moment of a document that was given a name, to go back to.
create table moment (
  id text primary key,
  document_id text not null references document on delete cascade,
  author_id text not null references person,
  seq integer not null,
  name text not null,
  created_at timestamptz not null default now()
);
create index on moment (document_id);
