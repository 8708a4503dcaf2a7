import type { Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';

/** A teacher's folders of sheets. A sheet is in one of them, or in none. */

export type Folder = { id: string; name: string };

export const foldersOf = (db: Queries, ownerId: string) =>
  db.query<Folder>('select id, name from folder where owner_id = $1 order by lower(name)', [ownerId]);

/** The new folder's id; undefined where there is one of that name, whatever its capitals. */
export async function addFolder(
  db: Queries,
  given: { schoolId: string; ownerId: string; name: string },
): Promise<string | undefined> {
  const rows = await db.query<{ id: string }>(
    `insert into folder (id, school_id, owner_id, name) values ($1, $2, $3, $4)
     on conflict (owner_id, lower(name)) do nothing returning id`,
    [newId(), given.schoolId, given.ownerId, given.name],
  );
  return one(rows)?.id;
}

/** False where another folder has that name. */
export async function renameFolder(db: Queries, ownerId: string, id: string, name: string): Promise<boolean> {
  const rows = await db.query(
    `update folder set name = $3 where id = $2 and owner_id = $1
       and not exists (select 1 from folder where owner_id = $1 and lower(name) = lower($3) and id <> $2) returning id`,
    [ownerId, id, name],
  );
  return rows.length > 0;
}

/** The sheets in it stay, outside of folders. */
export const removeFolder = (db: Queries, ownerId: string, id: string) =>
  db.query('delete from folder where id = $2 and owner_id = $1', [ownerId, id]);
