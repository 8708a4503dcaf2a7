-- Groups within a class; a student may be in several.
create table class_group (
  id text primary key,
  class_id text not null references class on delete cascade,
  name text not null
);
create index on class_group (class_id);
create table group_member (
  group_id text not null references class_group on delete cascade,
  person_id text not null references person on delete cascade,
  primary key (group_id, person_id)
);
create index on group_member (person_id);

-- Teachers beside the one whose class it is, some of them until a time.
create table class_teacher (
  class_id text not null references class on delete cascade,
  person_id text not null references person on delete cascade,
  rights text not null check (rights in ('full', 'read')),
  ends_at timestamptz,
  primary key (class_id, person_id)
);
create index on class_teacher (person_id);
create view teaches as
  select id as class_id, teacher_id as person_id, 'full' as rights from class
  union all
  select class_id, person_id, rights from class_teacher where ends_at is null or ends_at > now();

-- A class that is over, and a code that lets nobody in.
alter table class add column archived_at timestamptz, add column code_closed boolean not null default false;

-- From when on students see a handout, whether it goes to the whole class, and since when it lies in the bin.
alter table handout add column opens_at timestamptz, add column to_all boolean not null default true, add column binned_at timestamptz;
-- How many things of a supply a student may add.
alter table handout add column supply_limits jsonb not null default '{}';

-- A handout that its teacher only tries out, on a copy of their own: it goes to no class.
alter table handout alter column class_id drop not null, add column trial_of text references sheet on delete cascade;
create index on handout (trial_of) where trial_of is not null;
create table handout_group (
  handout_id text not null references handout on delete cascade,
  group_id text not null references class_group on delete cascade,
  primary key (handout_id, group_id)
);
create index on handout_group (group_id);
create index on handout (binned_at) where binned_at is not null;
create index on handout (sheet_id);

-- A school's head adds teachers and sets passwords anew: in schools from before, whoever set the school up.
alter table person add column head boolean not null default false;
update person set head = true where id in (
  select distinct on (school_id) id from person where role = 'teacher' order by school_id, created_at, id);
