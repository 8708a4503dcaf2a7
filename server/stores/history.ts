import { Change } from '../../core/changes/change';
import { PAUSE } from '../../core/review/effort';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { Turn } from '../process/turn';
import type { DatedChange } from './documents';
import { grownFrom, rowsBetween } from './documents';

/** How a document grew, and the moments of it that were given names. */

export type Moment = { id: string; seq: number; name: string; createdAt: Date };
export type SheetHistory = {
  /** The sheet that the log below builds on, and its number. */
  from: number;
  sheet: Sheet;
  log: DatedChange[];
  moments: Moment[];
};

/** A slider over more steps than these is of no use, and slow: of older history only the newest part is told. */
const LONGEST = 3000;
/** How a piece grew is told from its first change on: a group that writes for weeks comes to some ten thousand. */
export const WHOLE_WORK = 30_000;
/** The most named moments of a document. */
export const MOST_MOMENTS = 60;

/** The snapshot nearest before a number of changes. */
const snapshotBefore = async (db: Queries, id: string, seq: number) =>
  one(
    await db.query<{ seq: number; sheet: unknown }>(
      'select seq, sheet from document_snapshot where document_id = $1 and seq <= $2 order by seq desc limit 1',
      [id, seq],
    ),
  );

/** What can be read of the database's rows; undefined where they are damaged. */
async function readable<T>(work: () => T | Promise<T>): Promise<T | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

/** The sheet as it was after so many changes, or undefined when that is not known or can't be read. */
export async function sheetAt(db: Queries, id: string, seq: number): Promise<Sheet | undefined> {
  const start = await snapshotBefore(db, id, seq);
  if (!start) return undefined;
  const rows = await rowsBetween(db, id, start.seq, seq);
  if (start.seq + rows.length !== seq) return undefined;
  return readable(() =>
    grownFrom(
      start.sheet,
      rows.map(({ change }) => change),
    ),
  );
}

export const momentsOf = (db: Queries, documentId: string): Promise<Moment[]> =>
  db.query<Moment>(
    'select id, seq, name, created_at as "createdAt" from moment where document_id = $1 order by seq, created_at',
    [documentId],
  );

/** How a document grew, or undefined when that is not known or can't be read. */
export async function historyOf(db: Database, id: string, longest = LONGEST): Promise<SheetHistory | undefined> {
  const stored = await db.transaction(async (tx) => {
    const row = one(
      await tx.query<{ seq: number; gap: number | null }>(
        `select seq, (select max(seq) from set_aside_change where document_id = $1) as gap from document where id = $1`,
        [id],
      ),
    );
    const first = one(
      await tx.query<{ seq: number; sheet: unknown }>(
        'select seq, sheet from document_snapshot where document_id = $1 and seq >= $2 order by seq limit 1',
        [id, row ? Math.max(0, row.seq - longest, row.gap ?? 0) : 0],
      ),
    );
    const start = first ?? (row && (await snapshotBefore(tx, id, row.seq)));
    if (!row || !start) return undefined;
    return { start, rows: await rowsBetween(tx, id, start.seq, row.seq), moments: await momentsOf(tx, id) };
  });
  if (!stored) return undefined;
  const { start, rows, moments } = stored;
  return readable(async () => {
    const sheet = readSheet(start.sheet);
    const log: DatedChange[] = [];
    const turn = new Turn();
    for (const row of rows) {
      // Read again: what an older program logged is brought up to date by the schema.
      log.push({ ...row, change: Change.parse(row.change) });
      await turn.end();
    }
    return { from: start.seq, sheet, log, moments };
  });
}

/** Names a moment. The reason why not, where it can't be. */
export async function addMoment(
  db: Database,
  given: { documentId: string; authorId: string; seq: number; name: string },
): Promise<{ ok: true; id: string } | { ok: false; reason: string }> {
  return db.transaction(async (tx) => {
    const row = one(
      await tx.query<{ seq: number; moments: number }>(
        `select d.seq, (select count(*)::int from moment m where m.document_id = d.id) as moments
         from document d where d.id = $1 for update`,
        [given.documentId],
      ),
    );
    if (!row || given.seq > row.seq) return { ok: false, reason: 'The sheet has not come that far yet. Try again.' };
    if (row.moments >= MOST_MOMENTS)
      return { ok: false, reason: `A sheet keeps ${MOST_MOMENTS} moments. Drop one that is no longer needed first.` };
    const id = newId();
    await tx.query('insert into moment (id, document_id, author_id, seq, name) values ($1, $2, $3, $4, $5)', [
      id,
      given.documentId,
      given.authorId,
      given.seq,
      given.name,
    ]);
    return { ok: true, id };
  });
}

export const dropMoment = (db: Queries, documentId: string, id: string) =>
  db.query('delete from moment where id = $1 and document_id = $2', [id, documentId]);

/**
 * How long students worked on each of these documents, in seconds: the time between changes, without longer pauses. Documents that
 * nobody changed are left out.
 */
export const timeAtWork = (db: Queries, documentIds: readonly string[]) =>
  db.query<{ documentId: string; seconds: number }>(
    `select document_id as "documentId", coalesce(sum(gap) filter (where gap <= ${PAUSE}), 0)::float8 as seconds from
       (select c.document_id, extract(epoch from c.at - lag(c.at) over (partition by c.document_id order by c.seq)) as gap
        from document_change c join person p on p.id = c.author_id and p.role = 'student' where c.document_id = any($1)) gaps
     group by document_id`,
    [documentIds],
  );
