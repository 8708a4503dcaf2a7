import type { Item, Sheet } from '../schema/sheet';
import { INSERT, REMOVE, REORDER, SET } from './items';
import type { Applied, ChangeKind } from './kind';
import { PAGE_INSERT, PAGE_MOVE, PAGE_REMOVE, PAGE_SET } from './pages';
import { Change } from './schema';
import { ROLE_SET, SHEET_SET } from './settings';
import { PARAGRAPH, SPLICE, STYLE } from './words';

export { Change };
export type { Applied };

/**
 * `apply` gives the new sheet or the reason why the change does not fit, never half of it; `invert` gives the change that takes
 * it back. The same changes drive the editor, undo, autosave, the log and the replay.
 */

export type Single = Exclude<Change, { kind: 'all' }>;

/** All kinds but `all`, which holds several. A new one is a schema, an object and a row. */
const KINDS: { [K in Single['kind']]: ChangeKind<K> } = {
  insert: INSERT,
  remove: REMOVE,
  reorder: REORDER,
  set: SET,
  splice: SPLICE,
  style: STYLE,
  paragraph: PARAGRAPH,
  'page-insert': PAGE_INSERT,
  'page-remove': PAGE_REMOVE,
  'page-move': PAGE_MOVE,
  'page-set': PAGE_SET,
  'sheet-set': SHEET_SET,
  'role-set': ROLE_SET,
};

/** For callers that know the kind only at run time. */
const kindOf = (change: Single) => KINDS[change.kind] as unknown as ChangeKind<Single['kind']>;

function applied(sheet: Sheet, change: Change, bounded: boolean): Applied {
  if (change.kind !== 'all') return kindOf(change).apply(sheet, change, bounded);
  let now = sheet;
  for (const part of change.changes) {
    const result = applied(now, part, bounded);
    if (!result.ok) return result;
    now = result.sheet;
  }
  return { ok: true, sheet: now };
}

/** The sheet with the change made, or the reason why it does not fit. Never throws for a change of the right shape. */
export const apply = (sheet: Sheet, change: Change): Applied => applied(sheet, change, true);

/** The sheet with a change made, or as it was where it does not fit. */
export function grown(sheet: Sheet, change: Change): Sheet {
  const result = apply(sheet, change);
  return result.ok ? result.sheet : sheet;
}

/** The change that takes `change` back; `sheet` is the one that it was applied to. */
export function invert(sheet: Sheet, change: Change): Change {
  if (change.kind !== 'all') return kindOf(change).invert(sheet, change);
  const back: Change[] = [];
  let now = sheet;
  for (const part of change.changes) {
    back.unshift(invert(now, part));
    const result = applied(now, part, false);
    if (result.ok) now = result.sheet;
  }
  return { kind: 'all', changes: back };
}

/** Applies a log in turn. @throws Error when one does not fit: a log holds only what was applied. */
export function replay(sheet: Sheet, changes: Iterable<Change>): Sheet {
  let now = sheet;
  for (const change of changes) {
    const result = applied(now, change, false);
    if (!result.ok) throw new Error(`the log does not fit its sheet: ${result.reason}`);
    now = result.sheet;
  }
  return now;
}

/** Two changes made one after the other as one, where they are parts of one movement or one stretch of typing; or null. */
export function merge(first: Change, second: Change): Change | null {
  if (first.kind === 'all') {
    if (second.kind !== 'all' || first.changes.length !== second.changes.length) return null;
    const changes = first.changes.map((part, i) => (part.kind === 'set' ? merge(part, second.changes[i]) : null));
    return changes.every((part) => part !== null) ? { kind: 'all', changes } : null;
  }
  return first.kind === second.kind ? (kindOf(first).merge?.(first as never, second as never) ?? null) : null;
}

/**
 * A change made without knowledge of `over`, based on it now. Only positions in text move; everything else is named by id. Of
 * two changes to one property the later one wins.
 */
export function rebase(change: Change, over: Change): Change {
  if (over.kind === 'all') return over.changes.reduce(rebase, change);
  if (change.kind === 'all') return { kind: 'all', changes: change.changes.map((part) => rebase(part, over)) };
  const meets = over.kind === 'splice' && 'id' in change && change.id === over.id;
  return meets ? (kindOf(change).rebase?.(change, over) ?? change) : change;
}

/** The single changes of a change, in turn. */
export function* singles(change: Change): Generator<Single> {
  if (change.kind === 'all') for (const part of change.changes) yield* singles(part);
  else yield change;
}

/** What a change works on: items, their groups, and pages that something is added to. */
export const worksOn = (change: Change): string[] => [...singles(change)].flatMap((one) => kindOf(one).worksOn(one));

/** Everything a single change removes. */
export const removes = (sheet: Sheet, change: Single): string[] => kindOf(change).removes?.(sheet, change) ?? [];

/** The change that restores what a single change removed from `before`, if `after` has none of it. */
export const revive = (before: Sheet, after: Sheet, change: Single): Change | null =>
  kindOf(change).revive?.(before, after, change) ?? null;

/** A change whose items, all that it brings along, are replaced. */
export function withItems(change: Change, map: (item: Item) => Item): Change {
  if (change.kind === 'all') return { ...change, changes: change.changes.map((part) => withItems(part, map)) };
  return kindOf(change).items?.(change, map) ?? change;
}

/** The items that a change brings along. */
export function broughtItems(change: Change): Item[] {
  const out: Item[] = [];
  withItems(change, (item) => {
    out.push(item);
    return item;
  });
  return out;
}
