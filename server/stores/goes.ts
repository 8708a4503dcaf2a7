import type { CopyState, Outcome } from '../../core/handout/state';
import { isOpen, isReturned } from '../../core/handout/state';
import type { Times } from '../../core/handout/times';
import { isClosed, isHeldBack } from '../../core/handout/times';
import type { RubricMarks } from '../../core/lookfors/rubric';
import { damagedSheet } from '../../core/sheet/damaged';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import { Recent } from '../../core/values/recent';
import { foundOnce } from '../../core/values/remembered';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { Turn } from '../process/turn';
import { bytesOf, loadDocument, reasonOf } from './documents';
import { sheetAt } from './history';
import { worksOn } from './mates';

/** Goes of a copy: handing in, taking back, returning, recalling. */

export type Go = {
  id: string;
  copyId: string;
  number: number;
  sheet: Sheet;
  handedInAt: Date;
  reviewBeganAt: Date | null;
  returnedAt: Date | null;
  /** When one of its students first opened it after it was returned. */
  seenAt: Date | null;
  /** What they were told when it was taken back after that. */
  recalled: string | null;
  outcome: Outcome | null;
  /** How it comes back once the time for that is there. */
  heldFor: Outcome | null;
  marks: RubricMarks;
  seq: number;
  /** Why what was handed in can't be read. */
  damage: string | null;
};
const GO = `g.id, g.copy_id as "copyId", g.number, g.seq, g.handed_in_at as "handedInAt", g.review_began_at as "reviewBeganAt",
  g.returned_at as "returnedAt", g.seen_at as "seenAt", g.recalled, g.outcome, g.held_for as "heldFor", g.marks, c.document_id as "documentId"`;

type GoRow = Omit<Go, 'sheet' | 'damage'> & { documentId: string };

/** Sheets that were handed in never change: those that were read last are kept, in bytes, about. */
const KEPT_BYTES = 64e6;
const keptOf = foundOnce((_db: Database) => new Recent<string, Sheet>(KEPT_BYTES, bytesOf));

/** A go whose sheet can't be read is taken from the log of its document; where that fails too, it shows that it is damaged. */
async function readGo(
  db: Database,
  stored: unknown,
  { documentId, seq }: GoRow,
): Promise<Pick<Go, 'sheet' | 'damage'>> {
  try {
    return { sheet: readSheet(stored), damage: null };
  } catch (error) {
    const logged = await sheetAt(db, documentId, seq);
    return logged ? { sheet: logged, damage: null } : { sheet: damagedSheet('Damaged'), damage: reasonOf(error) };
  }
}

async function goesFrom(db: Database, sql: string, parameters: unknown[]): Promise<Go[]> {
  const rows = await db.query<GoRow>(sql, parameters);
  const sheets = keptOf(db);
  const here = new Map(rows.map(({ id }) => [id, sheets.get(id)]));
  const left = rows.filter(({ id }) => !here.get(id)).map(({ id }) => id);
  const stored =
    left.length > 0
      ? await db.query<{ id: string; sheet: unknown }>('select id, sheet from go where id = any($1)', [left])
      : [];
  const byId = new Map(stored.map(({ id, sheet }) => [id, sheet]));
  const turn = new Turn();
  const goes: Go[] = [];
  for (const row of rows) {
    const { documentId: _, ...go } = row;
    const sheet = here.get(go.id);
    const read = sheet ? { sheet, damage: null } : await readGo(db, byId.get(go.id), row);
    if (!read.damage) sheets.set(go.id, read.sheet);
    goes.push({ ...go, ...read });
    await turn.end();
  }
  return goes;
}

export const goesOf = (db: Database, copyId: string): Promise<Go[]> =>
  goesFrom(db, `select ${GO} from go g join copy c on c.id = g.copy_id where g.copy_id = $1 order by g.number`, [
    copyId,
  ]);

/** Some goes by their ids, in no order. */
export const goesById = (db: Database, ids: readonly string[]): Promise<Go[]> =>
  goesFrom(db, `select ${GO} from go g join copy c on c.id = g.copy_id where g.id = any($1)`, [ids]);

/** The newest go of each of many copies: of all of a handout, or of some. */
export const newestGoes = (db: Database, handoutId: string, only: readonly string[] | null = null): Promise<Go[]> =>
  goesFrom(
    db,
    `select distinct on (g.copy_id) ${GO} from go g join copy c on c.id = g.copy_id where c.handout_id = $1 and ($2::text[] is null or c.id = any($2)) order by g.copy_id, g.number desc`,
    [handoutId, only],
  );

export type Moved = { ok: true } | { ok: false; reason: string };

/** Locks a copy, then its document: whatever moves a copy on or writes to it locks in this order. */
async function locked(
  tx: Queries,
  copyId: string,
): Promise<{ state: CopyState; documentId: string; seq: number } | undefined> {
  const copy = one(
    await tx.query<{ state: CopyState; document_id: string }>(
      'select state, document_id from copy where id = $1 for update',
      [copyId],
    ),
  );
  if (!copy) return undefined;
  const [{ seq }] = await tx.query<{ seq: number }>('select seq from document where id = $1 for update', [
    copy.document_id,
  ]);
  return { state: copy.state, documentId: copy.document_id, seq };
}

/** What decides whether a copy is still accepted. */
export const timesOf = async (tx: Queries, copyId: string): Promise<Times> =>
  one(
    await tx.query<Times>(
      `select h.due_at as "dueAt", h.closes_at as "closesAt", copy.extended_to as "extendedTo",
         (select max(returned_at) from go where copy_id = copy.id) as "returnedAt"
       from copy join handout h on h.id = copy.handout_id where copy.id = $1`,
      [copyId],
    ),
  )!;

/** Hands a copy in as it stands at `seq` changes: what the student saw, or a clear no. @throws Damaged */
export async function handIn(
  db: Database,
  copy: { id: string; documentId: string },
  seq: number,
  at?: Date,
): Promise<Moved> {
  const late: Moved = {
    ok: false,
    reason: 'Your newest changes are still on their way. Wait until it says “saved”, then hand in again.',
  };
  // Read before the lock, which must be short; under the lock it is only asked whether it is still that.
  const document = await loadDocument(db, copy.documentId);
  if (!document || document.seq !== seq) return late;
  return db.transaction(async (tx): Promise<Moved> => {
    const now = await locked(tx, copy.id);
    if (!now || !isOpen(now.state))
      return { ok: false, reason: 'This copy is handed in already. Nothing was changed.' };
    if (now.seq !== seq) return late;
    if (isClosed(await timesOf(tx, copy.id), at ? +at : Date.now()))
      return { ok: false, reason: 'Handing in has closed. Ask your teacher if you need more time.' };
    await tx.query(
      `insert into go (id, copy_id, number, seq, sheet, handed_in_at, marks)
       values ($1, $2, (select coalesce(max(number), 0) + 1 from go where copy_id = $2), $3, $4::jsonb, coalesce($5::timestamptz, now()),
         -- Marks of the go before stand until they are changed.
         coalesce((select marks from go where copy_id = $2 order by number desc limit 1), '{}'))`,
      [newId(), copy.id, seq, JSON.stringify(document.sheet), at ?? null],
    );
    await tx.query(`update copy set state = 'handed-in', begun_at = coalesce(begun_at, now()) where id = $1`, [
      copy.id,
    ]);
    return { ok: true };
  });
}

/** Takes the newest go back while the teacher has not begun with it. */
export function takeBack(db: Database, copyId: string): Promise<Moved> {
  return db.transaction(async (tx) => {
    const copy = await locked(tx, copyId);
    if (copy?.state !== 'handed-in') return { ok: false, reason: 'This copy is not handed in.' };
    if (isClosed(await timesOf(tx, copyId), Date.now()))
      return { ok: false, reason: 'Handing in has closed: taken back now, it could not be handed in again.' };
    const go = one(
      await tx.query<{ id: string; number: number }>(
        'select id, number from go where copy_id = $1 order by number desc limit 1',
        [copyId],
      ),
    );
    // A teacher may begin at this very moment: what they write must not go with it.
    const taken =
      go && (await tx.query('delete from go where id = $1 and review_began_at is null returning id', [go.id]));
    if (!taken || taken.length === 0)
      return { ok: false, reason: 'Your teacher has begun to read it. It comes back to you when that is done.' };
    await tx.query('update copy set state = $2 where id = $1', [copyId, go.number > 1 ? 'another-go' : 'under-way']);
    return { ok: true };
  });
}

/** Gives a go back to its student, done or for another go; `until`: held back, as its handout's returns are. */
export function returnGo(
  db: Database,
  goId: string,
  outcome: Outcome,
  at?: Date,
): Promise<Moved & { until?: Date | null }> {
  return db.transaction(async (tx) => {
    const go = one(await tx.query<{ copy_id: string }>('select copy_id from go where id = $1', [goId]));
    const copy = go && (await locked(tx, go.copy_id));
    // Asked again under the lock: another window may have returned it meanwhile.
    const returned =
      go && one(await tx.query<{ at: Date | null }>('select returned_at as at from go where id = $1', [goId]));
    if (!go || !copy || !returned)
      return { ok: false, reason: 'This piece is no longer there: the student has taken it back.' };
    if (returned.at || copy.state !== 'handed-in')
      return { ok: false, reason: 'This piece is with the student already.' };
    const [{ until }] = await tx.query<{ until: Date | null }>(
      'select h.returns_at as until from copy join handout h on h.id = copy.handout_id where copy.id = $1',
      [go.copy_id],
    );
    if (isHeldBack(until, at ? +at : Date.now())) {
      await tx.query('update go set held_for = $2, review_began_at = coalesce(review_began_at, now()) where id = $1', [
        goId,
        outcome,
      ]);
      return { ok: true, until };
    }
    await tx.query(
      'update go set returned_at = coalesce($3::timestamptz, now()), review_began_at = coalesce(review_began_at, now()), outcome = $2, recalled = null, held_for = null where id = $1',
      [goId, outcome, at ?? null],
    );
    await tx.query('update copy set state = $2 where id = $1', [go.copy_id, outcome]);
    return { ok: true };
  });
}

const RELEASED = 'h.binned_at is null and (h.returns_at is null or h.returns_at <= $1)';

/**
 * Gives back what was held back and whose time is there: of one handout, or of all. Which copies those were.
 * @param now taken for the present time
 */
export async function releaseHeld(
  db: Database,
  handoutId: string | null = null,
  now = new Date(),
): Promise<{ documentId: string; handoutId: string }[]> {
  const held = await db.query<{ goId: string; copyId: string; documentId: string; handoutId: string }>(
    `select go.id as "goId", copy.id as "copyId", copy.document_id as "documentId", copy.handout_id as "handoutId"
     from go join copy on copy.id = go.copy_id join handout h on h.id = copy.handout_id
     where go.held_for is not null and ${RELEASED} and ($2::text is null or h.id = $2)`,
    [now, handoutId],
  );
  const gone = [];
  for (const { goId, copyId, ...piece } of held) {
    const went = await db.transaction(async (tx) => {
      if ((await locked(tx, copyId))?.state !== 'handed-in') return false;
      // Asked again under the lock: the time may have been changed, or the piece taken back.
      const back = await tx.query<{ outcome: Outcome }>(
        `update go set returned_at = now(), outcome = held_for, held_for = null, recalled = null from copy join handout h on h.id = copy.handout_id
         where go.id = $2 and copy.id = go.copy_id and go.held_for is not null and ${RELEASED} returning go.outcome`,
        [now, goId],
      );
      if (back.length > 0) await tx.query('update copy set state = $2 where id = $1', [copyId, back[0].outcome]);
      return back.length > 0;
    });
    if (went) gone.push(piece);
  }
  return gone;
}

/** A go of the copy `$2`, on which the person `$1` works, that came back and that nobody has opened since. */
const UNSEEN = `go.copy_id = copy.id and copy.id = $2 and ${worksOn(1)} and go.returned_at is not null and go.seen_at is null`;

/** Notes that a student opens what came back, where nobody has yet. */
export async function markSeen(db: Queries, studentId: string, copyId: string): Promise<void> {
  // Asked first: a copy is opened far more often than it comes back, and only what is written has to reach the disk.
  const unseen = await db.query(`select go.id from go, copy where ${UNSEEN} limit 1`, [studentId, copyId]);
  if (unseen.length > 0) await db.query(`update go set seen_at = now() from copy where ${UNSEEN}`, [studentId, copyId]);
}

/** Whether its students have worked on a copy since its newest go came back. */
export const hasGoneOn = async (db: Queries, copyId: string): Promise<boolean> =>
  (
    await db.query<{ is: boolean }>(
      `select exists (select 1 from document_change ch where ch.document_id = copy.document_id and ch.seq > g.seq and ch.at > g.returned_at
         and (ch.author_id = copy.student_id or exists (select 1 from copy_mate m where m.copy_id = copy.id and m.person_id = ch.author_id))) as is
       from copy join go g on g.copy_id = copy.id where copy.id = $1 order by g.number desc limit 1`,
      [copyId],
    )
  )[0]?.is ?? false;

/**
 * Takes the newest go of a copy back to the teacher, as it was before it was returned. Once a student has opened it, a word for
 * them is asked for (`unsaid` is then true); once they have gone on with it, it stays with them.
 */
export function recall(db: Database, copyId: string, word: string | null): Promise<Moved & { unsaid?: true }> {
  return db.transaction(async (tx) => {
    const copy = await locked(tx, copyId);
    const go = one(
      await tx.query<{ id: string; returnedAt: Date | null; seenAt: Date | null; heldFor: Outcome | null }>(
        'select id, returned_at as "returnedAt", seen_at as "seenAt", held_for as "heldFor" from go where copy_id = $1 order by number desc limit 1 for update',
        [copyId],
      ),
    );
    if (copy && go?.heldFor) {
      await tx.query('update go set held_for = null where id = $1', [go.id]);
      return { ok: true };
    }
    if (!copy || !go?.returnedAt || !isReturned(copy.state))
      return { ok: false, reason: 'This piece is not with its student any more: there is nothing to take back.' };
    if (await hasGoneOn(tx, copyId))
      return { ok: false, reason: 'The student has gone on with it. What you want to say can go with the next go.' };
    if (go.seenAt && word === null)
      return { ok: false, unsaid: true, reason: 'The student has opened it. Say in a word why you take it back.' };
    await tx.query('update go set returned_at = null, outcome = null, seen_at = null, recalled = $2 where id = $1', [
      go.id,
      go.seenAt ? word : null,
    ]);
    await tx.query(`update copy set state = 'handed-in' where id = $1`, [copyId]);
    return { ok: true };
  });
}
