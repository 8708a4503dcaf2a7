-- The shelf of a handout: {"pictures", "only", "uploads"}: what is laid out for its students, and what else they may use.
alter table handout add column laid_out jsonb not null default '{}';
