-- When a student first opened a piece that came back, and what the teacher said on taking it back after that.
alter table go add column seen_at timestamptz;
alter table go add column recalled text;
