import { apply, Change, replay } from '../../core/sheet/change';
import { Recent } from '../../core/recent';
import type { Sheet } from '../../core/sheet/schema';
import { readSheet } from '../../core/sheet/schema';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../id';

/** Documents: a snapshot and the log of changes since. Acknowledged means committed. */

/** A new snapshot is taken after so many changes, so that loading replays at most these. */
const SNAPSHOT_EVERY = 100;
/** The sheets that were used last, as they are after their newest change, so that saving need not replay. */
const KEPT = 200;

export type Loaded = { id: string; seq: number; sheet: Sheet; changedAt: Date };
type Warm = { seq: number; sheet: Sheet };

const warm = new WeakMap<Database, Recent<string, Warm>>();
function warmOf(db: Database): Recent<string, Warm> {
  let map = warm.get(db);
  if (!map) warm.set(db, (map = new Recent(KEPT)));
  return map;
}

export async function createDocument(db: Queries, schoolId: string, sheet: Sheet): Promise<string> {
  const id = newId();
  await db.query('insert into document (id, school_id, snapshot) values ($1, $2, $3::jsonb)', [
    id,
    schoolId,
    JSON.stringify(sheet),
  ]);
  await keepSnapshot(db, id, 0, sheet);
  return id;
}

/** Kept for good, so that growth can be looked at from anywhere. */
const keepSnapshot = (db: Queries, id: string, seq: number, sheet: Sheet) =>
  db.query('insert into document_snapshot (document_id, seq, sheet) values ($1, $2, $3::jsonb)', [
    id,
    seq,
    JSON.stringify(sheet),
  ]);

/** One logged change; at is when it was made. */
export type DatedChange = { seq: number; at: Date; change: Change };

/** The log after `from` up to `to`. Read anew: what an older program logged is brought up to date by the schema. */
export const logBetween = async (db: Queries, id: string, from: number, to: number): Promise<DatedChange[]> =>
  (
    await db.query<{ seq: number; at: Date; change: unknown }>(
      'select seq, at, change from document_change where document_id = $1 and seq > $2 and seq <= $3 order by seq',
      [id, from, to],
    )
  ).map((row) => ({ ...row, change: Change.parse(row.change) }));

/** A snapshot with the log that was made on it. */
export const grownFrom = (snapshot: unknown, log: readonly DatedChange[]): Sheet =>
  replay(
    readSheet(snapshot),
    log.map((entry) => entry.change),
  );

/** The sheet as it stands at its newest change. */
async function sheetAt(queries: Queries, id: string): Promise<Loaded | undefined> {
  const row = one(
    await queries.query<{ seq: number; snapshot: unknown; snapshot_seq: number; changed_at: Date }>(
      'select seq, snapshot, snapshot_seq, changed_at from document where id = $1',
      [id],
    ),
  );
  if (!row) return undefined;
  const log = await logBetween(queries, id, row.snapshot_seq, row.seq);
  return {
    id,
    seq: row.seq,
    sheet: grownFrom(row.snapshot, log),
    changedAt: row.changed_at,
  };
}

export async function loadDocument(db: Database, id: string): Promise<Loaded | undefined> {
  const known = warmOf(db).get(id);
  if (known) {
    const row = one(
      await db.query<{ seq: number; changed_at: Date }>('select seq, changed_at from document where id = $1', [id]),
    );
    if (row?.seq === known.seq) return { id, ...known, changedAt: row.changed_at };
  }
  const loaded = await db.transaction((tx) => sheetAt(tx, id));
  if (loaded) warmOf(db).set(id, { seq: loaded.seq, sheet: loaded.sheet });
  return loaded;
}

/** Several at once, for a spread of a class. */
export async function loadDocuments(db: Database, ids: string[]): Promise<Map<string, Loaded>> {
  const out = new Map<string, Loaded>();
  if (ids.length === 0) return out;
  const rows = await db.query<{ id: string; seq: number; changed_at: Date }>(
    'select id, seq, changed_at from document where id = any($1)',
    [ids],
  );
  for (const row of rows) {
    const known = warmOf(db).get(row.id);
    const loaded =
      known?.seq === row.seq ? { id: row.id, ...known, changedAt: row.changed_at } : await loadDocument(db, row.id);
    if (loaded) out.set(row.id, loaded);
  }
  return out;
}

export type LoggedChange = { seq: number; batch: string; change: Change };
export async function changesSince(db: Queries, id: string, since: number): Promise<LoggedChange[]> {
  const rows = await db.query<LoggedChange>(
    'select seq, batch, change from document_change where document_id = $1 and seq > $2 order by seq',
    [id, since],
  );
  // Read anew: what an older program logged is brought up to date by the schema.
  return rows.map((row) => ({ ...row, change: Change.parse(row.change) }));
}

export type Save = { documentId: string; authorId: string; base: number; batch: string; changes: Change[]; at?: Date };
export type Saved =
  /** On disk: the number that the document has now. */
  | { outcome: 'saved'; seq: number; sheet: Sheet }
  /** Others were quicker: what the client lacks, to put its own on top of and send again. */
  | { outcome: 'behind'; seq: number; missed: LoggedChange[] }
  /** One of them must not or can't be made; none was. */
  | { outcome: 'refused'; index: number; reason: string };

/**
 * Appends a batch of changes that builds on `base`, in one transaction. `guard` says why a change must not be made.
 * A batch sent twice is found by its name in what was missed, and so counts once.
 */
export async function saveChanges(
  db: Database,
  save: Save,
  guard: (sheet: Sheet, change: Change) => string | null,
): Promise<Saved> {
  const { documentId, base, batch, changes } = save;
  const saved = await db.transaction(async (tx): Promise<Saved> => {
    const row = one(
      await tx.query<{ seq: number; snapshot_seq: number }>(
        'select seq, snapshot_seq from document where id = $1 for update',
        [documentId],
      ),
    );
    if (!row) return { outcome: 'refused', index: 0, reason: 'This sheet is no longer there.' };
    const known = warmOf(db).get(documentId);
    const sheet = known?.seq === row.seq ? known.sheet : (await sheetAt(tx, documentId))!.sheet;
    if (base !== row.seq)
      return { outcome: 'behind', seq: row.seq, missed: await changesSince(tx, documentId, Math.min(base, row.seq)) };
    let now = sheet;
    for (const [index, change] of changes.entries()) {
      const no = guard(now, change);
      if (no) return { outcome: 'refused', index, reason: no };
      const result = apply(now, change);
      if (!result.ok) return { outcome: 'refused', index, reason: result.reason };
      now = result.sheet;
    }
    const seq = row.seq + changes.length;
    await tx.query(
      `insert into document_change (document_id, seq, batch, author_id, at, change)
       select $1, $2 + ord, $3, $4, coalesce($5::timestamptz, now()), change from jsonb_array_elements($6::jsonb) with ordinality as given(change, ord)`,
      [documentId, row.seq, batch, save.authorId, save.at ?? null, JSON.stringify(changes)],
    );
    if (seq - row.snapshot_seq >= SNAPSHOT_EVERY) {
      await keepSnapshot(tx, documentId, seq, now);
      await tx.query(
        'update document set seq = $2, changed_at = coalesce($3::timestamptz, now()), snapshot = $4::jsonb, snapshot_seq = $2 where id = $1',
        [documentId, seq, save.at ?? null, JSON.stringify(now)],
      );
    } else
      await tx.query('update document set seq = $2, changed_at = coalesce($3::timestamptz, now()) where id = $1', [
        documentId,
        seq,
        save.at ?? null,
      ]);
    return { outcome: 'saved', seq, sheet: now };
  });
  // Only what is committed may be remembered.
  if (saved.outcome === 'saved') warmOf(db).set(documentId, { seq: saved.seq, sheet: saved.sheet });
  return saved;
}
