-- What a sheet's first page is like, so that lists can show something of the right size and colour at once.
alter table document add column cover jsonb;
update document set cover = jsonb_build_object(
  'width', snapshot #> '{pages,0,width}',
  'height', snapshot #> '{pages,0,height}',
  'ground', coalesce(snapshot #>> '{pages,0,background,colour}', snapshot #>> '{pages,0,background,stops,0,colour}', '#ffffff'));
alter table handout add column cover jsonb;
update handout set cover = jsonb_build_object(
  'width', sheet #> '{pages,0,width}',
  'height', sheet #> '{pages,0,height}',
  'ground', coalesce(sheet #>> '{pages,0,background,colour}', sheet #>> '{pages,0,background,stops,0,colour}', '#ffffff'));
