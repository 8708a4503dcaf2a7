import { storedLookFors } from '../../core/lookfors/stored';
import type { LookFor } from '../../core/lookfors/all';
import { coverOf } from '../../core/sheet/cover';
import { readSheet } from '../../core/schema/read';
import type { Sheet } from '../../core/schema/sheet';
import type { Queries } from '../database/connection';
import { one } from '../database/connection';

/** Corrections of a handout, and which copies have them. */

/**
 * Puts other sheets in place of a handout's, one for each of its versions, and stores the old ones. False where another correction was
 * quicker.
 */
export async function correctHandout(
  tx: Queries,
  id: string,
  corrections: number,
  { sheets: [sheet, ...versions], lookFors }: { sheets: readonly Sheet[]; lookFors: LookFor[] },
): Promise<boolean> {
  const kept = await tx.query(
    `insert into handout_before (handout_id, corrections, sheet) select id, corrections, sheet from handout where id = $1 and corrections = $2
     on conflict do nothing returning handout_id`,
    [id, corrections],
  );
  if (kept.length === 0) return false;
  await tx.query(
    `insert into handout_before (handout_id, corrections, version, sheet) select handout_id, $2, number, sheet from handout_version where handout_id = $1`,
    [id, corrections],
  );
  for (const [i, version] of versions.entries())
    await tx.query('update handout_version set sheet = $3::jsonb where handout_id = $1 and number = $2', [
      id,
      i + 1,
      JSON.stringify(version),
    ]);
  await tx.query(
    'update handout set sheet = $2::jsonb, look_fors = $3::jsonb, cover = $4::jsonb, corrections = corrections + 1 where id = $1',
    [id, JSON.stringify(sheet), JSON.stringify(storedLookFors(lookFors)), JSON.stringify(coverOf(sheet))],
  );
  return true;
}

/** The sheet of a version of a handout as it was after so many corrections. */
export async function sheetBefore(
  db: Queries,
  handoutId: string,
  { version, corrections }: Pick<OpenCopy, 'version' | 'corrections'>,
): Promise<Sheet | undefined> {
  const row = one(
    await db.query<{ sheet: unknown }>(
      'select sheet from handout_before where handout_id = $1 and corrections = $2 and version = $3',
      [handoutId, corrections, version],
    ),
  );
  return row && readSheet(row.sheet);
}

export type OpenCopy = { id: string; documentId: string; corrections: number; version: number };
/** The copies of a handout that lie with their students. */
export const openCopies = (db: Queries, handoutId: string): Promise<OpenCopy[]> =>
  db.query<OpenCopy>(
    `select id, document_id as "documentId", corrections, version from copy
     where handout_id = $1 and state in ('not-begun', 'under-way', 'another-go') order by id`,
    [handoutId],
  );

export const setCorrections = async (db: Queries, copyId: string, corrections: number): Promise<void> =>
  void (await db.query('update copy set corrections = $2 where id = $1', [copyId, corrections]));
