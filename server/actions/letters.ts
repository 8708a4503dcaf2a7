import { z } from 'zod';
import { MOST_LETTER_WORDS } from '../../core/review/letter';
import type { Database } from '../database/connection';
import { putLetters, receiversOf } from '../stores/letters';
import type { Person } from '../stores/people';
import { mayChange } from './class-rights';
import { Refused } from './refused';
import { spaced } from './spaced';

/** Writing home about pieces that have come back. */

const ticked = z.enum(['yes', 'no']).transform((word) => word === 'yes');
export const WritingHome = z.object({
  /** Students, by their identity, with spaces between. */
  students: spaced.pipe(z.array(z.string().max(40)).min(1, 'Choose whose families you write to.').max(1000)),
  words: z
    .string()
    .trim()
    .max(MOST_LETTER_WORDS, `At most ${MOST_LETTER_WORDS.toLocaleString('en')} letters.`),
  lookFors: ticked,
  marks: ticked,
});

/** @returns how many letters are on their way by it. @throws Refused where it is not theirs, or nobody can get one */
export async function writeHome(
  db: Database,
  person: Pick<Person, 'id'>,
  handoutId: string,
  { students, words, lookFors, marks }: z.infer<typeof WritingHome>,
): Promise<number> {
  await mayChange(db, person, handoutId);
  const receivers = (await receiversOf(db, handoutId)).filter(({ studentId }) => students.includes(studentId));
  if (receivers.every(({ addresses }) => addresses.length === 0))
    throw new Refused(
      422,
      'None of them has an address of the family, or a piece that has come back. Addresses are added under Classes.',
    );
  return putLetters(db, { handoutId, senderId: person.id, words, shows: { lookFors, marks } }, receivers);
}
