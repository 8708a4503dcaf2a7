import type { Cover } from '../../core/sheet/cover';
import { coverOf } from '../../core/sheet/cover';
import type { Pictures } from '../../core/pictures/picture';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import { readLookFors, readRubric, readSupplies, storedLookFors } from '../../core/lookfors/stored';
import { givenOut } from '../../core/handout/copy';
import { veiled } from '../../core/handout/veil';
import { Recent } from '../../core/values/recent';
import { damagedSheet } from '../../core/sheet/damaged';
import type { Supply } from '../../core/handout/permission';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { bytesOf, createDocument, reasonOf } from './documents';

export type Handout = {
  id: string;
  teacherId: string;
  sheetId: string | null;
  classId: string;
  className: string;
  title: string;
  brief: string;
  dueAt: Date | null;
  /** From when on nothing is accepted any more. */
  closesAt: Date | null;
  putAwayAt: Date | null;
  /** With its key: never sent to a student. */
  sheet: Sheet;
  /** As it was given out, but with the names of parts. */
  given: Sheet;
  lookFors: LookFor[];
  rubric: Rubric;
  supplies: Supply[];
  /** How many corrections of its sheet were sent. */
  corrections: number;
  /** Why its sheet can't be read; it then shows a sheet that says so. */
  damage: string | null;
};

/** What of handouts was read last, by the version of the row: it holds whole sheets, and is asked for at every save. */
const KEPT_BYTES = 48e6;
const read = new WeakMap<Database, Recent<string, Handout>>();
function readOf(db: Database): Recent<string, Handout> {
  let map = read.get(db);
  if (!map) read.set(db, (map = new Recent(KEPT_BYTES, ({ sheet }) => 4000 + 2 * bytesOf(sheet))));
  return map;
}

type Row = Omit<Handout, 'sheet' | 'given' | 'lookFors' | 'rubric' | 'supplies' | 'damage'> &
  Record<'sheet' | 'lookFors' | 'rubric' | 'supplies', unknown>;

function handoutFrom(row: Row): Handout {
  let [sheet, damage]: [Sheet, string | null] = [damagedSheet(row.title), null];
  try {
    sheet = readSheet(row.sheet);
  } catch (error) {
    damage = reasonOf(error);
  }
  return {
    ...row,
    sheet,
    given: givenOut(sheet),
    lookFors: readLookFors(row.lookFors),
    rubric: readRubric(row.rubric),
    supplies: readSupplies(row.supplies),
    damage,
  };
}

/** A handout by its identity: whoever asks has made sure that it may be seen. */
export async function handoutById(db: Database, id: string): Promise<Handout | undefined> {
  const version = one(
    await db.query<{ version: string }>('select xmin::text as version from handout where id = $1', [id]),
  );
  if (!version) return undefined;
  const key = `${id} ${version.version}`;
  const known = readOf(db).get(key);
  if (known) return known;
  const row = one(
    await db.query<Row>(
      `select h.id, h.teacher_id as "teacherId", h.sheet_id as "sheetId", h.class_id as "classId", c.name as "className", h.title, h.brief,
         h.due_at as "dueAt", h.closes_at as "closesAt", h.put_away_at as "putAwayAt", h.sheet, h.look_fors as "lookFors", h.rubric, h.supplies, h.corrections
       from handout h join class c on c.id = h.class_id where h.id = $1`,
      [id],
    ),
  );
  const handout = row && handoutFrom(row);
  if (handout) readOf(db).set(key, handout);
  return handout;
}

export type NewHandout = {
  schoolId: string;
  teacherId: string;
  sheetId: string | null;
  classId: string;
  title: string;
  brief: string;
  dueAt: Date | null;
  closesAt?: Date | null;
  sheet: Sheet;
  lookFors: LookFor[];
  rubric: Rubric;
  supplies: Supply[];
  at?: Date;
};

/**
 * Hands a sheet out: every student of the class gets a copy. `pictures` are those that ship, which have named parts. What was
 * handed out under an id before is not handed out again.
 */
export async function addHandout(tx: Queries, given: NewHandout, pictures: Pictures, id = newId()): Promise<string> {
  const made = await tx.query(
    `insert into handout (id, school_id, teacher_id, sheet_id, class_id, title, brief, due_at, sheet, look_fors, rubric, supplies, created_at, cover, closes_at)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $10::jsonb, $11::jsonb, $12::jsonb, coalesce($13::timestamptz, now()), $14::jsonb, $15)
       on conflict (id) do nothing returning id`,
    [
      id,
      given.schoolId,
      given.teacherId,
      given.sheetId,
      given.classId,
      given.title,
      given.brief,
      given.dueAt,
      JSON.stringify(given.sheet),
      JSON.stringify(storedLookFors(given.lookFors)),
      JSON.stringify(given.rubric),
      JSON.stringify(given.supplies),
      given.at ?? null,
      JSON.stringify(coverOf(given.sheet)),
      given.closesAt ?? null,
    ],
  );
  if (made.length === 0) return id;
  const members = await tx.query<{ id: string }>('select person_id as id from class_member where class_id = $1', [
    given.classId,
  ]);
  const copy = veiled(givenOut(given.sheet), pictures);
  for (const member of members)
    await addCopy(tx, { schoolId: given.schoolId, handoutId: id, studentId: member.id, sheet: copy });
  return id;
}

export const createHandout = (db: Database, given: NewHandout, pictures: Pictures, id = newId()): Promise<string> =>
  db.transaction((tx) => addHandout(tx, given, pictures, id));

type NewCopy = { schoolId: string; handoutId: string; studentId: string; sheet: Sheet; corrections?: number };

async function addCopy(tx: Queries, { schoolId, handoutId, studentId, sheet, corrections = 0 }: NewCopy) {
  const documentId = await createDocument(tx, schoolId, sheet);
  await tx.query(
    `insert into copy (id, school_id, handout_id, student_id, document_id, corrections) values ($1, $2, $3, $4, $5, $6)
     on conflict do nothing`,
    [newId(), schoolId, handoutId, studentId, documentId, corrections],
  );
}

/** Who joined the class after something was handed out gets it too. */
export async function addLateCopies(db: Database, studentId: string, pictures: Pictures): Promise<void> {
  const missing = await db.query<{ id: string; school_id: string }>(
    `select h.id, h.school_id from handout h join class_member m on m.class_id = h.class_id
     where m.person_id = $1 and not exists (select 1 from copy where copy.handout_id = h.id and copy.student_id = $1)`,
    [studentId],
  );
  for (const { id, school_id } of missing) {
    const handout = await handoutById(db, id);
    // One whose sheet can't be read is not handed on: the copy would be of nothing.
    if (!handout || handout.damage) continue;
    const { given, corrections } = handout;
    await db.transaction((tx) =>
      addCopy(tx, { schoolId: school_id, handoutId: id, studentId, sheet: veiled(given, pictures), corrections }),
    );
  }
}

export async function handoutOf(db: Database, teacherId: string, id: string): Promise<Handout | undefined> {
  const owned = await db.query('select 1 from handout where id = $1 and teacher_id = $2', [id, teacherId]);
  return owned.length > 0 ? handoutById(db, id) : undefined;
}

/** The documents of a handout's copies that were begun. */
export const begunCopies = async (db: Queries, handoutId: string): Promise<string[]> =>
  (
    await db.query<{ id: string }>(
      `select document_id as id from copy where handout_id = $1 and state <> 'not-begun' order by id`,
      [handoutId],
    )
  ).map(({ id }) => id);

export type Progress = {
  id: string;
  title: string;
  className: string;
  dueAt: Date | null;
  closesAt: Date | null;
  putAwayAt: Date | null;
  createdAt: Date;
  counts: Record<'not-begun' | 'under-way' | 'handed-in' | 'another-go' | 'done', number>;
  /** The copy that was handed in first of those that wait to be read. */
  waitingFirst: { copyId: string; since: Date } | null;
  cover: Cover | null;
};

/** A teacher's handouts with how far their copies are; the newest first. */
export async function progressOf(db: Queries, teacherId: string): Promise<Progress[]> {
  type Row = Omit<Progress, 'counts' | 'waitingFirst'> & {
    counts: Partial<Progress['counts']>;
    copyId: string | null;
    since: Date | null;
  };
  const rows = await db.query<Row>(
    `select h.id, h.title, (select name from class where id = h.class_id) as "className", h.due_at as "dueAt", h.closes_at as "closesAt",
       h.put_away_at as "putAwayAt", h.created_at as "createdAt", h.cover,
       coalesce((select jsonb_object_agg(state, n) from (select state, count(*)::int as n from copy where handout_id = h.id group by state) by_state), '{}') as counts,
       first."copyId", first.since
     from handout h left join lateral (
       select copy.id as "copyId", g.handed_in_at as since from go g join copy on copy.id = g.copy_id
       where copy.handout_id = h.id and copy.state = 'handed-in' and g.returned_at is null
       order by g.handed_in_at, copy.id limit 1) first on true
     where h.teacher_id = $1 order by h.created_at desc`,
    [teacherId],
  );
  const none = { 'not-begun': 0, 'under-way': 0, 'handed-in': 0, 'another-go': 0, done: 0 };
  return rows.map(({ copyId, since, ...row }) => ({
    ...row,
    counts: { ...none, ...row.counts },
    waitingFirst: copyId !== null && since !== null ? { copyId, since } : null,
  }));
}
