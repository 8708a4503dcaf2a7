import type { Sheet } from '../sheet/schema';
import { find } from '../sheet/tree';
import type { Context, LookFor, Result } from './lookfor';
import { count } from './lookfor';

/** What was counted on a sheet, to go on from when it has changed a little. */
export type Tally = { lookFors: readonly LookFor[]; sheet: Sheet; context: Context; results: Result[] };

/** A thing with what decides whether it is seen. */
function placed(sheet: Sheet, id: string): readonly unknown[] {
  const place = find(sheet, id);
  return place ? [place.item, ...place.groups, place.page.width, place.page.height] : [];
}

/** What a look-for is counted from: sheets never change, so while these are the very same objects the count stays. */
function sources(lookFor: LookFor, sheet: Sheet): readonly unknown[] {
  switch (lookFor.kind) {
    case 'teacher':
    case 'unknown':
      return [];
    case 'words':
    case 'name':
      return lookFor.item === null ? sheet.pages : placed(sheet, lookFor.item);
    case 'style':
      return [...sheet.pages, sheet.roles];
    case 'labels':
    case 'items':
    case 'map':
      return sheet.pages;
  }
}

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
