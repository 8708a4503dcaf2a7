import { z } from 'zod';
import type { lettersView } from '../../server/views/letters-view';

/** What the screen of letters home works with. */

export type LettersData = Awaited<ReturnType<typeof lettersView>>;
export type Receiver = LettersData['receivers'][number];
export type SentLetter = LettersData['letters'][number];

export const isUnderWay = ({ sentAt, problem }: SentLetter): boolean => sentAt === null && problem === null;

/** Letters about a student's piece as it has come back last. */
export const lettersTo = ({ goId, studentId }: Receiver, letters: readonly SentLetter[]): SentLetter[] =>
  letters.filter((one) => one.goId === goId && one.studentId === studentId);

/** Whether there is an address that has had no letter about this piece. */
export const canGet = (receiver: Receiver, letters: readonly SentLetter[]): boolean => {
  const had = lettersTo(receiver, letters).filter(({ problem }) => problem === null);
  return receiver.addresses.some((address) => !had.some((one) => one.address === address));
};

/** What a teacher writes to all, kept while it is written. */
export const wordsPlace = (handoutId: string) => `letters/${handoutId}`;
export const Words = z.object({ words: z.string(), lookFors: z.boolean(), marks: z.boolean() });
export type Words = z.infer<typeof Words>;
export const FIRST: Words = { words: '', lookFors: true, marks: true };
