import { z } from 'zod';
import { badTimes } from '../../core/handout/times';
import type { Database } from '../database/connection';
import { changeHandout, closeHandout, extendCopy, putHandoutAway } from '../stores/handout-life';
import { handoutOf } from '../stores/handouts';
import type { Person } from '../stores/people';
import { HandoutBrief, HandoutTitle, Moment } from './hand-out';
import { missing, Refused } from './refused';

/** What a teacher does with a handout after it went out. */

export const WithHandout = z.discriminatedUnion('do', [
  z.object({ do: z.literal('change'), title: HandoutTitle, brief: HandoutBrief, dueAt: Moment, closesAt: Moment }),
  /** Nothing is accepted from now on. */
  z.object({ do: z.literal('close') }),
  /** Handing in has no end any more. */
  z.object({ do: z.literal('open') }),
  z.object({ do: z.literal('put-away') }),
  z.object({ do: z.literal('bring-back') }),
  /** Another due time for one student; none with an empty one. */
  z.object({ do: z.literal('extend'), copyId: z.string().min(1).max(40), to: Moment }),
]);
export type WithHandout = z.infer<typeof WithHandout>;

/** @throws Refused where it is not theirs, or the times don't fit together */
export async function doWithHandout(
  db: Database,
  teacher: Pick<Person, 'id'>,
  handoutId: string,
  wanted: WithHandout,
): Promise<void> {
  const handout = await handoutOf(db, teacher.id, handoutId);
  if (!handout) throw missing();
  switch (wanted.do) {
    case 'change': {
      const problem = badTimes(wanted.dueAt, wanted.closesAt);
      if (problem) throw new Refused(422, problem, 'closesAt');
      return changeHandout(db, handout.id, wanted);
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
      if (!(await extendCopy(db, handout.id, wanted.copyId, wanted.to))) throw missing();
    }
  }
}
