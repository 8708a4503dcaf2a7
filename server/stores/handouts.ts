import type { Cover } from '../../core/sheet/cover';
import { coverOf } from '../../core/sheet/cover';
import type { Pictures } from '../../core/pictures/picture';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import { allOnVersion } from '../../core/lookfors/versions';
import { readLookFors, readRubric, readSupplies, storedLookFors } from '../../core/lookfors/stored';
import { givenOut } from '../../core/handout/copy';
import type { Receiver } from '../../core/handout/deal';
import { Deal, dealt, MOST_TOGETHER, teamsOf } from '../../core/handout/deal';
import type { SupplyLimits } from '../../core/handout/limits';
import { readLimits } from '../../core/handout/limits';
import { veiled } from '../../core/handout/veil';
import { Recent } from '../../core/values/recent';
import { damagedSheet } from '../../core/sheet/damaged';
import type { Supply } from '../../core/handout/supplies';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import type { Rights } from './classes';
import { taughtBy } from './classes';
import { bytesOf, createDocument, reasonOf } from './documents';
import { addMates, COPIES_OF, joinGroupCopies } from './mates';

export type Handout = {
  id: string;
  teacherId: string;
  sheetId: string | null;
  /** Null where it is only tried out. */
  classId: string | null;
  /** The sheet that is tried out, by its teacher on a copy of their own. */
  trialOf: string | null;
  className: string;
  /** Groups of the class that it goes to; null where it goes to the whole class. Empty: to students chosen one by one. */
  groups: string[] | null;
  title: string;
  brief: string;
  /** From when on students see it; null: from the moment it was handed out. */
  opensAt: Date | null;
  dueAt: Date | null;
  /** From when on nothing is accepted any more. */
  closesAt: Date | null;
  putAwayAt: Date | null;
  /** Since when it lies in the bin. */
  binnedAt: Date | null;
  /** With its key: never sent to a student. */
  sheet: Sheet;
  /** As it was given out, but with the names of parts. */
  given: Sheet;
  lookFors: LookFor[];
  rubric: Rubric;
  supplies: Supply[];
  limits: SupplyLimits;
  /** What students may look at beside their sheet. */
  example: Sheet | null;
  /** How many corrections of its sheet were sent. */
  corrections: number;
  /** Why its sheet can't be read; it then shows a sheet that says so. */
  damage: string | null;
  /** All its versions, the first of which is its own sheet; none where everybody gets the same. */
  versions: HandoutVersion[];
  /** Who gets which version. */
  deal: Deal | null;
};

/** What a version of a handout has of its own. */
export type HandoutVersion = Pick<Handout, 'sheet' | 'given' | 'lookFors' | 'damage'> & {
  /** The sheet that it was made from; null where that is gone, or it is the handout's own, made again. */
  sheetId: string | null;
  /** How many seeds on from the handout's sheet it is; null where it was chosen. */
  seedsOn: number | null;
};

/** A handout as those see it who have one of its versions. */
export function asVersion(handout: Handout, number: number): Handout {
  const version = handout.versions[number] as HandoutVersion | undefined;
  if (!version || version.sheet === handout.sheet) return handout;
  const { sheet, given, lookFors, damage } = version;
  return { ...handout, sheet, given, lookFors, damage };
}

/** What of handouts was read last, by the version of the row: it holds whole sheets, and is asked for at every save. */
const KEPT_BYTES = 48e6;
const read = new WeakMap<Database, Recent<string, Handout>>();
function readOf(db: Database): Recent<string, Handout> {
  let map = read.get(db);
  if (!map)
    read.set(
      db,
      (map = new Recent(KEPT_BYTES, ({ sheet, example, versions }) =>
        [sheet, ...(example ? [example] : []), ...versions.slice(1).map((one) => one.sheet)].reduce(
          (sum, one) => sum + 2 * bytesOf(one),
          4000,
        ),
      )),
    );
  return map;
}

type Row = Omit<
  Handout,
  'sheet' | 'given' | 'lookFors' | 'rubric' | 'supplies' | 'limits' | 'example' | 'damage' | 'versions' | 'deal'
> &
  Record<'sheet' | 'lookFors' | 'rubric' | 'supplies' | 'limits' | 'example' | 'deal', unknown>;
type VersionRow = Pick<HandoutVersion, 'sheetId' | 'seedsOn'> & { sheet: unknown };

/** A stored sheet, or why it can't be read and a sheet that says so. */
function sheetFrom(stored: unknown, title: string): Pick<Handout, 'sheet' | 'given' | 'damage'> {
  let [sheet, damage]: [Sheet, string | null] = [damagedSheet(title), null];
  try {
    sheet = readSheet(stored);
  } catch (error) {
    damage = reasonOf(error);
  }
  return { sheet, given: givenOut(sheet), damage };
}

function handoutFrom(row: Row, others: readonly VersionRow[]): Handout {
  const own = sheetFrom(row.sheet, row.title);
  const lookFors = readLookFors(row.lookFors);
  const versions = others.map(({ sheet, ...rest }) => {
    const read = sheetFrom(sheet, row.title);
    return { ...rest, ...read, lookFors: allOnVersion(lookFors, read.sheet, own.sheet) };
  });
  return {
    ...row,
    ...own,
    lookFors,
    rubric: readRubric(row.rubric),
    supplies: readSupplies(row.supplies),
    limits: readLimits(row.limits),
    // One that can't be read is not shown; the handout goes on without it.
    example: row.example === null ? null : sheetFrom(row.example, row.title).sheet,
    versions: versions.length === 0 ? [] : [{ ...own, lookFors, sheetId: row.sheetId, seedsOn: null }, ...versions],
    deal: row.deal === null ? null : Deal.parse(row.deal),
  };
}

/** To whom a handout `h` goes, as it is called now. */
const WHOM = `(select coalesce((select name from class where id = h.class_id), '')) as "className",
  case when h.to_all then null else (select coalesce(jsonb_agg(g.name order by g.name), '[]') from handout_group hg join class_group g on g.id = hg.group_id
    where hg.handout_id = h.id) end as groups`;

/** A handout by its identity: whoever asks has made sure that it may be seen. */
export async function handoutById(db: Database, id: string): Promise<Handout | undefined> {
  const version = one(
    await db.query<Pick<Handout, 'className' | 'groups'> & { version: string }>(
      `select h.xmin::text as version, ${WHOM} from handout h where h.id = $1`,
      [id],
    ),
  );
  if (!version) return undefined;
  const key = `${id} ${JSON.stringify(version)}`;
  const known = readOf(db).get(key);
  if (known) return known;
  const row = one(
    await db.query<Row>(
      `select h.id, h.teacher_id as "teacherId", h.sheet_id as "sheetId", h.class_id as "classId", h.trial_of as "trialOf", h.title, h.brief, h.opens_at as "opensAt", h.due_at as "dueAt",
         h.closes_at as "closesAt", h.put_away_at as "putAwayAt", h.binned_at as "binnedAt", h.sheet, h.look_fors as "lookFors", h.rubric, h.supplies, h.supply_limits as limits, h.corrections, h.deal, h.example, ${WHOM}
       from handout h where h.id = $1`,
      [id],
    ),
  );
  const versions = await db.query<VersionRow>(
    `select sheet_id as "sheetId", seeds_on as "seedsOn", sheet from handout_version where handout_id = $1 order by number`,
    [id],
  );
  const handout = row && handoutFrom(row, versions);
  if (handout) readOf(db).set(key, handout);
  return handout;
}

/** Some of a class: whole groups, and students chosen one by one. */
export type Some = { groups: readonly string[]; students: readonly string[] };

export type NewHandout = {
  schoolId: string;
  teacherId: string;
  sheetId: string | null;
  /** Null where it is only tried out. */
  classId: string | null;
  /** Null or left out: the whole class. */
  only?: Some | null;
  /** Whether each group works on one copy; who is in none has their own. */
  together?: boolean;
  /** A sheet that its teacher tries out: they alone get a copy. */
  trialOf?: string;
  title: string;
  brief: string;
  opensAt?: Date | null;
  dueAt: Date | null;
  closesAt?: Date | null;
  sheet: Sheet;
  lookFors: LookFor[];
  rubric: Rubric;
  supplies: Supply[];
  limits?: SupplyLimits;
  /** Versions beside the sheet, and who gets which. */
  versions?: readonly NewVersion[];
  deal?: Deal | null;
  /** As students may see it. */
  example?: Sheet | null;
  at?: Date;
};
export type NewVersion = Pick<HandoutVersion, 'sheet' | 'sheetId' | 'seedsOn'>;

/**
 * Hands a sheet out: every student of the class, or of those it is for, gets a copy. `pictures` are those that ship, which have named parts. What was
 * handed out under an id before is not handed out again.
 */
export async function addHandout(tx: Queries, given: NewHandout, pictures: Pictures, id = newId()): Promise<string> {
  const made = await tx.query(
    `insert into handout (id, school_id, teacher_id, sheet_id, class_id, title, brief, due_at, sheet, look_fors, rubric, supplies, created_at, cover, closes_at, opens_at, to_all, trial_of, supply_limits, deal, together, example)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $10::jsonb, $11::jsonb, $12::jsonb, coalesce($13::timestamptz, now()), $14::jsonb, $15, $16, $17, $18, $19::jsonb, $20::jsonb, $21, $22::jsonb)
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
      given.opensAt ?? null,
      !given.only,
      given.trialOf ?? null,
      JSON.stringify(given.limits ?? {}),
      given.deal ? JSON.stringify(given.deal) : null,
      given.together ?? false,
      given.example ? JSON.stringify(given.example) : null,
    ],
  );
  if (made.length === 0) return id;
  const { groups = null, students = [] } = given.only ?? {};
  await tx.query(
    `insert into handout_group (handout_id, group_id) select $1, id from class_group where class_id = $2 and id = any($3)`,
    [id, given.classId, groups ?? []],
  );
  const { versions = [], deal = null } = given;
  for (const [i, { sheet, sheetId, seedsOn }] of versions.entries())
    await tx.query(
      `insert into handout_version (handout_id, number, sheet_id, seeds_on, sheet) values ($1, $2, $3, $4, $5::jsonb)`,
      [id, i + 1, sheetId, seedsOn, JSON.stringify(sheet)],
    );
  const receivers = given.trialOf
    ? [{ id: given.teacherId, groups: [] }]
    : await tx.query<Receiver>(
        `select m.person_id as id, ${GROUPS_OF_MEMBER} as groups from class_member m where m.class_id = $1
       and ($2::text[] is null or m.person_id = any($3) or exists (select 1 from group_member g where g.person_id = m.person_id and g.group_id = any($2)))`,
        [given.classId, groups, students],
      );
  const copies = [given, ...versions].map(({ sheet }) => veiled(givenOut(sheet), pictures));
  const teams = given.together
    ? teamsOf(receivers, groups)
    : receivers.map((one) => ({ ...one, groupId: null, people: [one.id] }));
  const dealtTo = deal ? dealt(teams, deal, copies.length) : new Map<string, number>();
  for (const { groupId, people } of teams) {
    const [studentId, ...mates] = people;
    const version = dealtTo.get(studentId) ?? 0;
    const copy = { schoolId: given.schoolId, handoutId: id, studentId, sheet: copies[version], version, groupId };
    const copyId = await addCopy(tx, copy);
    if (copyId && mates.length > 0) await addMates(tx, copyId, mates);
  }
  return id;
}

/** The groups of a class that its member `m` is in. */
const GROUPS_OF_MEMBER = `(select coalesce(jsonb_agg(g.id order by g.name, g.id), '[]') from group_member gm join class_group g on g.id = gm.group_id
  where gm.person_id = m.person_id and g.class_id = m.class_id)`;

export const createHandout = (db: Database, given: NewHandout, pictures: Pictures, id = newId()): Promise<string> =>
  db.transaction((tx) => addHandout(tx, given, pictures, id));

type NewCopy = {
  schoolId: string;
  handoutId: string;
  studentId: string;
  sheet: Sheet;
  corrections?: number;
  version: number;
  /** The group whose copy it is. */
  groupId?: string | null;
};

/** Gives the identity of the copy; undefined where the student has one already. */
async function addCopy(
  tx: Queries,
  { schoolId, handoutId, studentId, sheet, corrections = 0, version, groupId = null }: NewCopy,
): Promise<string | undefined> {
  const documentId = await createDocument(tx, schoolId, sheet);
  const made = await tx.query<{ id: string }>(
    `insert into copy (id, school_id, handout_id, student_id, document_id, corrections, version, group_id) values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict do nothing returning id`,
    [newId(), schoolId, handoutId, studentId, documentId, corrections, version, groupId],
  );
  return one(made)?.id;
}

/** Which version of a handout somebody gets who joined later. */
async function versionFor(db: Queries, { id, deal, versions }: Handout, receiver: Receiver): Promise<number> {
  if (!deal) return 0;
  const counts = await db.query<{ version: number; n: number }>(
    'select version, count(*)::int as n from copy where handout_id = $1 group by version',
    [id],
  );
  const had = versions.map((_, number) => counts.find(({ version }) => version === number)?.n ?? 0);
  return dealt([receiver], deal, versions.length, had).get(receiver.id)!;
}

/** Who joined the class, or a group, after something was handed out to it gets it too. */
export async function addLateCopies(db: Database, studentId: string, pictures: Pictures): Promise<void> {
  await joinGroupCopies(db, studentId, MOST_TOGETHER);
  const missing = await db.query<{ id: string; school_id: string; groups: string[] }>(
    `select h.id, h.school_id, ${GROUPS_OF_MEMBER} as groups from handout h join class_member m on m.class_id = h.class_id
     where m.person_id = $1 and h.binned_at is null
       and (h.to_all or exists (select 1 from handout_group hg join group_member g on g.group_id = hg.group_id where hg.handout_id = h.id and g.person_id = $1))
       and not exists (select 1 from ${COPIES_OF} mine join copy on copy.id = mine.id where copy.handout_id = h.id)`,
    [studentId],
  );
  for (const { id, school_id: schoolId, groups } of missing) {
    const whole = await handoutById(db, id);
    const version = whole && (await versionFor(db, whole, { id: studentId, groups }));
    const handout = whole && asVersion(whole, version!);
    // One whose sheet can't be read is not handed on: the copy would be of nothing.
    if (!handout || handout.damage) continue;
    const { given, corrections } = handout;
    const copy = { schoolId, handoutId: id, studentId, sheet: veiled(given, pictures), corrections, version: version! };
    await db.transaction((tx) => addCopy(tx, copy));
  }
}

/** What a teacher may do with a handout: nothing where they don't teach its class, or where it lies in the bin. */
export const rightsOn = async (db: Queries, teacherId: string, id: string): Promise<Rights | undefined> =>
  one(
    await db.query<{ rights: Rights }>(
      `select t.rights from handout h join teaches t on t.class_id = h.class_id and t.person_id = $2 where h.id = $1 and h.binned_at is null
       order by t.rights limit 1`,
      [id, teacherId],
    ),
  )?.rights;

export const handoutOf = async (db: Database, teacherId: string, id: string): Promise<Handout | undefined> =>
  (await rightsOn(db, teacherId, id)) && handoutById(db, id);

/** The documents of a handout's copies that were begun. */
export const begunCopies = async (db: Queries, handoutId: string): Promise<string[]> =>
  (
    await db.query<{ id: string }>(
      `select document_id as id from copy where handout_id = $1 and state <> 'not-begun' order by id`,
      [handoutId],
    )
  ).map(({ id }) => id);

/** Where a sheet was handed out before, the newest first. */
export const handedOutBefore = (db: Queries, sheetId: string) =>
  db.query<{ id: string; classId: string; at: Date }>(
    `select id, class_id as "classId", created_at as at from handout where sheet_id = $1 and binned_at is null order by created_at desc`,
    [sheetId],
  );

export type Progress = {
  id: string;
  title: string;
  className: string;
  groups: string[] | null;
  opensAt: Date | null;
  dueAt: Date | null;
  closesAt: Date | null;
  putAwayAt: Date | null;
  createdAt: Date;
  /** By another teacher of the class. */
  by: string | null;
  counts: Record<'not-begun' | 'under-way' | 'handed-in' | 'another-go' | 'done', number>;
  /** The copy that was handed in first of those that wait to be read. */
  waitingFirst: { copyId: string; since: Date } | null;
  cover: Cover | null;
};

/** The handouts of a teacher's classes with how far their copies are; the newest first. Those of archived classes rest. */
export async function progressOf(db: Queries, teacherId: string): Promise<Progress[]> {
  type Row = Omit<Progress, 'counts' | 'waitingFirst'> & {
    counts: Partial<Progress['counts']>;
    copyId: string | null;
    since: Date | null;
  };
  const rows = await db.query<Row>(
    `select h.id, h.title, ${WHOM}, h.opens_at as "opensAt", h.due_at as "dueAt", h.closes_at as "closesAt",
       h.put_away_at as "putAwayAt", case when h.teacher_id <> $1 then (select name from person where id = h.teacher_id) end as by, h.created_at as "createdAt", h.cover,
       coalesce((select jsonb_object_agg(state, n) from (select state, count(*)::int as n from copy where handout_id = h.id group by state) by_state), '{}') as counts,
       first."copyId", first.since
     from handout h left join lateral (
       select copy.id as "copyId", g.handed_in_at as since from go g join copy on copy.id = g.copy_id
       where copy.handout_id = h.id and copy.state = 'handed-in' and g.returned_at is null
       order by g.handed_in_at, copy.id limit 1) first on true
     where h.binned_at is null and h.class_id = any($2) and (select archived_at from class where id = h.class_id) is null
     order by h.created_at desc`,
    [teacherId, (await taughtBy(db, teacherId)).map(({ classId }) => classId)],
  );
  const none = { 'not-begun': 0, 'under-way': 0, 'handed-in': 0, 'another-go': 0, done: 0 };
  return rows.map(({ copyId, since, ...row }) => ({
    ...row,
    counts: { ...none, ...row.counts },
    waitingFirst: copyId !== null && since !== null ? { copyId, since } : null,
  }));
}
