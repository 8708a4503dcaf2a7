-- What the program that a class list is from calls a class and a student: marks go back to it under these.
alter table class add column source_id text;
alter table person add column source_id text;
-- Where letters about a student go.
create table family_address (
  person_id text not null references person on delete cascade,
  address text not null,
  primary key (person_id, address)
);
