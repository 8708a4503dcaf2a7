-- A ruling on one answer of a look-for is told by the item in which it stands; '' where it is on the whole of it.
alter table ruling add column item_id text not null default '';
alter table ruling add column reason text not null default '';
alter table ruling drop constraint ruling_pkey;
alter table ruling add primary key (go_id, look_for_id, item_id);
