import type { Queries } from '../database/connection';
import { one } from '../database/connection';

/** Files with work made elsewhere, kept as they were handed in. */

export type BroughtFile = { name: string; type: string; bytes: Uint8Array };
export type NewFile = BroughtFile & { id: string; schoolId: string; copyId: string; personId: string };

/** Keeps a file with a copy. One that is sent again, because no answer came, is kept once. */
export async function keepFile(db: Queries, file: NewFile): Promise<void> {
  const { id, schoolId, copyId, personId, name, type, bytes } = file;
  await db.query(
    `insert into brought_file (id, school_id, copy_id, person_id, name, type, bytes) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (id) do nothing`,
    [id, schoolId, copyId, personId, name, type, bytes],
  );
}

/** The files of a copy, without what is in them. */
export const filesOf = (db: Queries, copyId: string) =>
  db.query<{ id: string; type: string }>('select id, type from brought_file where copy_id = $1', [copyId]);

export const fileOf = async (db: Queries, copyId: string, id: string): Promise<BroughtFile | undefined> =>
  one(
    await db.query<BroughtFile>('select name, type, bytes from brought_file where copy_id = $1 and id = $2', [
      copyId,
      id,
    ]),
  );
