import { z } from 'zod';
import { badTimes } from '../../core/handout/times';
import type { Database } from '../database/connection';
import {
  binnedHandouts,
  changeHandout,
  closeHandout,
  deleteHandouts,
  extendCopies,
  putHandoutAway,
  setHandoutBinned,
} from '../stores/handout-life';

import { handoutOf } from '../stores/handouts';
import { createSheet, sheetOf } from '../stores/sheets';
import type { Person } from '../stores/people';
import { fullHandout, mayChange } from './class-rights';
import { giveBackHeld } from './review';
import { LateRule } from '../../core/lookfors/rubric';
import { HandoutBrief, HandoutTitle, Moment } from './hand-out';
import { missing, Refused } from './refused';
import { spaced } from './spaced';

/** What a teacher does with a handout after it went out. */

export const WithHandout = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('change'),
    title: HandoutTitle,
    brief: HandoutBrief,
    opensAt: Moment,
    dueAt: Moment,
    closesAt: Moment,
    returnsAt: Moment.default(null),
    /** What is taken off late work; where it is missing, as from an older program, the rule stays. */
    late: z.enum(['nothing', ...LateRule.shape.each.options]).optional(),
    off: z.coerce.number().pipe(LateRule.shape.off).default(1),
  }),
  /** Nothing is accepted from now on. */
  z.object({ do: z.literal('close') }),
  /** Handing in has no end any more. */
  z.object({ do: z.literal('open') }),
  z.object({ do: z.literal('put-away') }),
  z.object({ do: z.literal('bring-back') }),
  /** Another due time for some students, by their copies with spaces between; none with an empty one. */
  z.object({
    do: z.literal('extend'),
    copies: spaced.pipe(z.array(z.string().max(40)).min(1, 'Choose a piece first.').max(1000)),
    to: Moment,
  }),
]);
export type WithHandout = z.infer<typeof WithHandout>;

/** @throws Refused where it is not theirs, or the times don't fit together */
export async function doWithHandout(
  db: Database,
  teacher: Pick<Person, 'id'>,
  handoutId: string,
  wanted: WithHandout,
): Promise<void> {
  const handout = await fullHandout(db, teacher, handoutId);
  switch (wanted.do) {
    case 'change': {
      const badly = badTimes(wanted);
      if (badly) throw new Refused(422, badly.problem, badly.field);
      const { late: each, off, ...words } = wanted;
      const late = each === 'nothing' ? null : each && { off, each };
      await changeHandout(db, handout.id, { ...words, late });
      return giveBackHeld(db, handout.id);
    }
    case 'close':
      return closeHandout(db, handout.id, new Date());
    case 'open':
      return closeHandout(db, handout.id, null);
    case 'put-away':
    case 'bring-back':
      return putHandoutAway(db, handout.id, wanted.do === 'put-away' ? new Date() : null);
    case 'extend': {
      if (wanted.to && handout.dueAt && +wanted.to <= +handout.dueAt)
        throw new Refused(422, 'That is no later than it is due for everybody. Choose a later time.', 'to');
      if (!(await extendCopies(db, handout.id, wanted.copies, wanted.to))) throw missing();
    }
  }
}

/** Puts a handout into the bin, where neither its students nor its teachers see it. @throws Refused where it is not theirs to change */
export async function binHandout(db: Database, teacher: Pick<Person, 'id'>, id: string): Promise<void> {
  await mayChange(db, teacher, id);
  await setHandoutBinned(db, id, true);
}

/** Those of the bin that are a teacher's to restore or delete: one, or all. @throws Refused where the one is not */
async function binned(db: Database, { id }: Pick<Person, 'id'>, only: string | null): Promise<string[]> {
  const ids = (await binnedHandouts(db, id)).map((one) => one.id);
  if (only === null) return ids;
  if (!ids.includes(only)) throw missing();
  return [only];
}

export async function restoreHandout(db: Database, teacher: Pick<Person, 'id'>, id: string): Promise<void> {
  for (const one of await binned(db, teacher, id)) await setHandoutBinned(db, one, false);
}

/** Deletes for good what lies in the bin. */
export const deleteBinned = async (db: Database, teacher: Pick<Person, 'id'>, only: string | null = null) =>
  deleteHandouts(db, await binned(db, teacher, only));

/**
 * The sheet to hand out once more: the one it was made from where it is still the teacher's, else a new one of the same content.
 * @throws Refused where the handout is of no class of theirs, or can't be read
 */
export async function sheetToUseAgain(
  db: Database,
  teacher: Pick<Person, 'id' | 'schoolId'>,
  handoutId: string,
): Promise<string> {
  const handout = await handoutOf(db, teacher.id, handoutId);
  if (!handout || handout.damage) throw missing();
  const owned = handout.sheetId === null ? undefined : await sheetOf(db, teacher.id, handout.sheetId);
  if (owned && owned.binnedAt === null) return owned.id;
  const { schoolId, id: ownerId } = teacher;
  return db.transaction((tx) => createSheet(tx, { schoolId, ownerId, purpose: 'worksheet', sheet: handout.sheet }));
}
