import { z } from 'zod';
import { badTimes } from '../../core/handout/times';
import { SUPPLIES } from '../../core/handout/permission';
import { contradictionOf, LookFor } from '../../core/lookfors/all';
import { Rubric } from '../../core/lookfors/rubric';
import { classesOf } from '../stores/classes';
import { addHandout } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Means } from './means';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';

export const HandoutTitle = z.string().trim().min(1, 'Give it a name, as students will read it.').max(200);
export const HandoutBrief = z.string().trim().max(4000, 'The brief is too long: at most 4,000 letters.');
/** A time as a form sends it; empty for none. */
export const Moment = z
  .union([z.literal(''), z.iso.datetime({ message: 'Choose a whole date and time, or leave it empty.' })])
  .transform((text) => (text === '' ? null : new Date(text)));

export const HandingOut = z.object({
  classes: z.array(z.string().max(40)).min(1, 'Choose who gets it: tick at least one class.').max(20),
  title: HandoutTitle,
  brief: HandoutBrief,
  dueAt: z.iso.datetime({ message: 'Choose a whole date and time, or leave the due time empty.' }).nullable(),
  /** From when on nothing is accepted any more. */
  closesAt: z.iso.datetime({ message: 'Choose a whole date and time, or leave it open.' }).nullable().default(null),
  lookFors: z.array(LookFor).max(40, 'At most 40 look-fors.'),
  rubric: Rubric,
  supplies: z.array(z.enum(SUPPLIES)),
  /** What it is to be called for each class: what is sent again, because no answer came, is handed out once. */
  ids: z.record(z.string().max(40), z.string().regex(/^[\w-]{12}$/)).default({}),
});
export type HandingOut = z.infer<typeof HandingOut>;

/**
 * Hands a sheet out to classes, to all of them or to none. Gives the handouts' identities in the order of the classes.
 * @throws Refused where it is not theirs, is empty, or a class has nobody in it
 */
export async function handOut(
  { db, pictures }: Means,
  person: Pick<Person, 'id' | 'schoolId'>,
  sheetId: string,
  given: HandingOut,
): Promise<string[]> {
  const found = await ownSheet(db, person.id, sheetId);
  const { sheet } = await whole(db, found.documentId);
  const dueAt = given.dueAt === null ? null : new Date(given.dueAt);
  if (dueAt && +dueAt < Date.now())
    throw new Refused(422, 'The due time is already past. Choose a later one, or leave it empty.', 'dueAt');
  const closesAt = given.closesAt === null ? null : new Date(given.closesAt);
  if (closesAt && +closesAt < Date.now())
    throw new Refused(422, 'It would be closed already. Choose a later time, or leave it open.', 'closesAt');
  const badly = badTimes(dueAt, closesAt);
  if (badly) throw new Refused(422, badly, 'closesAt');
  if (sheet.pages.every((page) => page.items.length === 0))
    throw new Refused(422, 'This sheet is empty. Put something on it before you hand it out.');
  for (const lookFor of given.lookFors) {
    const wrong = contradictionOf(lookFor, sheet);
    if (wrong) throw new Refused(422, `“${lookFor.title}” can’t be counted. ${wrong}`, 'lookFors');
  }
  const own = await classesOf(db, person.id);
  const chosen = given.classes.map((id) => own.find((c) => c.id === id));
  if (chosen.some((c) => !c)) throw missing();
  const empty = chosen.find((c) => c!.size === 0);
  if (empty)
    throw new Refused(422, `Nobody is in ${empty.name} yet. Add its students under Classes, or choose another class.`);
  return db.transaction(async (tx) => {
    const ids: string[] = [];
    for (const classId of given.classes) {
      const handout = {
        ...given,
        schoolId: person.schoolId,
        teacherId: person.id,
        sheetId: found.id,
        classId,
        dueAt,
        closesAt,
        sheet,
      };
      ids.push(await addHandout(tx, handout, pictures, given.ids[classId]));
    }
    return ids;
  });
}
