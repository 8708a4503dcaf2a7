import { coverOf } from '../../core/sheet/cover';
import { Change, replay } from '../../core/changes/change';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { keepSnapshot } from './documents';

/** Documents that can't be read: what of them still can, and going on from there. */

export type Readable = { seq: number; at: Date; sheet: Sheet };

/** Looking further back than so many snapshots would find little that anybody wants. */
const MOST_SNAPSHOTS = 60;

/** The newest state that can be read: the newest good snapshot with as much of its log as can be made. */
export async function lastReadable(db: Queries, id: string): Promise<Readable | undefined> {
  const snapshots = await db.query<{ seq: number }>(
    'select seq from document_snapshot where document_id = $1 order by seq desc limit $2',
    [id, MOST_SNAPSHOTS],
  );
  for (const { seq } of snapshots) {
    const start = readOr(
      one(
        await db.query<{ sheet: unknown }>('select sheet from document_snapshot where document_id = $1 and seq = $2', [
          id,
          seq,
        ]),
      )?.sheet,
    );
    if (start) return grownAsFar(db, id, seq, start);
  }
  return undefined;
}

/** The sheet, or null where it can't be read. */
export function readOr(json: unknown): Sheet | null {
  try {
    return readSheet(json);
  } catch {
    return null;
  }
}

async function grownAsFar(db: Queries, id: string, from: number, start: Sheet): Promise<Readable> {
  const log = await db.query<{ seq: number; at: Date; change: unknown }>(
    'select seq, at, change from document_change where document_id = $1 and seq > $2 order by seq',
    [id, from],
  );
  const [{ created_at }] = await db.query<{ created_at: Date }>('select created_at from document where id = $1', [id]);
  let [seq, at, sheet] = [from, created_at, start];
  for (const entry of log) {
    const change = Change.safeParse(entry.change);
    if (entry.seq !== seq + 1 || !change.success) break;
    const next = after(sheet, change.data);
    if (!next) break;
    ({ seq, at } = entry);
    sheet = next;
  }
  return { seq, at, sheet };
}

/** The sheet with one more change of its log, or null where it does not fit or leaves what can't be read. */
function after(sheet: Sheet, change: Change): Sheet | null {
  try {
    const next = replay(sheet, [change]);
    readSheet(JSON.parse(JSON.stringify(next)));
    return next;
  } catch {
    return null;
  }
}

/**
 * Lets a damaged document go on from its last readable state. What was logged after that is set aside, not thrown away; the
 * numbers go on, so that no window takes old changes for new ones. @returns whether there was anything to go on from
 */
export function mend(db: Database, id: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const row = one(await tx.query<{ seq: number }>('select seq from document where id = $1 for update', [id]));
    const last = row && (await lastReadable(tx, id));
    if (!last) return false;
    await tx.query(
      `with bad as (delete from document_change where document_id = $1 and seq > $2 returning *)
       insert into set_aside_change (document_id, seq, batch, author_id, at, change)
       select document_id, seq, batch, author_id, at, change from bad`,
      [id, last.seq],
    );
    await keepSnapshot(tx, id, row.seq, last.sheet);
    await tx.query(
      'update document set snapshot = $2::jsonb, snapshot_seq = seq, damage = null, title = $3, cover = $4::jsonb, changed_at = now() where id = $1',
      [id, JSON.stringify(last.sheet), last.sheet.title, JSON.stringify(coverOf(last.sheet))],
    );
    return true;
  });
}
