import type { Result } from '../lookfors/kind';
import type { Ruled } from './marks';
import { heldAfter } from './marks';
import type { Answer, Question } from './questions';
import { answerTo, rulingTo } from './questions';
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
  if (!answer) return null;
  const { lookFor, item, right } = answer;
  return said.rulings.find((one) => one.lookForId === lookFor && one.itemId === item)?.held ?? right;
}

/** What says so on one piece; null where nothing has to be said, or can be. */
function stepTo(judging: Judging, piece: Judgeable, to: Verdict | null): Saying | null {
  const { answer, results, said } = piece;
  if (judging.ask === 'row')
    return typeof to === 'boolean' || (said.marks[judging.id] ?? null) === to
      ? null
      : { do: 'mark', row: judging.id, level: to };
  if (typeof to === 'number') return null;
  if (judging.ask === 'answer') {
    if (!answer) return null;
    return answerTo(answer, said.rulings, to ?? answer.right);
  }
  const result = results.find(({ id }) => id === judging.id);
  if (!result) return null;
  const isRuled = said.rulings.some(({ lookForId, itemId }) => lookForId === result.id && itemId === null);
  if (to === null) return isRuled ? { do: 'rule', lookFor: result.id, held: null } : null;
  return heldAfter(result, said.rulings) === to ? null : rulingTo(result, said.rulings, to);
}

type Told<P> = { piece: P; step: Saying }[];

function tellAll<P extends Judgeable>(judging: Judging, pieces: readonly P[], to: Verdict | null): Told<P> {
  return pieces.flatMap((piece) => {
    const step = stepTo(judging, piece, to);
    return step ? [{ piece, step }] : [];
  });
}

/** What has to be said so that something stands equally on all of these pieces. */
export const judgeAll = <P extends Judgeable>(judging: Judging, pieces: readonly P[], to: Verdict): Told<P> =>
  tellAll(judging, pieces, to);

/** What takes the teacher's own word on it back, wherever there is one. */
export const takeBackAll = <P extends Judgeable>(judging: Judging, pieces: readonly P[]): Told<P> =>
  tellAll(judging, pieces, null);
