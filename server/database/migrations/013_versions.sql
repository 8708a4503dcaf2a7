-- Who gets which version; null where everybody gets the same.
alter table handout add column deal jsonb;
create table handout_version (
  handout_id text not null references handout on delete cascade,
  number integer not null check (number > 0),
  -- the sheet that was chosen for it; null where it is the handout's own, made again so many seeds on
  sheet_id text references sheet on delete set null,
  seeds_on integer,
  sheet jsonb not null,
  primary key (handout_id, number)
);
create index on handout_version (sheet_id);
alter table copy add column version integer not null default 0;
alter table handout_before add column version integer not null default 0;
alter table handout_before drop constraint handout_before_pkey;
alter table handout_before add primary key (handout_id, corrections, version);
