import { z } from 'zod';
import type { ToldResult } from '../../core/lookfors/checks';
import { copyOfStudent } from '../stores/copies';
import { handIn, takeBack } from '../stores/goes';
import type { Person } from '../stores/people';
import { settleNote } from '../stores/reviews';
import { checkAnswers } from './check-answers';
import { announce } from './live';
import type { Means } from './means';
import { whole } from './opened';
import { missing, Refused } from './refused';

/** What a student does with their copy as a whole. */
export const WithCopy = z.discriminatedUnion('do', [
  /** `seq`: the number of changes that the student has seen saved. */
  z.object({ do: z.literal('hand-in'), seq: z.coerce.number().int().min(0) }),
  z.object({ do: z.literal('take-back') }),
  /** Whether the answers of a look-for are right. `asked`: the name of this asking, which is sent again as the same. */
  z.object({
    do: z.literal('check'),
    lookFor: z.string().max(40),
    asked: z.string().regex(/^[\w-]{12}$/),
    seq: z.coerce.number().int().min(0),
  }),
  /** A teacher's note is dealt with, or not yet. */
  z.object({ do: z.literal('settle'), note: z.string().max(40), settled: z.enum(['yes', 'no']) }),
]);
export type WithCopy = z.infer<typeof WithCopy>;

/**
 * @returns after checking answers, what is known of everything that is looked for
 * @throws Refused where it is not theirs, or can't be done as it stands
 */
export async function doWithCopy(
  means: Means,
  person: Pick<Person, 'id'>,
  copyId: string,
  wanted: WithCopy,
): Promise<(ToldResult | null)[] | undefined> {
  const { db } = means;
  const copy = await copyOfStudent(db, person.id, copyId);
  if (!copy) throw missing();
  if (copy.handout.trialOf !== null && wanted.do === 'hand-in')
    throw new Refused(422, 'This is only tried out: nothing is handed in.');
  if (wanted.do === 'check') return checkAnswers(means, copy, wanted);
  if (wanted.do === 'settle') {
    await settleNote(db, person.id, wanted.note, wanted.settled === 'yes');
    return undefined;
  }
  if (wanted.do === 'hand-in') await whole(db, copy.documentId);
  const moved = wanted.do === 'hand-in' ? await handIn(db, copy, wanted.seq) : await takeBack(db, copy.id);
  if (!moved.ok) throw new Refused(422, moved.reason);
  await announce(db, { documentId: copy.documentId, handoutId: copy.handout.id, kind: 'moved' });
  return undefined;
}
