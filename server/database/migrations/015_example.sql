-- A sheet that students may look at beside theirs, as it was when it was handed out.
alter table handout add column example jsonb;
