drop table sign_in_failure;

-- What is left of a number of tries: full again at full_at. One row for each account, class and address that tries.
create table allowance (
  subject text primary key,
  full_at timestamptz not null
);
create index on allowance (full_at);

-- Devices on which somebody has signed in before: others that guess at their account don't slow them.
create table device (
  token_hash text not null,
  person_id text not null references person on delete cascade,
  last_at timestamptz not null default now(),
  primary key (token_hash, person_id)
);
create index on device (person_id);

-- From a card: good for one sign-in, after which the student chooses pictures of their own.
alter table person add column once_hash text;
alter table session add column must_choose boolean not null default false;

-- What this installation keeps for itself, such as the key that hides identities before sign-in.
create table house (
  key text primary key,
  value text not null
);
