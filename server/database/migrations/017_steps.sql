-- Parts of the brief that open one after another, and how many of them are open on a copy.
alter table handout add column steps jsonb not null default '[]';
alter table copy add column open_steps integer not null default 1;
