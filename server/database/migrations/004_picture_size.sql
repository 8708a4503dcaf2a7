-- A list of pictures tells their sizes without reading what they are drawn with. A database made by a version in between has
-- them already.
alter table picture add column if not exists width integer;
alter table picture add column if not exists height integer;
update picture set width = (drawn->>'width')::int, height = (drawn->>'height')::int where width is null or height is null;
alter table picture alter column width set not null;
alter table picture alter column height set not null;
