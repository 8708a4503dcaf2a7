import type { Evidence, Result } from '../lookfors/kind';
import type { Rubric } from '../lookfors/rubric';
import type { Ruled } from '../lookfors/ruled';
import { rulingOn } from '../lookfors/ruled';
import { answerItem, heldAfter, isRight } from './marks';
import type { Said, Saying } from './said';

/** What a teacher is asked about a piece, one thing after another, and how keys answer it. */

export type Question = { ask: 'look-for' | 'row'; id: string };

/** Look-fors in their order, then the rows of the rubric. */
export const questionsOf = (results: readonly Pick<Result, 'id'>[], rubric: Rubric): Question[] => [
  ...results.map(({ id }): Question => ({ ask: 'look-for', id })),
  ...rubric.rows.map(({ id }): Question => ({ ask: 'row', id })),
];

type Judged = { results: readonly Result[]; said: { rulings: Ruled; marks: Said['marks'] } };

/** Only a teacher can answer it, and nobody has. */
export function isUnanswered({ ask, id }: Question, { results, said }: Judged): boolean {
  if (ask === 'row') return !(id in said.marks);
  const result = results.find((one) => one.id === id);
  return result !== undefined && heldAfter(result, said.rulings) === null;
}

/** The next that is not answered after one, or from the start; null where all are. */
export function nextUnanswered(all: readonly Question[], after: Question | null, judged: Judged): Question | null {
  const at = after === null ? -1 : all.findIndex((one) => isSame(one, after));
  const inTurn = [...all.slice(at + 1), ...all.slice(0, Math.max(0, at))];
  return inTurn.find((one) => isUnanswered(one, judged)) ?? null;
}

export const isSame = (a: Question | null, b: Question | null): boolean => a?.ask === b?.ask && a?.id === b?.id;

/**
 * What a ruling on a look-for says: nothing where it says what was counted anyway, and a ruling that agrees with the count, or is
 * given twice, is withdrawn.
 */
export function rulingTo(result: Pick<Result, 'id' | 'held'>, rulings: Ruled, to: boolean): Saying | null {
  const held = heldAfter(result, rulings);
  const ruled = rulingOn(rulings, result.id) !== undefined;
  if (held === to && !ruled) return null;
  return { do: 'rule', lookFor: result.id, held: ruled && (result.held === to || held === to) ? null : to };
}

/** One of the answers of a look-for, told by its item, and whether it was counted as right. */
export type Answer = { lookFor: string; item: string; right: boolean };

/** What was counted as an answer; undefined where it could not be ruled on by itself. */
export function answerOf(result: Result, evidence: Evidence): Answer | undefined {
  const item = answerItem(result, evidence);
  return item === undefined ? undefined : { lookFor: result.id, item, right: isRight(evidence) };
}

/** Whether an answer is right, as it was counted or ruled. */
export const heldAnswer = ({ lookFor, item, right }: Answer, rulings: Ruled): boolean =>
  rulingOn(rulings, lookFor, item)?.held ?? right;

/**
 * What a ruling on one answer says: nothing where it is so already, and what was counted stands again where the ruling agrees with
 * it.
 */
export function answerTo(answer: Answer, rulings: Ruled, to: boolean): Saying | null {
  if (heldAnswer(answer, rulings) === to) return null;
  const { lookFor, item, right } = answer;
  return { do: 'rule', lookFor, item, held: right === to ? null : to };
}

/** The level that a digit stands for: the one with as many points, or where points are no single digits, the first, second … */
export function levelFor(digit: string, { levels }: Rubric['rows'][number]): number | null {
  const value = Number(digit);
  const byPoints = levels.every(
    ({ points }, i) => /^\d$/.test(String(points)) && levels.findIndex((one) => one.points === points) === i,
  );
  const level = byPoints ? levels.findIndex(({ points }) => points === value) : value - 1;
  return level >= 0 && level < levels.length ? level : null;
}

/** The keys that answer a question, and what they say; undefined for any other key, null where nothing changes. */
export function answerBy(
  key: string,
  { ask, id }: Question,
  { results, said }: Judged,
  rubric: Rubric,
): Saying | null | undefined {
  if (ask === 'look-for') {
    const result = results.find((one) => one.id === id);
    const to = { y: true, n: false }[key.toLowerCase()];
    return result === undefined || to === undefined ? undefined : rulingTo(result, said.rulings, to);
  }
  const row = rubric.rows.find((one) => one.id === id);
  const level = row && /^\d$/.test(key) ? levelFor(key, row) : null;
  return level === null ? undefined : { do: 'mark', row: id, level: said.marks[id] === level ? null : level };
}
