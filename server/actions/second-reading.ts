import { z } from 'zod';
import type { Saying } from '../../core/review/said';
import { isSecond } from '../../core/review/said';
import type { Database } from '../database/connection';
import type { CopyView } from '../stores/copies';
import { handoutOf, rightsOn } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { SecondSaying } from '../stores/second-reading';
import { readersFor, saySecond, secondReaderOf, setSecondReader } from '../stores/second-reading';
import { announce } from './live';
import { missing, Refused } from './refused';

/** A second reader: chosen for a handout, and what they say on its pieces beside the first. */

export const ChoosingReader = z.object({
  do: z.literal('second-reader'),
  /** A teacher of the class; empty: nobody. */
  reader: z.string().max(40),
});

/** @throws Refused where it is not theirs to choose, or nobody who could be it */
export async function chooseSecondReader(
  db: Database,
  person: Pick<Person, 'id'>,
  handoutId: string,
  { reader }: z.infer<typeof ChoosingReader>,
): Promise<void> {
  const handout = await handoutOf(db, person.id, handoutId);
  if (!handout) throw missing();
  const now = await secondReaderOf(db, handoutId);
  // Whoever it is may always stop.
  const stops = reader === '' && now?.id === person.id;
  if (!stops && (await rightsOn(db, person.id, handoutId)) !== 'full')
    throw new Refused(403, 'Ask the teacher who handed it out to choose who reads it a second time.');
  if (reader !== '' && !(await readersFor(db, handoutId)).some(({ id }) => id === reader && id !== handout.teacherId))
    throw new Refused(422, 'Choose a teacher of this class who did not hand it out. Under Classes you can let one in.');
  await setSecondReader(db, handoutId, reader || null);
}

/**
 * Makes sure that these steps are a second reader's, and that this is who they are.
 * @throws Refused
 */
export async function areSecond(
  db: Database,
  { id }: Pick<Person, 'id'>,
  handoutId: string,
  steps: readonly Saying[],
): Promise<void> {
  if ((await secondReaderOf(db, handoutId))?.id !== id)
    throw new Refused(403, 'You are not the second reader of this handout any more.');
  if (!steps.every(isSecond)) throw new Refused(403, 'Send what you say as its second reader by itself.');
}

/** Takes what the second reader of a handout says on one of its goes. @throws Refused, and takes nothing */
export async function reviewSecond(
  db: Database,
  { id: authorId }: Pick<Person, 'id'>,
  copy: CopyView,
  go: string,
  steps: readonly Saying[],
): Promise<void> {
  const taken = steps.filter((step): step is SecondSaying => ['rule', 'mark', 'finish'].includes(step.do));
  if (!(await saySecond(db, { goId: go, copyId: copy.id, authorId }, taken)))
    throw new Refused(409, `${copy.studentName} has taken this piece back.`);
  // The first reader sees nothing of it before it is finished.
  if (taken.some((step) => step.do === 'finish'))
    await announce(db, { documentId: copy.documentId, handoutId: copy.handout.id, kind: 'said', by: authorId });
}
