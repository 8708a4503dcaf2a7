import type { Result } from '../lookfors/kind';
import type { Ruled } from '../lookfors/ruled';
import { rulingOn } from '../lookfors/ruled';
import { heldAfter } from './marks';
import type { Answer, Question } from './questions';
import { answerTo, heldAnswer, rulingTo } from './questions';
import type { Said, Saying } from './said';

/** One thing judged on many pieces at once: the answer in a spot, a look-for, or a row of the rubric. */

export type Judging = { ask: 'answer' } | Question;
/** Right or wrong, met or not, or the level of a row. */
export type Verdict = boolean | number;

export type Judgeable = {
  /** The answer in the spot, where it is one that can be ruled on. */
  answer: Answer | null;
  results: readonly Pick<Result, 'id' | 'held'>[];
  said: { rulings: Ruled; marks: Said['marks'] };
};

/** How it stands on a piece; null where nobody has judged it, or there is nothing to judge. */
export function verdictOn(judging: Judging, { answer, results, said }: Judgeable): Verdict | null {
  if (judging.ask === 'row') return said.marks[judging.id] ?? null;
  if (judging.ask === 'look-for') {
    const result = results.find(({ id }) => id === judging.id);
    return result ? heldAfter(result, said.rulings) : null;
  }
  return answer && heldAnswer(answer, said.rulings);
}

/** What says so on one piece; null where nothing has to be said, or can be. */
function stepTo(judging: Judging, piece: Judgeable, to: Verdict | null): Saying | null {
  const { answer, results, said } = piece;
  if (judging.ask === 'row')
    return typeof to === 'boolean' || (said.marks[judging.id] ?? null) === to
      ? null
      : { do: 'mark', row: judging.id, level: to };
  if (typeof to === 'number') return null;
  if (judging.ask === 'answer') return answer && answerTo(answer, said.rulings, to ?? answer.right);
  const result = results.find(({ id }) => id === judging.id);
  if (!result) return null;
  if (to === null) return rulingOn(said.rulings, result.id) ? { do: 'rule', lookFor: result.id, held: null } : null;
  return heldAfter(result, said.rulings) === to ? null : rulingTo(result, said.rulings, to);
}

/**
 * What has to be said so that something stands equally on all of these pieces.
 * @param to null takes the teacher's own word on it back, wherever there is one
 */
export function judgeAll<P extends Judgeable>(
  judging: Judging,
  pieces: readonly P[],
  to: Verdict | null,
): { piece: P; step: Saying }[] {
  return pieces.flatMap((piece) => {
    const step = stepTo(judging, piece, to);
    return step ? [{ piece, step }] : [];
  });
}
