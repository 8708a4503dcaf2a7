-- A teacher's own order among sheets, and a bin that keeps for a while what was put into it.
create table folder (
  id text primary key,
  school_id text not null references school on delete cascade,
  owner_id text not null references person on delete cascade,
  name text not null
);
create index on folder (school_id);
create unique index folder_name on folder (owner_id, lower(name));
alter table sheet add column folder_id text references folder on delete set null;
alter table sheet add column binned_at timestamptz;
create index on sheet (folder_id);
create index on sheet (binned_at) where binned_at is not null;
