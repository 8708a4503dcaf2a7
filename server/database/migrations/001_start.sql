create table school (
  id text primary key,
  name text not null
);

create table person (
  id text primary key,
  school_id text not null references school on delete cascade,
  role text not null check (role in ('teacher', 'student')),
  name text not null,
  email text unique,
  -- scrypt, see server/accounts/secret.ts; a teacher's password or a student's picture secret
  secret_hash text,
  created_at timestamptz not null default now()
);
create index on person (school_id);

create table class (
  id text primary key,
  school_id text not null references school on delete cascade,
  teacher_id text not null references person,
  name text not null,
  code text not null unique
);
create index on class (teacher_id);

create table class_member (
  class_id text not null references class on delete cascade,
  person_id text not null references person on delete cascade,
  primary key (class_id, person_id)
);
create index on class_member (person_id);

create table session (
  token_hash text primary key,
  person_id text not null references person on delete cascade,
  expires_at timestamptz not null
);

create table sign_in_failure (
  subject text not null,
  at timestamptz not null default now()
);
create index on sign_in_failure (subject, at);

-- A sheet's content: a snapshot, and the changes made since. seq counts all changes ever made.
create table document (
  id text primary key,
  school_id text not null references school on delete cascade,
  seq integer not null default 0,
  snapshot jsonb not null,
  snapshot_seq integer not null default 0,
  created_at timestamptz not null default now(),
  changed_at timestamptz not null default now()
);

create table document_change (
  document_id text not null references document on delete cascade,
  seq integer not null,
  -- named by the client, so that a batch sent twice counts once
  batch text not null,
  author_id text not null references person,
  at timestamptz not null default now(),
  change jsonb not null,
  primary key (document_id, seq)
);

create table sheet (
  id text primary key,
  school_id text not null references school on delete cascade,
  owner_id text not null references person,
  document_id text not null unique references document,
  purpose text not null,
  created_at timestamptz not null default now()
);
create index on sheet (owner_id);

create table handout (
  id text primary key,
  school_id text not null references school on delete cascade,
  teacher_id text not null references person,
  sheet_id text references sheet on delete set null,
  class_id text not null references class,
  title text not null,
  brief text not null,
  due_at timestamptz,
  -- the teacher's sheet with its key, as it was when it was handed out
  sheet jsonb not null,
  look_fors jsonb not null,
  rubric jsonb not null,
  supplies jsonb not null,
  created_at timestamptz not null default now()
);
create index on handout (teacher_id);
create index on handout (class_id);

create table copy (
  id text primary key,
  school_id text not null references school on delete cascade,
  handout_id text not null references handout on delete cascade,
  student_id text not null references person on delete cascade,
  document_id text not null unique references document,
  state text not null default 'not-begun' check (state in ('not-begun', 'under-way', 'handed-in', 'another-go', 'done')),
  begun_at timestamptz,
  unique (handout_id, student_id)
);
create index on copy (student_id);

-- One handing-in of a copy, kept as it was.
create table go (
  id text primary key,
  copy_id text not null references copy on delete cascade,
  number integer not null,
  seq integer not null,
  sheet jsonb not null,
  handed_in_at timestamptz not null default now(),
  -- set by the teacher's first note, ruling or mark: from then on it can't be taken back
  review_began_at timestamptz,
  returned_at timestamptz,
  outcome text check (outcome in ('done', 'another-go')),
  marks jsonb not null default '{}',
  unique (copy_id, number)
);

create table margin_note (
  id text primary key,
  go_id text not null references go on delete cascade,
  author_id text not null references person,
  page_id text not null,
  -- tied to an item, or to a spot on the page in points
  item_id text,
  x double precision,
  y double precision,
  body text not null,
  -- the student says that it is seen to
  settled boolean not null default false,
  created_at timestamptz not null default now()
);
create index on margin_note (go_id);

-- The teacher's word against the count, or where the program can't count.
create table ruling (
  go_id text not null references go on delete cascade,
  look_for_id text not null,
  held boolean not null,
  primary key (go_id, look_for_id)
);
