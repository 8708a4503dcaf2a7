import { givenOut } from '../../core/handout/copy';
import type { Deal, Receiver } from '../../core/handout/deal';
import { dealt, MOST_TOGETHER, teamsOf } from '../../core/handout/deal';
import type { LaidOut } from '../../core/handout/laid-out';
import { NOTHING_LAID_OUT } from '../../core/handout/laid-out';
import type { SupplyLimits } from '../../core/handout/limits';
import type { Step } from '../../core/lookfors/steps';
import type { Supply } from '../../core/handout/supplies';
import { veiled } from '../../core/handout/veil';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import { storedLookFors } from '../../core/lookfors/stored';
import type { Pictures } from '../../core/pictures/picture';
import type { Sheet } from '../../core/schema/sheet';
import { coverOf } from '../../core/sheet/cover';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { createDocument } from './documents';
import type { Handout, HandoutVersion } from './handouts';
import { asVersion, handoutById } from './handouts';
import { addMates, COPIES_OF, joinGroupCopies } from './mates';

/** Handing out: who gets a copy, of which version, and who gets one later. */

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
  /** Parts of the brief that open one after another. */
  steps?: readonly Step[];
  rubric: Rubric;
  supplies: Supply[];
  limits?: SupplyLimits;
  /** Pictures for the students. */
  laidOut?: LaidOut;
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
    `insert into handout (id, school_id, teacher_id, sheet_id, class_id, title, brief, due_at, sheet, look_fors, rubric, supplies, created_at, cover, closes_at, opens_at, to_all, trial_of, supply_limits, deal, together, example, steps, laid_out)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $10::jsonb, $11::jsonb, $12::jsonb, coalesce($13::timestamptz, now()), $14::jsonb, $15, $16, $17, $18, $19::jsonb, $20::jsonb, $21, $22::jsonb, $23::jsonb, $24::jsonb)
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
      JSON.stringify(given.steps ?? []),
      JSON.stringify(given.laidOut ?? NOTHING_LAID_OUT),
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
  for (const { id: team, groupId, people } of teams) {
    const [studentId, ...mates] = people;
    const version = dealtTo.get(team) ?? 0;
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
