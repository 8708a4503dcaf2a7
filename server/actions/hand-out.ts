import { z } from 'zod';
import { MOST_TOGETHER } from '../../core/handout/deal';
import { asExample } from '../../core/handout/copy';
import { LaidOut, NOTHING_LAID_OUT } from '../../core/handout/laid-out';
import { SupplyLimits } from '../../core/handout/limits';
import { badTimes } from '../../core/handout/times';
import { Steps, stepsProblem } from '../../core/lookfors/steps';
import { SUPPLIES } from '../../core/handout/supplies';
import type { Sheet } from '../../core/schema/sheet';
import { contradictionOf, lacksSupply, LookFor } from '../../core/lookfors/all';
import { Rubric } from '../../core/lookfors/rubric';
import { isBare } from '../../core/sheet/tree';
import { inWords } from '../../core/values/listed';
import type { Database } from '../database/connection';
import type { ClassRow } from '../stores/classes';
import { classesOf, membersOf, takesHandouts } from '../stores/classes';
import { groupsOf } from '../stores/groups';
import { copiesOf } from '../stores/copies';
import { addHandout, createHandout } from '../stores/handing-out';
import { handedOutBefore } from '../stores/handouts';
import { forgetTrials } from '../stores/handout-life';
import type { Person } from '../stores/people';
import type { Means, Workshop } from './means';
import { picturesThere } from './means';
import { Versions, versionsFor } from './versions';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';

export const HandoutTitle = z.string().trim().min(1, 'Give it a name, as students will read it.').max(200);
export const HandoutBrief = z.string().trim().max(4000, 'The brief is too long: at most 4,000 letters.');
/** A time as a form sends it; empty for none. */
export const Moment = z
  .union([z.literal(''), z.iso.datetime({ message: 'Choose a whole date and time, or leave it empty.' })])
  .transform((text) => (text === '' ? null : new Date(text)));

const Ids = z.array(z.string().max(40)).max(400);

export const HandingOut = z.object({
  classes: z.array(z.string().max(40)).min(1, 'Choose who gets it: tick at least one class.').max(20),
  /** Of which classes only some get it: groups, and students chosen one by one. */
  only: z.record(z.string().max(40), z.object({ groups: Ids, students: Ids })).default({}),
  /** Whether each group works on one copy. */
  together: z.boolean().default(false),
  title: HandoutTitle,
  brief: HandoutBrief,
  /** Another sheet of the teacher's, to look at beside one's own. */
  example: z.string().max(40).nullable().default(null),
  /** From when on students see it. */
  opensAt: z.iso
    .datetime({ message: 'Choose a whole date and time, or let it open at once.' })
    .nullable()
    .default(null),
  dueAt: z.iso.datetime({ message: 'Choose a whole date and time, or leave the due time empty.' }).nullable(),
  /** From when on nothing is accepted any more. */
  closesAt: z.iso.datetime({ message: 'Choose a whole date and time, or leave it open.' }).nullable().default(null),
  lookFors: z.array(LookFor).max(40, 'At most 40 look-fors.'),
  /** Parts of the brief that open one after another. */
  steps: Steps.default([]),
  rubric: Rubric,
  supplies: z.array(z.enum(SUPPLIES)),
  limits: SupplyLimits.default({}),
  /** Pictures for the students. */
  laidOut: LaidOut.default(NOTHING_LAID_OUT),
  /** What it is to be called for each class: what is sent again, because no answer came, is handed out once. */
  ids: z.record(z.string().max(40), z.string().regex(/^[\w-]{12}$/)).default({}),
  /** Also to those classes that have it already. */
  again: z.boolean().default(false),
  /** Versions beside the sheet itself, and who gets which; null where everybody gets the same. */
  versions: Versions.nullable().default(null),
});
export type HandingOut = z.infer<typeof HandingOut>;

/** The times of a handout as they were asked for. @throws Refused where they are past or don't fit together */
function timesOf({ opensAt, dueAt, closesAt }: Record<'opensAt' | 'dueAt' | 'closesAt', string | null>) {
  const moment = (at: string | null) => (at === null ? null : new Date(at));
  const times = { opensAt: moment(opensAt), dueAt: moment(dueAt), closesAt: moment(closesAt) };
  if (times.dueAt && +times.dueAt < Date.now())
    throw new Refused(422, 'The due time is already past. Choose a later one, or leave it empty.', 'dueAt');
  if (times.closesAt && +times.closesAt < Date.now())
    throw new Refused(422, 'It would be closed already. Choose a later time, or leave it open.', 'closesAt');
  const badly = badTimes(times);
  if (badly) throw new Refused(422, badly.problem, badly.field);
  return times;
}

/** Those of a class who get it; null for everybody. @throws Refused where that is nobody, or somebody of another class */
async function someOf(db: Database, { id, name }: ClassRow, only: HandingOut['only'][string] | undefined) {
  if (!only) return null;
  const groups = (await groupsOf(db, [id])).filter((group) => only.groups.includes(group.id));
  const members = new Set((await membersOf(db, id)).map((member) => member.id));
  if (groups.length < only.groups.length || only.students.some((student) => !members.has(student)))
    throw new Refused(
      422,
      `The groups or students of ${name} were changed meanwhile. Reload the page and choose again.`,
    );
  if (only.students.length === 0 && groups.every((group) => group.members.length === 0))
    throw new Refused(422, `Choose who of ${name} gets it, or give it to everybody.`);
  return only;
}

/** @throws Refused where the groups of a class can't each work on one copy: too many in one, or somebody in two */
async function workTogether(db: Database, { id, name }: ClassRow, only: HandingOut['only'][string] | null) {
  const all = await groupsOf(db, [id]);
  const groups = only && only.groups.length > 0 ? all.filter((group) => only.groups.includes(group.id)) : all;
  if (groups.length === 0)
    throw new Refused(422, `${name} has no groups. Make them under Classes, or let everybody work alone.`, 'together');
  const large = groups.find((group) => group.members.length > MOST_TOGETHER);
  if (large)
    throw new Refused(
      422,
      `${large.name} has ${large.members.length} students: at most ${MOST_TOGETHER} can work on one copy. Make two groups of it, or choose other groups.`,
      'together',
    );
  const everyone = groups.flatMap((group) => group.members);
  const twice = everyone.find((one, i) => everyone.indexOf(one) !== i);
  if (twice) {
    const who = (await membersOf(db, id)).find((member) => member.id === twice)!;
    const where = groups.filter((group) => group.members.includes(twice)).map((group) => group.name);
    throw new Refused(
      422,
      `${who.name} is in ${inWords(where)}. Choose groups that have nobody in common.`,
      'together',
    );
  }
}

/** @throws Refused where there is nothing to hand out, a look-for can't be counted on it, or a step would never open */
function fitting(
  sheet: Sheet,
  { lookFors, steps, supplies, laidOut }: Pick<HandingOut, 'lookFors' | 'steps' | 'supplies' | 'laidOut'>,
): void {
  if (isBare(sheet)) throw new Refused(422, 'This sheet is empty. Put something on it before you hand it out.');
  for (const lookFor of lookFors) {
    const wrong = contradictionOf(lookFor, sheet);
    if (wrong) throw new Refused(422, `“${lookFor.title}” can’t be counted. ${wrong}`, 'lookFors');
  }
  const lacking = lacksSupply(lookFors, supplies);
  if (lacking) throw new Refused(422, lacking, 'supplies');
  const { pictures, only, uploads } = laidOut;
  if (supplies.includes('picture') && only && pictures.length === 0 && !uploads)
    throw new Refused(422, 'Students would find no picture. Lay out at least one, or let them choose any.', 'laidOut');
  const shut = stepsProblem(steps, lookFors);
  if (shut) throw new Refused(422, shut, 'steps');
}

/** @throws Refused where a picture that is laid out is not there */
async function allThere(
  means: Means,
  { schoolId }: Pick<Person, 'schoolId'>,
  { laidOut }: Pick<HandingOut, 'laidOut'>,
) {
  const isThere = await picturesThere(means, schoolId, laidOut.pictures);
  if (!laidOut.pictures.every(isThere))
    throw new Refused(
      422,
      'One of the pictures laid out is no longer there. Take it away, and hand it out again.',
      'laidOut',
    );
}

export const TryingOut = HandingOut.pick({
  title: true,
  brief: true,
  example: true,
  lookFors: true,
  steps: true,
  rubric: true,
  supplies: true,
  limits: true,
  laidOut: true,
});

/**
 * Lets a teacher work on a sheet as a student would, on a copy of their own. What they tried out before is thrown away.
 * @returns the copy
 * @throws Refused where it is not theirs, or can't be handed out as it is
 */
export async function tryOut(
  means: Means,
  person: Pick<Person, 'id' | 'schoolId'>,
  sheetId: string,
  given: z.infer<typeof TryingOut>,
): Promise<string> {
  const { db, pictures } = means;
  const found = await ownSheet(db, person.id, sheetId);
  const { sheet } = await whole(db, found.documentId);
  fitting(sheet, given);
  await allThere(means, person, given);
  await forgetTrials(db, person.id);
  const { id: teacherId, schoolId } = person;
  const example = await exampleOf(db, person, given.example);
  const trial = {
    ...given,
    example,
    schoolId,
    teacherId,
    sheetId: null,
    classId: null,
    trialOf: found.id,
    dueAt: null,
    sheet,
  };
  const id = await createHandout(db, trial, pictures);
  return (await copiesOf(db, id))[0].id;
}

/** A sheet as students may look at it. @throws Refused where it is not the teacher's, or is empty */
async function exampleOf(db: Database, person: Pick<Person, 'id'>, sheetId: string | null): Promise<Sheet | null> {
  if (sheetId === null) return null;
  const { documentId } = await ownSheet(db, person.id, sheetId);
  const { sheet } = await whole(db, documentId);
  if (isBare(sheet)) throw new Refused(422, 'The example is empty. Choose another sheet, or none.', 'example');
  return asExample(sheet);
}

/** @throws Refused where some of the classes have the sheet already, unless that is wanted or it is the same handing out */
async function askAgain(db: Database, sheetId: string, chosen: readonly ClassRow[], { again, ids }: HandingOut) {
  if (again) return;
  const given = Object.values(ids);
  const before = (await handedOutBefore(db, sheetId)).filter(({ id }) => !given.includes(id));
  const have = chosen.filter(({ id }) => before.some(({ classId }) => classId === id)).map(({ name }) => name);
  if (have.length > 0)
    throw new Refused(
      422,
      `${inWords(have)} ${have.length === 1 ? 'has' : 'have'} this sheet already. Handed out again, each student gets one more copy.`,
      'again',
    );
}

/**
 * Hands a sheet out to classes, to all of them or to none. Gives the handouts' identities in the order of the classes.
 * @throws Refused where it is not theirs, is empty, or a class has nobody in it
 */
export async function handOut(
  means: Workshop,
  person: Pick<Person, 'id' | 'schoolId'>,
  sheetId: string,
  given: HandingOut,
): Promise<string[]> {
  const { db, pictures } = means;
  const found = await ownSheet(db, person.id, sheetId);
  const { sheet } = await whole(db, found.documentId);
  const times = timesOf(given);
  fitting(sheet, given);
  await allThere(means, person, given);
  const own = (await classesOf(db, person.id)).filter(takesHandouts);
  const chosen = given.classes.map((id) => own.find((c) => c.id === id));
  if (!chosen.every((c) => c !== undefined)) throw missing();
  const empty = chosen.find(({ size }) => size === 0);
  if (empty)
    throw new Refused(422, `Nobody is in ${empty.name} yet. Add its students under Classes, or choose another class.`);
  await askAgain(db, found.id, chosen, given);
  const some = await Promise.all(chosen.map((one) => someOf(db, one, given.only[one.id])));
  if (given.together) for (const [i, one] of chosen.entries()) await workTogether(db, one, some[i]);
  const example = await exampleOf(db, person, given.example);
  const versions = await versionsFor(means, person, found.id, sheet, given);
  return db.transaction(async (tx) => {
    const ids: string[] = [];
    for (const [i, { id: classId }] of chosen.entries()) {
      const handout = {
        ...given,
        ...times,
        schoolId: person.schoolId,
        teacherId: person.id,
        sheetId: found.id,
        classId,
        only: some[i],
        sheet,
        versions,
        example,
        deal: given.versions?.deal ?? null,
      };
      ids.push(await addHandout(tx, handout, pictures, given.ids[classId]));
    }
    return ids;
  });
}
