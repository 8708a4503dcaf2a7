-- Notes that were spoken: {"seconds", "type"}, and their sound.
alter table margin_note add column spoken jsonb;
create table spoken_note (
  note_id text primary key references margin_note on delete cascade,
  bytes bytea not null
);
