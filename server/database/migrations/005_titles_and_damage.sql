-- The Desk lists titles: it must not load whole sheets for them.
alter table document add column title text not null default '';
update document d set title = coalesce(
  (select jsonb_path_query_first(c.change, '$.** ? (@.kind == "sheet-set").values.title') #>> '{}'
   from document_change c
   where c.document_id = d.id and c.seq > d.snapshot_seq
     and jsonb_path_exists(c.change, '$.** ? (@.kind == "sheet-set").values.title')
   order by c.seq desc limit 1),
  d.snapshot ->> 'title', '');
-- Why it can't be read, where that was found; null while all is well.
alter table document add column damage text;

-- Logged changes that could not be read any more, when a document was put right: its log goes on behind them.
create table set_aside_change (
  document_id text not null references document on delete cascade,
  seq integer not null,
  batch text not null,
  author_id text not null references person,
  at timestamptz not null,
  change jsonb not null,
  set_aside_at timestamptz not null default now(),
  primary key (document_id, seq)
);

create index on handout (sheet_id);
create index on session (expires_at);
create index on session (person_id);
create index on sign_in_failure (at);
