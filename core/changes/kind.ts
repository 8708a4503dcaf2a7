import type { z } from 'zod';
import type { Item, Sheet } from '../schema/sheet';
import type { Load } from '../sheet/limits';
import { loadProblem } from '../sheet/limits';
import { isThere, loadsOf } from '../sheet/tree';
import type { Change, ChangeOf } from './schema';

/** A kind of change: one object each, listed in change.ts. */

export type Applied = { ok: true; sheet: Sheet } | { ok: false; reason: string };

export type ChangeKind<K extends Change['kind']> = {
  /** `bounded`: nothing grows beyond what a sheet may hold. A log is replayed without: it holds what was allowed in its time. */
  apply(sheet: Sheet, change: ChangeOf<K>, bounded: boolean): Applied;
  /** The change that undoes this one on the sheet it was applied to; called only when it applied. */
  invert(sheet: Sheet, change: ChangeOf<K>): Change;
  /** This change and the next of its kind as one, where they are parts of one movement; or null. */
  merge?(first: ChangeOf<K>, second: ChangeOf<K>): Change | null;
  /** Based on a splice of the same text that it did not know of. */
  rebase?(change: ChangeOf<K>, over: ChangeOf<'splice'>): Change;
  /** What it works on: items, their groups, and pages that something is added to. */
  worksOn(change: ChangeOf<K>): readonly string[];
  /** All that goes with it. */
  removes?(sheet: Sheet, change: ChangeOf<K>): string[];
  /** The change that restores what it removed from `before`. Null if some of it is still in `after`. */
  revive?(before: Sheet, after: Sheet, change: ChangeOf<K>): Change | null;
  /** This change with its new items replaced by `map`. */
  items?(change: ChangeOf<K>, map: (item: Item) => Item): ChangeOf<K>;
};

export const done = (sheet: Sheet): Applied => ({ ok: true, sheet });
export const refused = (reason: string): Applied => ({ ok: false, reason });
export const gone = () => refused('The thing it was about is no longer on the sheet.');
/** Why so much more does not fit on a page; null where it does. */
export function loadRefusal(sheet: Sheet, page: string, more: Load): string | null {
  const now = loadsOf(sheet, page);
  return loadProblem(now.page, now.sheet, more);
}
/** Whether identities that come in are used twice among them, or on the sheet already. */
export const clash = (sheet: Sheet, ids: readonly string[]): boolean =>
  new Set(ids).size < ids.length || ids.some((id) => isThere(sheet, id));
export const twice = () => refused('Two things can’t share one identity.');
export const firstIssue = (error: z.ZodError) => {
  const [issue] = error.issues;
  return `${issue.path.join('.') || 'value'}: ${issue.message}`;
};
export const pick = (source: object, keys: string[]) =>
  Object.fromEntries(keys.map((key) => [key, (source as Record<string, unknown>)[key]]));
