import type { Change } from './change';
import { broughtItems, grown, removes, revive, worksOn } from './change';
import type { Sheet } from '../schema/sheet';
import { idsWithin } from '../sheet/tree';

/**
 * A deletion that meets an edit it did not know of: the edit wins, whichever side it comes from. Nothing that somebody has
 * just worked on goes because somebody else, or another window, had deleted it before that was seen.
 */

/** What others worked on. */
export const workedOn = (changes: readonly Change[]): Set<string> => new Set(changes.flatMap(worksOn));

/**
 * Ours without what would delete something that others have worked on, and how many deletions that were. `sheet` is the one
 * that others made; ours go on top of it.
 */
export function spared(
  sheet: Sheet,
  ours: readonly Change[],
  theirs: readonly Change[],
): { ours: Change[]; count: number } {
  const touched = workedOn(theirs);
  if (touched.size === 0) return { ours: [...ours], count: 0 };
  let [now, count] = [sheet, 0];
  const without = (change: Change): Change[] => {
    if (change.kind === 'all') {
      const changes = change.changes.flatMap(without);
      return changes.length > 0 ? [{ kind: 'all', changes }] : [];
    }
    if (removes(now, change).some((id) => touched.has(id))) {
      count++;
      return [];
    }
    now = grown(now, change);
    return [change];
  };
  return { ours: ours.flatMap(without), count };
}

/**
 * What brings back the things that others deleted and that ours work on, to go before ours: each as it was in `before`, where
 * `after` has it no more.
 */
export function broughtBack(before: Sheet, after: Sheet, ours: readonly Change[], theirs: readonly Change[]): Change[] {
  const touched = workedOn(ours);
  const out: Change[] = [];
  let now = before;
  const visit = (change: Change): void => {
    if (change.kind === 'all') return change.changes.forEach(visit);
    const wanted = removes(now, change).some((id) => touched.has(id) && !made(ours, id));
    const back = wanted ? revive(now, after, change) : null;
    if (back) out.push(back);
    now = grown(now, change);
  };
  theirs.forEach(visit);
  return out;
}

/** Whether ours put it there themselves. */
const made = (ours: readonly Change[], id: string): boolean =>
  ours.some((change) => broughtItems(change).some((item) => idsWithin(item).includes(id)));
