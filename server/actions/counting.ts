import type { Context, Result } from '../../core/lookfors/kind';
import { countAll } from '../../core/lookfors/all';
import type { Tally } from '../../core/lookfors/recount';
import { tallied } from '../../core/lookfors/recount';
import { Recent } from '../../core/values/recent';
import type { Sheet } from '../../core/schema/sheet';
import type { Handout } from '../stores/handouts';
import type { Kit } from './means';

/** Look-fors of a handout counted on its pieces. */

/** How many copies in work are remembered with their counts. */
const KEPT = 400;
const tallies = new Recent<string, Tally>(KEPT);

const contextOf = (handout: Handout, studentName: string, { pictures, faces }: Kit): Context => ({
  handedOut: handout.given,
  studentName,
  pictures,
  faces,
});

export const countedOn = (handout: Handout, sheet: Sheet, studentName: string, kit: Kit): Result[] =>
  countAll(handout.lookFors, sheet, contextOf(handout, studentName, kit));

/** The same for a copy in work: only what the last change affects is counted again. */
export function countedOnCopy(
  handout: Handout,
  copy: { id: string; sheet: Sheet },
  studentName: string,
  kit: Kit,
): Result[] {
  const tally = tallied(handout.lookFors, copy.sheet, contextOf(handout, studentName, kit), tallies.get(copy.id));
  tallies.set(copy.id, tally);
  return tally.results;
}
