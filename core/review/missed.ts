import type { LookFor } from '../lookfors/all';
import { lookForKindOf } from '../lookfors/all';
import type { Result } from '../lookfors/kind';
import type { Ruled } from './marks';
import { heldAfter } from './marks';

/** What stands in a class's way: each look-for, or each part of a diagram, with how many pieces miss it. */
export type Missed = { label: string; count: number };

/** What was counted on a piece, and how its teacher ruled. */
export type Judged = { results: readonly Result[]; rulings: Ruled };

export function missedMost(lookFors: readonly LookFor[], pieces: readonly Judged[]): Missed[] {
  const counts = new Map<string, number>();
  const add = (label: string) => counts.set(label, (counts.get(label) ?? 0) + 1);
  for (const { results, rulings } of pieces)
    lookFors.forEach((lookFor) => {
      // On some versions of the sheet not all are counted.
      const result = results.find(({ id }) => id === lookFor.id);
      if (!result || heldAfter(result, rulings) !== false) return;
      // Ruled against what was counted: only the teacher knows which part it is.
      if (result.held !== false) return add(lookFor.title);
      const { missed } = lookForKindOf(lookFor.kind);
      if (missed) result.evidence.flatMap((evidence) => missed(evidence) ?? []).forEach(add);
      else add(lookFor.title);
    });
  return [...counts]
    .map(([label, count]) => ({ label, count }))
    .sort((a, b) => b.count - a.count || a.label.localeCompare(b.label));
}
