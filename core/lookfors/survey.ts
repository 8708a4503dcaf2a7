import type { Sheet } from '../schema/sheet';
import type { Context } from './kind';

/**
 * What is found out about a piece once, for all its look-fors. Sheets are immutable and a context is made for one counting, so
 * nothing goes stale.
 */
const known = new WeakMap<Context, WeakMap<Sheet, Map<string, unknown>>>();

export function once<T>(context: Context, sheet: Sheet, what: string, find: () => T): T {
  let sheets = known.get(context);
  if (!sheets) known.set(context, (sheets = new WeakMap()));
  let found = sheets.get(sheet);
  if (!found) sheets.set(sheet, (found = new Map()));
  let value = found.get(what);
  if (value === undefined) found.set(what, (value = find()));
  return value as T;
}
