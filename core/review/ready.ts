import type { Result } from '../lookfors/kind';
import type { Rubric, RubricMarks } from '../lookfors/rubric';
import type { Ruled } from '../lookfors/ruled';
import { isUnanswered, questionsOf } from './questions';

/** Whether a piece is ready to be returned: what its teacher has said on it, and what is still to be said. */

export type Ready = {
  /** Somebody has begun to read it. */
  read: boolean;
  /** How many look-fors and rows of the rubric only a teacher can judge, and nobody has. */
  open: number;
  notes: number;
};

export const openOn = (results: readonly Result[], rubric: Rubric, said: { rulings: Ruled; marks: RubricMarks }) =>
  questionsOf(results, rubric).filter((one) => isUnanswered(one, { results, said })).length;

/** Read to the end: what is returned unless its teacher chooses otherwise. */
export const isReady = ({ read, open }: Ready): boolean => read && open === 0;

/** What is missing, in words; nothing where nothing is. */
export function lackWords({ read, open, notes }: Ready): string {
  if (!read) return 'not read yet';
  const lacks = [open > 0 ? `${open} still to judge` : '', notes === 0 ? 'without a note' : ''];
  return lacks.filter(Boolean).join(', ');
}
