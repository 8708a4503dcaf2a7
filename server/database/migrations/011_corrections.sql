-- Corrections of a handout: how many were sent, which of them a copy has, and the sheet as it was before each.
alter table handout add column corrections integer not null default 0;
alter table copy add column corrections integer not null default 0;
create table handout_before (
  handout_id text not null references handout on delete cascade,
  -- The sheet as it was after this many corrections.
  corrections integer not null,
  sheet jsonb not null,
  primary key (handout_id, corrections)
);
