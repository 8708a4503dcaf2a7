import { LEAST_PRINTED } from '../../text/style';
import { tidied } from '../kit/measure';
import type { Calendar } from './draft';

/** How weeks or days share the height of a calendar. */

/**
 * The heights that weeks or days need at the largest text size at which all fit, or else at the smallest readable size.
 */
export function fittingNeeds(draft: Calendar, needsOf: () => number[], room: number): number[] {
  const most = draft.small;
  for (let step = 0; ; step++) {
    draft.small = Math.max(LEAST_PRINTED, tidied(most * (1 - step * 0.06)));
    const needs = needsOf();
    if (draft.small === LEAST_PRINTED || needs.reduce((sum, need) => sum + need, 0) <= room) return needs;
  }
}

/** Shares a height out: equally where that is enough for all, otherwise more to those that need more. */
export function levelled(needs: readonly number[], room: number): number[] {
  const sum = needs.reduce((all, need) => all + need, 0);
  if (sum >= room) return needs.map((need) => (need * room) / sum);
  let [level, left, free] = [room / needs.length, room, needs.length];
  const high = new Set<number>();
  for (let more = true; more;) {
    more = false;
    for (const [i, need] of needs.entries())
      if (!high.has(i) && need > level + 1e-9) {
        high.add(i);
        left -= need;
        free--;
        more = true;
      }
    if (free > 0) level = left / free;
  }
  return needs.map((need, i) => (high.has(i) ? need : level));
}
