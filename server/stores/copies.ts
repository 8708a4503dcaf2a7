import type { LookFor } from '../../core/lookfors/lookfor';
import type { Rubric, RubricMarks } from '../../core/lookfors/rubric';
import type { Supply } from '../../core/handout/touch';
import type { Sheet } from '../../core/sheet/schema';
import { readSheet } from '../../core/sheet/schema';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../id';
import { loadDocument } from './documents';

export const COPY_STATES = ['not-begun', 'under-way', 'handed-in', 'another-go', 'done'] as const;
export type CopyState = (typeof COPY_STATES)[number];
/** A student may work on it. */
export const isOpen = (state: CopyState) => state === 'not-begun' || state === 'under-way' || state === 'another-go';

export type TrayEntry = {
  id: string;
  title: string;
  className: string;
  state: CopyState;
  dueAt: Date | null;
  seq: number;
  returnedAt: Date | null;
  unsettled: number;
};

export const trayOf = (db: Queries, studentId: string) =>
  db.query<TrayEntry>(
    `select copy.id, h.title, c.name as "className", copy.state, h.due_at as "dueAt", d.seq,
       (select max(returned_at) from go where copy_id = copy.id) as "returnedAt",
       (select count(*)::int from margin_note n join go on go.id = n.go_id where go.copy_id = copy.id and go.returned_at is not null and not n.settled) as unsettled
     from copy join handout h on h.id = copy.handout_id join class c on c.id = h.class_id join document d on d.id = copy.document_id
     where copy.student_id = $1 order by h.due_at nulls last, h.created_at`,
    [studentId],
  );

/** A copy with what its handout says about it, for whoever may see it. */
export type CopyView = {
  id: string;
  documentId: string;
  handoutId: string;
  studentId: string;
  studentName: string;
  teacherId: string;
  state: CopyState;
  title: string;
  brief: string;
  dueAt: Date | null;
  handoutSheet: Sheet;
  lookFors: LookFor[];
  rubric: Rubric;
  supplies: Supply[];
};

const VIEW = `select copy.id, copy.document_id as "documentId", copy.handout_id as "handoutId", copy.student_id as "studentId", p.name as "studentName",
    h.teacher_id as "teacherId", copy.state, h.title, h.brief, h.due_at as "dueAt", h.sheet as "handoutSheet", h.look_fors as "lookFors", h.rubric, h.supplies
  from copy join handout h on h.id = copy.handout_id join person p on p.id = copy.student_id`;
const read = (row: CopyView | undefined) => row && { ...row, handoutSheet: readSheet(row.handoutSheet) };

export const copyOfStudent = async (db: Queries, studentId: string, id: string) =>
  read(one(await db.query<CopyView>(`${VIEW} where copy.id = $1 and copy.student_id = $2`, [id, studentId])));
export const copyForTeacher = async (db: Queries, teacherId: string, id: string) =>
  read(one(await db.query<CopyView>(`${VIEW} where copy.id = $1 and h.teacher_id = $2`, [id, teacherId])));

export type ClassCopy = {
  id: string;
  documentId: string;
  studentId: string;
  studentName: string;
  state: CopyState;
  begunAt: Date | null;
  go: number;
  handedInAt: Date | null;
  seq: number;
};

/** All copies of a handout by name, each with its newest go. */
export const copiesOf = (db: Queries, handoutId: string) =>
  db.query<ClassCopy>(
    `select copy.id, copy.document_id as "documentId", copy.student_id as "studentId", p.name as "studentName", copy.state, copy.begun_at as "begunAt",
       coalesce(g.number, 0) as go, g.handed_in_at as "handedInAt", d.seq
     from copy join person p on p.id = copy.student_id join document d on d.id = copy.document_id
     left join lateral (select number, handed_in_at from go where copy_id = copy.id order by number desc limit 1) g on true
     where copy.handout_id = $1 order by p.name`,
    [handoutId],
  );

/** The first change makes it begun. */
export const markBegun = (db: Queries, copyId: string, at?: Date) =>
  db.query(
    `update copy set state = 'under-way', begun_at = coalesce($2::timestamptz, now()) where id = $1 and state = 'not-begun'`,
    [copyId, at ?? null],
  );

/** Who may write to a document, in one query: its owner, or the student whose copy it is. */
export type DocumentAccess = { kind: 'sheet' } | { kind: 'copy'; copyId: string; state: CopyState; supplies: Supply[] };
export async function documentAccess(
  db: Queries,
  personId: string,
  documentId: string,
): Promise<DocumentAccess | null> {
  const row = one(
    await db.query<{ copyId: string | null; state: CopyState | null; supplies: Supply[] | null }>(
      `select null as "copyId", null as state, null::jsonb as supplies from sheet where document_id = $2 and owner_id = $1
       union all
       select copy.id, copy.state, h.supplies from copy join handout h on h.id = copy.handout_id where copy.document_id = $2 and copy.student_id = $1`,
      [personId, documentId],
    ),
  );
  if (!row) return null;
  return row.copyId === null
    ? { kind: 'sheet' }
    : { kind: 'copy', copyId: row.copyId, state: row.state!, supplies: row.supplies! };
}

// Goes: handing in, taking back, returning.

export type Go = {
  id: string;
  copyId: string;
  number: number;
  sheet: Sheet;
  handedInAt: Date;
  reviewBeganAt: Date | null;
  returnedAt: Date | null;
  outcome: 'done' | 'another-go' | null;
  marks: RubricMarks;
};
const GO = `id, copy_id as "copyId", number, sheet, handed_in_at as "handedInAt", review_began_at as "reviewBeganAt", returned_at as "returnedAt", outcome, marks`;

export const goesOf = async (db: Queries, copyId: string): Promise<Go[]> =>
  (await db.query<Go>(`select ${GO} from go where copy_id = $1 order by number`, [copyId])).map((go) => ({
    ...go,
    sheet: readSheet(go.sheet),
  }));

/** The newest go of each of many copies. */
export const newestGoes = async (db: Queries, handoutId: string): Promise<Go[]> =>
  (
    await db.query<Go>(
      `select distinct on (copy_id) ${GO} from go where copy_id in (select id from copy where handout_id = $1) order by copy_id, number desc`,
      [handoutId],
    )
  ).map((go) => ({ ...go, sheet: readSheet(go.sheet) }));

export type Moved = { ok: true } | { ok: false; reason: string };

/** Hands a copy in as it stands at `seq` changes: what the student saw, or a clear no. */
export async function handIn(
  db: Database,
  copy: { id: string; documentId: string },
  seq: number,
  at?: Date,
): Promise<Moved> {
  const document = await loadDocument(db, copy.documentId);
  if (!document || document.seq !== seq)
    return {
      ok: false,
      reason: 'Your newest changes are still on their way. Wait until it says “saved”, then hand in again.',
    };
  return db.transaction(async (tx) => {
    const row = one(await tx.query<{ state: CopyState }>('select state from copy where id = $1 for update', [copy.id]));
    if (!row || !isOpen(row.state))
      return { ok: false, reason: 'This copy is handed in already. Nothing was changed.' };
    await tx.query(
      `insert into go (id, copy_id, number, seq, sheet, handed_in_at)
       values ($1, $2, (select coalesce(max(number), 0) + 1 from go where copy_id = $2), $3, $4::jsonb, coalesce($5::timestamptz, now()))`,
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
    const copy = one(await tx.query<{ state: CopyState }>('select state from copy where id = $1 for update', [copyId]));
    if (copy?.state !== 'handed-in') return { ok: false, reason: 'This copy is not handed in.' };
    const go = one(
      await tx.query<{ id: string; number: number; review_began_at: Date | null }>(
        'select id, number, review_began_at from go where copy_id = $1 order by number desc limit 1',
        [copyId],
      ),
    );
    if (!go || go.review_began_at)
      return { ok: false, reason: 'Your teacher has begun to read it. It comes back to you when that is done.' };
    await tx.query('delete from go where id = $1', [go.id]);
    await tx.query('update copy set state = $2 where id = $1', [copyId, go.number > 1 ? 'another-go' : 'under-way']);
    return { ok: true };
  });
}

/** Gives a go back to its student, done or for another go. */
export function returnGo(db: Database, goId: string, outcome: 'done' | 'another-go', at?: Date): Promise<Moved> {
  return db.transaction(async (tx) => {
    const go = one(
      await tx.query<{ copy_id: string; returned_at: Date | null }>(
        'select copy_id, returned_at from go where id = $1',
        [goId],
      ),
    );
    const copy =
      go && one(await tx.query<{ state: CopyState }>('select state from copy where id = $1 for update', [go.copy_id]));
    if (!go || !copy) return { ok: false, reason: 'This piece is no longer there: the student has taken it back.' };
    if (go.returned_at || copy.state !== 'handed-in')
      return { ok: false, reason: 'This piece is with the student already.' };
    await tx.query(
      'update go set returned_at = coalesce($3::timestamptz, now()), review_began_at = coalesce(review_began_at, now()), outcome = $2 where id = $1',
      [goId, outcome, at ?? null],
    );
    await tx.query('update copy set state = $2 where id = $1', [go.copy_id, outcome]);
    return { ok: true };
  });
}
