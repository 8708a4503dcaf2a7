-- Whether each group works on one copy.
alter table handout add column together boolean not null default false;
-- The group whose copy it is: who joins the group later joins the copy.
alter table copy add column group_id text references class_group on delete set null;
create index on copy (group_id) where group_id is not null;
-- Who works on a copy beside its student.
create table copy_mate (
  copy_id text not null references copy on delete cascade,
  person_id text not null references person on delete cascade,
  primary key (copy_id, person_id)
);
create index on copy_mate (person_id);
