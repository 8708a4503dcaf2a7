import { z } from 'zod';
import { apply, Change, replay } from '../../core/changes/change';
import { coverOf } from '../../core/sheet/cover';
import { addedLoad, loadOfAll, NO_LOAD } from '../../core/sheet/limits';
import { foundOnce } from '../../core/values/remembered';
import { Recent } from '../../core/values/recent';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { Turn } from '../process/turn';

/** Documents: a snapshot and the log of changes since. Acknowledged means committed. */

/** A snapshot is taken after this many changes, so that loading replays no more. */
const SNAPSHOT_EVERY = 100;
/** The sheets that were used last, as they are after their newest change, so that saving need not replay: in bytes, about. */
const KEPT_BYTES = 96e6;

export type Loaded = { id: string; seq: number; sheet: Sheet; changedAt: Date };
type Warm = { seq: number; sheet: Sheet };

/** About how much memory a sheet takes. */
export const bytesOf = (sheet: Sheet): number => {
  const { items, letters } = sheet.pages
    .map((page) => loadOfAll(page.items))
    .reduce((a, b) => addedLoad(a, b), NO_LOAD);
  return 2000 + items * 900 + letters * 3;
};

const warmOf = foundOnce((_db: Database) => new Recent<string, Warm>(KEPT_BYTES, (kept) => bytesOf(kept.sheet)));

/** A document whose newest state can't be read; `loadDocument` says so rather than showing half of it. */
export class Damaged extends Error {
  override name = 'Damaged';
  constructor(
    readonly id: string,
    readonly seq: number,
    readonly changedAt: Date,
    readonly reason: string,
  ) {
    super(`document ${id} can't be read at ${seq}: ${reason}`);
  }
}

/** What is said where one can't be worked with. */
export const DAMAGED_WORDS = 'This sheet is damaged. Open it: it says what can be done.';

export async function createDocument(db: Queries, schoolId: string, sheet: Sheet): Promise<string> {
  const id = newId();
  await db.query(
    'insert into document (id, school_id, snapshot, title, cover) values ($1, $2, $3::jsonb, $4, $5::jsonb)',
    [id, schoolId, JSON.stringify(sheet), sheet.title, JSON.stringify(coverOf(sheet))],
  );
  await keepSnapshot(db, id, 0, sheet);
  return id;
}

/** Kept for good, so that history can be looked at from anywhere. */
export const keepSnapshot = (db: Queries, id: string, seq: number, sheet: Sheet) =>
  db.query(
    `insert into document_snapshot (document_id, seq, sheet) values ($1, $2, $3::jsonb)
     on conflict (document_id, seq) do update set sheet = excluded.sheet`,
    [id, seq, JSON.stringify(sheet)],
  );

/** One logged change; at is when it was made. */
export type DatedChange = { seq: number; at: Date; by: string; change: Change };

/** The log after `from` up to `to`, as it is stored. */
export const rowsBetween = (db: Queries, id: string, from: number, to: number) =>
  db.query<{ seq: number; at: Date; by: string; change: unknown }>(
    'select seq, at, author_id as by, change from document_change where document_id = $1 and seq > $2 and seq <= $3 order by seq',
    [id, from, to],
  );

/** A snapshot with the changes that were logged on it, as both are stored. @throws Error where they can't be read */
export const grownFrom = (snapshot: unknown, changes: readonly unknown[]): Sheet =>
  replay(
    readSheet(snapshot),
    changes.map((change) => Change.parse(change)),
  );

/** What went wrong in reading, in a few words. */
export function reasonOf(error: unknown): string {
  if (error instanceof z.ZodError) {
    const [issue] = error.issues;
    return `a change can’t be read at ${issue.path.join('.') || 'its root'}: ${issue.message}`;
  }
  return error instanceof Error ? error.message : String(error);
}

/** Sheets as they stand at their newest change; one statement, so that nothing is written in between. */
async function newest(db: Database, ids: string[]): Promise<(Loaded | Damaged)[]> {
  const rows = await db.query<{ id: string; seq: number; snapshot: unknown; from: number; at: Date; log: unknown[] }>(
    `select d.id, d.seq, d.snapshot, d.snapshot_seq as from, d.changed_at as at,
       (select coalesce(jsonb_agg(c.change order by c.seq), '[]') from document_change c
        where c.document_id = d.id and c.seq > d.snapshot_seq and c.seq <= d.seq) as log
     from document d where d.id = any($1)`,
    [ids],
  );
  const turn = new Turn();
  const out: (Loaded | Damaged)[] = [];
  for (const { id, seq, snapshot, from, at, log } of rows) {
    try {
      if (log.length !== seq - from) throw new Error('some of its changes are missing');
      out.push({ id, seq, sheet: grownFrom(snapshot, log), changedAt: at });
    } catch (error) {
      out.push(new Damaged(id, seq, at, reasonOf(error)));
    }
    await turn.end();
  }
  return out;
}

/** How many are read at once: in between, others can use the database. */
const AT_ONCE = 10;

/** Several at once, for a spread of a class. One that can't be read does not keep the others from being shown. */
export async function loadDocuments(db: Database, ids: string[]): Promise<Map<string, Loaded | Damaged>> {
  const out = new Map<string, Loaded | Damaged>();
  if (ids.length === 0) return out;
  const rows = await db.query<{ id: string; seq: number; changed_at: Date }>(
    'select id, seq, changed_at from document where id = any($1)',
    [ids],
  );
  const cold: string[] = [];
  for (const { id, seq, changed_at: changedAt } of rows) {
    const known = warmOf(db).get(id);
    if (known?.seq === seq) out.set(id, { id, ...known, changedAt });
    else cold.push(id);
  }
  for (let i = 0; i < cold.length; i += AT_ONCE) {
    for (const loaded of await newest(db, cold.slice(i, i + AT_ONCE))) {
      out.set(loaded.id, loaded);
      if (!(loaded instanceof Damaged)) warmOf(db).set(loaded.id, { seq: loaded.seq, sheet: loaded.sheet });
      // Lists tell it from then on without loading it.
      else
        await db.query('update document set damage = $2 where id = $1 and seq = $3', [
          loaded.id,
          loaded.reason,
          loaded.seq,
        ]);
    }
  }
  return out;
}

/** @throws Damaged when there is one that can't be read */
export async function loadDocument(db: Database, id: string): Promise<Loaded | undefined> {
  const loaded = (await loadDocuments(db, [id])).get(id);
  if (loaded instanceof Damaged) throw loaded;
  return loaded;
}

export type LoggedChange = { seq: number; batch: string; change: Change };
export async function changesSince(db: Queries, id: string, since: number): Promise<LoggedChange[]> {
  const rows = await db.query<LoggedChange>(
    'select seq, batch, change from document_change where document_id = $1 and seq > $2 order by seq',
    [id, since],
  );
  // Read again: what an older program logged is brought up to date by the schema.
  return rows.map((row) => ({ ...row, change: Change.parse(row.change) }));
}

export type Save = { documentId: string; authorId: string; base: number; batch: string; changes: Change[]; at?: Date };
export type Saved =
  /** On disk: the number that the document has now. */
  | { outcome: 'saved'; seq: number; sheet: Sheet }
  /** Others were quicker: what the client lacks, to put its own on top of and send again. */
  | { outcome: 'behind'; seq: number; missed: LoggedChange[] }
  /** One of them must not or can't be made; none was. */
  | { outcome: 'refused'; index: number; reason: string }
  /** The copy is handed in or done: nothing may be written to it now. */
  | { outcome: 'shut' }
  /** The document was put right meanwhile, and what the client builds on is no more. */
  | { outcome: 'mended' };

/** Why a change must not be made, or null. */
export type Guard = (sheet: Sheet, change: Change) => string | null;

/** The sheet with a batch of changes made, or which of them must not or can't be made. */
async function made(
  sheet: Sheet,
  changes: readonly Change[],
  guard: Guard,
): Promise<{ ok: true; sheet: Sheet } | { ok: false; index: number; reason: string }> {
  let now = sheet;
  const turn = new Turn();
  for (const [index, change] of changes.entries()) {
    const no = guard(now, change);
    if (no) return { ok: false, index, reason: no };
    const result = apply(now, change);
    if (!result.ok) return { ok: false, index, reason: result.reason };
    now = result.sheet;
    await turn.end();
  }
  return { ok: true, sheet: now };
}

/**
 * Appends a batch of changes that builds on `base`, in one transaction. `copyId` names the copy that has to be open to its
 * student in that same transaction; the first change begins it. A batch sent twice is found by its name in what was missed,
 * and so counts once.
 * @throws Damaged
 */
export async function saveChanges(
  db: Database,
  save: Save,
  guard: Guard,
  copyId: string | null = null,
): Promise<Saved> {
  const { documentId, base, batch, changes } = save;
  const known = warmOf(db).get(documentId);
  // A sheet that another process changed is noticed below: the number it had is part of what is written.
  const before = known?.seq === base ? known : await loadDocument(db, documentId);
  if (!before) return { outcome: 'refused', index: 0, reason: 'This sheet is no longer there.' };
  if (before.seq !== base) return db.transaction((tx) => notWritten(tx, save, copyId));
  const next = await made(before.sheet, changes, guard);
  if (!next.ok) return { outcome: 'refused', index: next.index, reason: next.reason };
  const seq = base + changes.length;
  const needsSnapshot = Math.floor(seq / SNAPSHOT_EVERY) > Math.floor(base / SNAPSHOT_EVERY);
  const parameters = [
    copyId,
    documentId,
    base,
    changes.length,
    save.at ?? null,
    batch,
    save.authorId,
    JSON.stringify(changes),
    next.sheet.title,
    JSON.stringify(coverOf(next.sheet)),
  ];
  const write = async (queries: Queries): Promise<Saved> => {
    const written = one(await queries.query<{ written: number }>(APPEND, parameters))!.written;
    if (written !== changes.length) return notWritten(queries, save, copyId);
    if (needsSnapshot) {
      await keepSnapshot(queries, documentId, seq, next.sheet);
      await queries.query('update document set snapshot = $2::jsonb, snapshot_seq = $3 where id = $1', [
        documentId,
        JSON.stringify(next.sheet),
        seq,
      ]);
    }
    return { outcome: 'saved', seq, sheet: next.sheet };
  };
  const saved = await (needsSnapshot ? db.transaction(write) : write(db));
  // Only what is committed may be remembered.
  if (saved.outcome === 'saved') warmOf(db).set(documentId, { seq, sheet: next.sheet });
  return saved;
}

/**
 * One statement, so one transaction: the copy, where there is one, is locked first and has to be open; the document has to
 * stand at the number that the batch builds on. Handing in, taking back and returning lock in the same order.
 */
const APPEND = `
  with open as (
    select id, state from copy where id = $1 and state in ('not-begun', 'under-way', 'another-go') for update
  ), begun as (
    update copy set state = 'under-way', begun_at = coalesce($5::timestamptz, now())
    where id in (select id from open where state = 'not-begun')
  ), moved as (
    update document set seq = seq + $4, changed_at = coalesce($5::timestamptz, now()), title = $9, cover = $10::jsonb
    where id = $2 and seq = $3 and ($1::text is null or exists (select from open))
    returning id
  ), logged as (
    insert into document_change (document_id, seq, batch, author_id, at, change)
    select $2, $3 + ord, $6, $7, coalesce($5::timestamptz, now()), change
    from moved, jsonb_array_elements($8::jsonb) with ordinality as given(change, ord)
    returning 1
  )
  select count(*)::int as written from logged`;

/** Why a batch was not written: the copy is shut, others were quicker, or the document was put right. */
async function notWritten(queries: Queries, { documentId, base }: Save, copyId: string | null): Promise<Saved> {
  const row = one(
    await queries.query<{ seq: number; open: boolean; gap: number | null }>(
      `select d.seq, ($2::text is null or exists (select 1 from copy where id = $2 and state in ('not-begun', 'under-way', 'another-go'))) as open,
         (select max(seq) from set_aside_change where document_id = d.id) as gap
       from document d where d.id = $1`,
      [documentId, copyId],
    ),
  );
  if (!row) return { outcome: 'refused', index: 0, reason: 'This sheet is no longer there.' };
  if (!row.open) return { outcome: 'shut' };
  if (row.gap !== null && base < row.gap) return { outcome: 'mended' };
  return { outcome: 'behind', seq: row.seq, missed: await changesSince(queries, documentId, Math.min(base, row.seq)) };
}
