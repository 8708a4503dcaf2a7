import { z } from 'zod';
import type { Database } from '../database/connection';
import { copyOfStudent, handIn, takeBack } from '../stores/copies';
import type { Person } from '../stores/people';
import { settleNote } from '../stores/reviews';
import { whole } from './opened';
import { missing, Refused } from './refused';

/** What a student does with their copy as a whole. */
export const WithCopy = z.discriminatedUnion('do', [
  /** `seq`: the number of changes that the student has seen saved. */
  z.object({ do: z.literal('hand-in'), seq: z.coerce.number().int().min(0) }),
  z.object({ do: z.literal('take-back') }),
  /** A teacher's note is dealt with, or not yet. */
  z.object({ do: z.literal('settle'), note: z.string().max(40), settled: z.enum(['yes', 'no']) }),
]);
export type WithCopy = z.infer<typeof WithCopy>;

/** @throws Refused where it is not theirs, or can't be done as it stands */
export async function doWithCopy(
  db: Database,
  person: Pick<Person, 'id'>,
  copyId: string,
  wanted: WithCopy,
): Promise<void> {
  const copy = await copyOfStudent(db, person.id, copyId);
  if (!copy) throw missing();
  if (wanted.do === 'settle') return void (await settleNote(db, person.id, wanted.note, wanted.settled === 'yes'));
  if (wanted.do === 'hand-in') await whole(db, copy.documentId);
  const moved = wanted.do === 'hand-in' ? await handIn(db, copy, wanted.seq) : await takeBack(db, copy.id);
  if (!moved.ok) throw new Refused(422, moved.reason);
}
