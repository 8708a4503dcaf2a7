import type { Cover } from '../../core/sheet/cover';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import { allOnVersion } from '../../core/lookfors/versions';
import { readLookFors, readRubric, readSupplies } from '../../core/lookfors/stored';
import { givenOut } from '../../core/handout/copy';
import { Deal } from '../../core/handout/deal';
import type { LaidOut } from '../../core/handout/laid-out';
import { readLaidOut } from '../../core/handout/laid-out';
import type { SupplyLimits } from '../../core/handout/limits';
import { readLimits } from '../../core/handout/limits';
import { foundOnce } from '../../core/values/remembered';
import { Recent } from '../../core/values/recent';
import { damagedSheet } from '../../core/sheet/damaged';
import type { Step } from '../../core/lookfors/steps';
import { readSteps } from '../../core/lookfors/steps';
import type { Supply } from '../../core/handout/supplies';
import type { Sheet } from '../../core/schema/sheet';
import { readSheet } from '../../core/schema/read';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import type { Rights } from './classes';
import { taughtBy } from './classes';
import { bytesOf, reasonOf } from './documents';
import { readOr } from './mending';

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
  /** What is returned before this time goes back at it; null: each piece at once. */
  returnsAt: Date | null;
  putAwayAt: Date | null;
  /** Since when it lies in the bin. */
  binnedAt: Date | null;
  /** With its key: never sent to a student. */
  sheet: Sheet;
  /** As it was given out, but with the names of parts. */
  given: Sheet;
  lookFors: LookFor[];
  /** Parts of the brief that open one after another. */
  steps: Step[];
  rubric: Rubric;
  supplies: Supply[];
  limits: SupplyLimits;
  /** Pictures for its students. */
  laidOut: LaidOut;
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
const readOf = foundOnce(
  (_db: Database) =>
    new Recent<string, Handout>(KEPT_BYTES, ({ sheet, example, versions }) =>
      [sheet, ...(example ? [example] : []), ...versions.slice(1).map((one) => one.sheet)].reduce(
        (sum, one) => sum + 2 * bytesOf(one),
        4000,
      ),
    ),
);

type Row = Omit<
  Handout,
  | 'sheet'
  | 'given'
  | 'lookFors'
  | 'steps'
  | 'rubric'
  | 'supplies'
  | 'limits'
  | 'laidOut'
  | 'example'
  | 'damage'
  | 'versions'
  | 'deal'
> &
  Record<'sheet' | 'lookFors' | 'steps' | 'rubric' | 'supplies' | 'limits' | 'laidOut' | 'example' | 'deal', unknown>;
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
    steps: readSteps(row.steps),
    rubric: readRubric(row.rubric),
    supplies: readSupplies(row.supplies),
    limits: readLimits(row.limits),
    laidOut: readLaidOut(row.laidOut),
    // One that can't be read is not shown; the handout goes on without it.
    example: row.example === null ? null : readOr(row.example),
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
         h.closes_at as "closesAt", h.returns_at as "returnsAt", h.put_away_at as "putAwayAt", h.binned_at as "binnedAt", h.sheet, h.look_fors as "lookFors", h.steps, h.rubric, h.supplies, h.supply_limits as limits, h.laid_out as "laidOut", h.corrections, h.deal, h.example, ${WHOM}
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

/**
 * What a teacher may do with a handout: nothing where they don't teach its class, or where it lies in the bin. Its second reader
 * reads only, whatever they may do with the class.
 */
export const rightsOn = async (db: Queries, teacherId: string, id: string): Promise<Rights | undefined> =>
  one(
    await db.query<{ rights: Rights }>(
      `select case when exists (select 1 from second_reader s where s.handout_id = h.id and s.person_id = $2) then 'read' else t.rights end as rights
       from handout h join teaches t on t.class_id = h.class_id and t.person_id = $2 where h.id = $1 and h.binned_at is null
       order by t.rights limit 1`,
      [id, teacherId],
    ),
  )?.rights;

export const handoutOf = async (db: Database, teacherId: string, id: string): Promise<Handout | undefined> =>
  (await rightsOn(db, teacherId, id)) && handoutById(db, id);

export const handedOutAt = async (db: Queries, id: string): Promise<Date> =>
  (await db.query<{ at: Date }>('select created_at as at from handout where id = $1', [id]))[0].at;

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
  /** How many of those handed in were returned and are held back. */
  held: number;
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
       (select count(*)::int from copy join go on go.copy_id = copy.id where copy.handout_id = h.id and go.held_for is not null) as held,
       first."copyId", first.since
     from handout h left join lateral (
       select copy.id as "copyId", g.handed_in_at as since from go g join copy on copy.id = g.copy_id
       where copy.handout_id = h.id and copy.state = 'handed-in' and g.returned_at is null and g.held_for is null
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
