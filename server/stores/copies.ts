import type { CopyState, Outcome } from '../../core/handout/state';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import type { Handout } from './handouts';
import { asVersion, handoutById } from './handouts';
import { COPIES_OF, MATES, NAMES, worksOn } from './mates';
import { byName } from '../database/by-name';

export type TrayEntry = {
  id: string;
  title: string;
  /** Who else works on it. */
  mates: string[];
  className: string;
  brief: string;
  state: CopyState;
  dueAt: Date | null;
  closesAt: Date | null;
  extendedTo: Date | null;
  seq: number;
  returnedAt: Date | null;
  unsettled: number;
  damage: string | null;
};

/** A handout `h` that its students may see. */
export const SEEN = `h.binned_at is null and (h.opens_at is null or h.opens_at <= now())`;

/** What a student has: what is not open yet, and what belongs to classes that are over, is left out. */
export const trayOf = (db: Queries, studentId: string) =>
  db.query<TrayEntry>(
    `select copy.id, h.title, ${MATES} as mates, h.brief, c.name as "className", copy.state, h.due_at as "dueAt", h.closes_at as "closesAt", copy.extended_to as "extendedTo", d.seq, d.damage,
       (select max(returned_at) from go where copy_id = copy.id) as "returnedAt",
       (select count(*)::int from margin_note n join go on go.id = n.go_id where go.copy_id = copy.id and go.returned_at is not null and not n.settled) as unsettled
     from ${COPIES_OF} mine join copy on copy.id = mine.id join handout h on h.id = copy.handout_id join class c on c.id = h.class_id join document d on d.id = copy.document_id
     where ${SEEN} and c.archived_at is null order by h.due_at nulls last, h.created_at`,
    [studentId],
  );

/** When the next of a student's handouts opens; null where none does. */
export const nextOpening = async (db: Queries, studentId: string): Promise<Date | null> =>
  (
    await db.query<{ at: Date | null }>(
      `select min(h.opens_at) as at from ${COPIES_OF} mine join copy on copy.id = mine.id join handout h on h.id = copy.handout_id
       where h.opens_at > now() and h.binned_at is null`,
      [studentId],
    )
  )[0].at;

/** A copy with what its handout says about it, for whoever may see it. */
export type CopyView = {
  id: string;
  documentId: string;
  studentId: string;
  /** Of all who work on it, where those are several. */
  studentName: string;
  state: CopyState;
  extendedTo: Date | null;
  /** How many corrections of its handout it has. */
  corrections: number;
  /** Which version of the handout it is; `handout` is that version. */
  version: number;
  /** How many steps of its brief were open when it was read. */
  openSteps: number;
  handout: Handout;
};

const VIEW = `select copy.id, copy.document_id as "documentId", copy.handout_id as "handoutId", copy.student_id as "studentId", ${NAMES} as "studentName", copy.state,
  copy.extended_to as "extendedTo", copy.corrections, copy.version, copy.open_steps as "openSteps" from copy`;
async function view(db: Database, rows: (Omit<CopyView, 'handout'> & { handoutId: string })[]) {
  const [row] = rows;
  const handout = row && (await handoutById(db, row.handoutId));
  return handout && { ...row, handout: asVersion(handout, row.version) };
}

export const copyOfStudent = async (db: Database, studentId: string, id: string): Promise<CopyView | undefined> =>
  view(
    db,
    await db.query(
      `${VIEW} join handout h on h.id = copy.handout_id where copy.id = $1 and ${worksOn(2)} and ${SEEN}`,
      [id, studentId],
    ),
  );
export const copyForTeacher = async (db: Database, teacherId: string, id: string): Promise<CopyView | undefined> =>
  view(
    db,
    await db.query(
      `${VIEW} join handout h on h.id = copy.handout_id where copy.id = $1 and h.binned_at is null
       and exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $2)`,
      [id, teacherId],
    ),
  );

/** Where a copy's work is, for its teachers and for who works on it, and whether a go is one of it: all that a picture needs. */
export const copyToPicture = async (db: Queries, personId: string, id: string, go: string | null) =>
  one(
    await db.query<{ documentId: string; handoutId: string; hasGo: boolean }>(
      `select copy.document_id as "documentId", copy.handout_id as "handoutId",
         exists (select 1 from go where go.id = $3 and go.copy_id = copy.id) as "hasGo"
       from copy join handout h on h.id = copy.handout_id where copy.id = $1 and h.binned_at is null
       and (exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $2) or (${worksOn(2)} and ${SEEN}))`,
      [id, personId, go],
    ),
  );

export type ClassCopy = {
  id: string;
  documentId: string;
  studentId: string;
  studentName: string;
  state: CopyState;
  extendedTo: Date | null;
  begunAt: Date | null;
  go: number;
  handedInAt: Date | null;
  /** How it comes back once the time for that is there; null where it is not held back. */
  heldFor: Outcome | null;
  /** When the first of its goes was handed in. */
  firstHandedInAt: Date | null;
  goId: string | null;
  seq: number;
  corrections: number;
  version: number;
  /** How many steps of its brief are open. */
  openSteps: number;
};

/** All copies of a handout by name, each with its newest go. */
export const copiesOf = async (db: Queries, handoutId: string): Promise<ClassCopy[]> => {
  const copies = await db.query<ClassCopy>(
    `select copy.id, copy.document_id as "documentId", copy.student_id as "studentId", ${NAMES} as "studentName", copy.state, copy.extended_to as "extendedTo", copy.begun_at as "begunAt", copy.corrections, copy.version, copy.open_steps as "openSteps",
       coalesce(g.number, 0) as go, g.handed_in_at as "handedInAt", g.held_for as "heldFor",
       (select min(handed_in_at) from go where copy_id = copy.id) as "firstHandedInAt", g.id as "goId", d.seq
     from copy join document d on d.id = copy.document_id
     left join lateral (select id, number, handed_in_at, held_for from go where copy_id = copy.id order by number desc limit 1) g on true
     where copy.handout_id = $1`,
    [handoutId],
  );
  return byName(copies, ({ studentName }) => studentName);
};

export type PathCopy = {
  id: string;
  documentId: string;
  handoutId: string;
  title: string;
  className: string;
  handedOutAt: Date;
};

/** What a student has of handouts to classes of a teacher, the newest first: at most so many. */
export const copiesWith = (db: Queries, teacherId: string, studentId: string, most: number) =>
  db.query<PathCopy>(
    `select copy.id, copy.document_id as "documentId", h.id as "handoutId", h.title, c.name as "className", coalesce(h.opens_at, h.created_at) as "handedOutAt"
     from ${COPIES_OF} mine join copy on copy.id = mine.id join handout h on h.id = copy.handout_id join class c on c.id = h.class_id
     where h.binned_at is null and exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $2)
     order by 6 desc, h.id limit $3`,
    [studentId, teacherId, most],
  );

/** Who may write to a document, in one query: its owner, or the student whose copy it is. */
export type DocumentAccess =
  | { kind: 'sheet' }
  | { kind: 'copy'; copyId: string; handoutId: string; version: number; state: CopyState; names: string };
export async function documentAccess(
  db: Queries,
  personId: string,
  documentId: string,
): Promise<DocumentAccess | null> {
  const row = one(
    await db.query<{ copyId: string | null; handoutId: string; version: number; state: CopyState; names: string }>(
      `select null as "copyId", null as "handoutId", null as version, null as state, null as names from sheet where document_id = $2 and owner_id = $1
       union all
       select copy.id, copy.handout_id, copy.version, copy.state, ${NAMES} from copy join handout h on h.id = copy.handout_id
         where copy.document_id = $2 and ${worksOn(1)} and ${SEEN}`,
      [personId, documentId],
    ),
  );
  if (!row) return null;
  return row.copyId === null ? { kind: 'sheet' } : { kind: 'copy', ...row, copyId: row.copyId };
}

/** How many steps of its brief are open on a copy. */
export const openStepsOf = async (db: Queries, copyId: string): Promise<number> =>
  one(await db.query<{ n: number }>('select open_steps as n from copy where id = $1', [copyId]))?.n ?? 1;

/** Opens so many steps; what was open stays open. */
export async function setOpenSteps(db: Queries, copyId: string, open: number): Promise<void> {
  await db.query('update copy set open_steps = greatest(open_steps, $2) where id = $1', [copyId, open]);
}

/** Whether a document is a copy of what was handed out to a class on which this teacher has full rights. */
export const isTeacherOfCopy = async (db: Queries, teacherId: string, documentId: string): Promise<boolean> =>
  (
    await db.query(
      `select 1 from copy join handout h on h.id = copy.handout_id where copy.document_id = $1 and h.binned_at is null
         and exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $2 and t.rights = 'full')`,
      [documentId, teacherId],
    )
  ).length > 0;
