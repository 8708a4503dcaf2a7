import type { Sheet } from '../schema/sheet';
import type { LookFor } from './all';
import { count, lookForKindOf } from './all';
import type { Context, Result } from './kind';

/** What was counted on a sheet, to go on from when it has changed a little. */
export type Tally = { lookFors: readonly LookFor[]; sheet: Sheet; context: Context; results: Result[] };

const sources = (lookFor: LookFor, sheet: Sheet) => lookForKindOf(lookFor.kind).sources(lookFor, sheet);

/** All counted on a sheet; what the change since `before` did not touch is taken over. */
export function tallied(
  lookFors: readonly LookFor[],
  sheet: Sheet,
  context: Context,
  before: Tally | undefined,
): Tally {
  const known =
    before?.lookFors === lookFors &&
    before.context.handedOut === context.handedOut &&
    before.context.studentName === context.studentName
      ? before
      : undefined;
  const results = lookFors.map((lookFor, i) => {
    if (known) {
      const [was, is] = [sources(lookFor, known.sheet), sources(lookFor, sheet)];
      if (was.length === is.length && was.every((one, k) => one === is[k])) return known.results[i];
    }
    return count(lookFor, sheet, context);
  });
  return { lookFors, sheet, context, results };
}
