import type { LookFor } from './all';
import { lookForKindOf, resultForStudent } from './all';
import type { Result } from './kind';
import { rightIn } from './kind';

/**
 * Answers from a key that are told to be right or wrong while a student works: only when the student asks, and only so often, so
 * that nobody guesses their way through.
 */

/** How often a student has asked on this go, and what was counted the last time. */
export type Check = { tries: number; result: Result };
/** A result as a student sees it, with what is known from checking. */
export type ToldResult = Result & {
  check?: {
    left: number;
    /** Answers that were right when they were last checked and have not changed since; null before the first time. */
    right: number | null;
    /** Answers that changed since. */
    changed: number;
  };
};

const TRIES = 3;
export const triesOf = (lookFor: LookFor): number => ('tries' in lookFor && lookFor.tries) || TRIES;

/** Whether a look-for is told by checking: its answers have a key, and the teacher lets students see the count. */
export const isChecked = (lookFor: LookFor): boolean =>
  lookFor.tell === 'result' && lookForKindOf(lookFor.kind).keyed === true;

const written = ({ items, said }: Result['evidence'][number]) => `${items.join()} ${said}`;

/** Whether the same answers stand there as when they were checked. */
export const isAsChecked = (now: Result, { result }: Check): boolean =>
  now.evidence.map(written).join('\n') === result.evidence.map(written).join('\n');

/** What a student is told of a look-for: where it is checked, right and wrong of what stands there as it was checked. */
export function told(lookFor: LookFor, now: Result, check: Check | undefined): ToldResult | null {
  if (!isChecked(lookFor)) return resultForStudent(lookFor, now);
  const filled = resultForStudent({ ...lookFor, tell: 'filled' }, now)!;
  const left = triesOf(lookFor) - (check?.tries ?? 0);
  if (!check) return { ...filled, check: { left, right: null, changed: 0 } };
  const checked = new Set(check.result.evidence.map(written));
  const there = new Set(now.evidence.map(written));
  // As it was counted then: counted now, an answer could tell something of those that changed since.
  const known = resultForStudent(lookFor, check.result)!.evidence.filter((one) => there.has(written(one)));
  const fresh = filled.evidence.filter((one) => !checked.has(written(one)));
  const right = rightIn(known);
  const same = isAsChecked(now, check);
  // Of a map, links are asked for, and concepts are only on the way to them.
  const got = same ? check.result.got : Math.min(right, check.result.got);
  return {
    ...filled,
    held: same && check.result.held,
    got,
    need: check.result.need,
    evidence: [...known, ...fresh],
    check: { left, right: got, changed: fresh.length },
  };
}
