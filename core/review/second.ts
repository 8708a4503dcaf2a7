import type { Result } from '../lookfors/kind';
import type { Rubric, RubricMarks } from '../lookfors/rubric';
import type { Ruled } from '../lookfors/ruled';
import { rulingOn } from '../lookfors/ruled';
import { asRuled, heldAfter } from './marks';

/** What a second reader makes of a piece, beside what the first did. Neither is changed by the other. */

/** How one reader judges a piece. */
export type Judgement = { rulings: Ruled; marks: RubricMarks };

/** One thing that both have judged, and not alike: a look-for, or a row of the rubric by the points of its level. */
export type Apart =
  | { of: 'look-for'; id: string; mine: Verdict; theirs: Verdict }
  | { of: 'row'; id: string; mine: number; theirs: number };
/** `got`: how many of its answers count as right; null where it was ruled on as a whole. */
export type Verdict = { held: boolean; got: number | null };

/** What both have judged: how many things, and those on which they are apart. */
export type Compared = { both: number; apart: Apart[] };

/**
 * Compares two judgements of one piece. What only one of them has judged is open and not apart.
 * @param results as the program counted them, in the order of the look-fors
 */
export function compareJudgements(
  results: readonly Result[],
  rubric: Rubric,
  mine: Judgement,
  theirs: Judgement,
): Compared {
  const out: Compared = { both: 0, apart: [] };
  for (const result of results) {
    const [a, b] = [mine, theirs].map((one) => verdictOn(result, one));
    if (!a || !b) continue;
    out.both++;
    if (!isAlike(a, b)) out.apart.push({ of: 'look-for', id: result.id, mine: a, theirs: b });
  }
  for (const { id, levels } of rubric.rows) {
    const [a, b] = [mine, theirs].map(({ marks }) => levels.at(marks[id] ?? levels.length)?.points);
    if (a === undefined || b === undefined) continue;
    out.both++;
    if (a !== b) out.apart.push({ of: 'row', id, mine: a, theirs: b });
  }
  return out;
}

function verdictOn(result: Result, { rulings }: Judgement): Verdict | null {
  const ruled = asRuled(result, rulings);
  const held = heldAfter(ruled, rulings);
  if (held === null) return null;
  return { held, got: rulingOn(rulings, result.id) ? null : ruled.got };
}

const isAlike = (a: Verdict, b: Verdict): boolean =>
  a.held === b.held && (a.got === null || b.got === null || a.got === b.got);

/** How far two readers of a class agree. */
export type Agreement = { pieces: number; alike: number; both: number; apart: number };

/** @param pieces of those that both have read to the end */
export const agreementOn = (pieces: readonly { both: number; apart: number }[]): Agreement => ({
  pieces: pieces.length,
  alike: pieces.filter(({ apart }) => apart === 0).length,
  both: pieces.reduce((sum, { both }) => sum + both, 0),
  apart: pieces.reduce((sum, { apart }) => sum + apart, 0),
});
