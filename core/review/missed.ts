import type { LookFor } from '../lookfors/all';
import { lookForKindOf } from '../lookfors/all';
import type { Result } from '../lookfors/kind';
import type { Ruled } from '../lookfors/ruled';
import { heldAfter } from './marks';

/** What was counted on a piece, and how its teacher ruled. */
export type Judged = { results: readonly Result[]; rulings: Ruled };

/** What one piece misses: look-fors, or for those with parts each part; what its teacher let pass is not missed. */
export function missedOn(lookFors: readonly LookFor[], { results, rulings }: Judged): string[] {
  const out = new Set<string>();
  for (const lookFor of lookFors) {
    // On some versions of the sheet not all are counted.
    const result = results.find(({ id }) => id === lookFor.id);
    if (!result || heldAfter(result, rulings) !== false) continue;
    const { missed } = lookForKindOf(lookFor.kind);
    // Ruled against what was counted: only the teacher knows which part it is.
    if (result.held !== false || !missed) out.add(lookFor.title);
    else for (const evidence of result.evidence) for (const part of [missed(evidence)].flat()) if (part) out.add(part);
  }
  return [...out];
}
