import equal from 'fast-deep-equal';
import type { Change } from './change';
import { bodyLength } from '../text/body';
import type { GroupItem, Item, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { findOn } from '../sheet/tree';

/**
 * The change from one state of a sheet to another: for whatever is computed as a whole (another arrangement, another size, an
 * earlier moment) and yet has to be one step to undo.
 */
export function between(before: Sheet, after: Sheet): Change {
  const changes: Change[] = [...settings(before, after), ...pages(before, after)];
  return packed(changes);
}

/** A step holds at most 5,000 changes: more are packed into several within it. */
const PACK = 4000;
export function packed(changes: Change[]): Change {
  if (changes.length === 1) return changes[0];
  if (changes.length <= PACK) return { kind: 'all', changes };
  const parts: Change[] = [];
  for (let at = 0; at < changes.length; at += PACK) parts.push({ kind: 'all', changes: changes.slice(at, at + PACK) });
  return { kind: 'all', changes: parts };
}

function differing<T extends object>(before: T, after: T, keys: readonly (keyof T)[]): Record<string, unknown> | null {
  const values = Object.fromEntries(
    keys.filter((key) => !equal(before[key], after[key])).map((key) => [key, after[key]]),
  );
  return Object.keys(values).length > 0 ? values : null;
}

function settings(before: Sheet, after: Sheet): Change[] {
  const out: Change[] = [];
  const values = differing(before, after, ['title', 'unit', 'palette', 'ownWords']);
  if (values) out.push({ kind: 'sheet-set', values });
  for (const id of new Set([...Object.keys(before.roles), ...Object.keys(after.roles)])) {
    const role = Object.hasOwn(after.roles, id) ? after.roles[id] : null;
    const old = Object.hasOwn(before.roles, id) ? before.roles[id] : null;
    if (!equal(old, role)) out.push({ kind: 'role-set', id, role });
  }
  return out;
}

function pages(before: Sheet, after: Sheet): Change[] {
  const out: Change[] = [];
  const old = new Map(before.pages.map((page) => [page.id, page]));
  const kept = new Set(after.pages.filter((page) => old.has(page.id)).map((page) => page.id));
  // Items may have moved between pages: those that leave are taken out first.
  for (const page of after.pages) if (kept.has(page.id)) out.push(...removals(old.get(page.id)!, page));
  const gone = before.pages.filter((page) => !kept.has(page.id));
  // A sheet always has a page, so old pages are emptied before the new ones come, and removed after.
  for (const page of gone) for (const { id } of page.items) out.push({ kind: 'remove', id });
  const order = before.pages.map((page) => page.id).filter((id) => kept.has(id));
  const steady = new Set(longestRun(after.pages.map((page) => order.indexOf(page.id))).map((i) => after.pages[i].id));
  after.pages.forEach((page, i) => {
    const behind = i > 0 ? after.pages[i - 1].id : null;
    if (!kept.has(page.id)) out.push({ kind: 'page-insert', behind, page });
    else if (!steady.has(page.id)) out.push({ kind: 'page-move', id: page.id, behind });
  });
  for (const { id } of gone) out.push({ kind: 'page-remove', id });
  for (const page of after.pages) {
    const from = old.get(page.id);
    if (!from) continue;
    const values = differing(from, page, ['width', 'height', 'margin', 'background', 'guides', 'grid', 'brought']);
    if (values) out.push({ kind: 'page-set', id: page.id, values });
    out.push(...list(page, null, from.items, page.items, from));
  }
  return out;
}

/** Whether an item stays the same item in the same group, apart from its settings and its place in the order. */
function stays(item: Item, from: Page, to: Page): boolean {
  const [was, is] = [findOn(from, item.id), findOn(to, item.id)];
  if (!was || !is || was.item.kind !== is.item.kind) return false;
  const [outer, inner] = [was.groups.at(-1), is.groups.at(-1)];
  return outer?.id === inner?.id && (!outer || stays(outer, from, to));
}

function removals(from: Page, to: Page): Change[] {
  const out: Change[] = [];
  const walk = (items: readonly Item[]) => {
    for (const item of items)
      if (!stays(item, from, to)) out.push({ kind: 'remove', id: item.id });
      else if (item.kind === 'group') walk(item.items);
  };
  walk(from.items);
  return out;
}

function list(page: Page, group: string | null, from: readonly Item[], to: readonly Item[], old: Page): Change[] {
  const out: Change[] = [];
  const order = new Map(from.filter((item) => stays(item, old, page)).map((item, i) => [item.id, i]));
  const steady = new Set(longestRun(to.map((item) => order.get(item.id) ?? -1)));
  to.forEach((item, i) => {
    const spot = { page: page.id, group, behind: i > 0 ? to[i - 1].id : null };
    const was = order.has(item.id) ? findOn(old, item.id)!.item : null;
    if (!was) out.push({ kind: 'insert', spot, item });
    else {
      if (!steady.has(i)) out.push({ kind: 'reorder', id: item.id, spot });
      out.push(...alteration(was, item));
      if (item.kind === 'group') out.push(...list(page, item.id, (was as GroupItem).items, item.items, old));
    }
  });
  return out;
}

/** The changes that lead from an item to the same item with other settings and words; parts of groups are left out. */
export function alteration(before: Item, after: Item): Change[] {
  if (before === after) return [];
  const out: Change[] = [];
  const keys = Object.keys(after).filter((key) => !['id', 'kind', 'items', 'body'].includes(key)) as (keyof Item)[];
  const values = differing(before, after, keys);
  if (values) out.push({ kind: 'set', id: after.id, values });
  if (isWritten(before) && isWritten(after) && !equal(before.body, after.body)) {
    const { id, body } = after;
    out.push({ kind: 'splice', id, at: 0, remove: bodyLength(before.body), insert: body });
    // Inserted text keeps the format of the paragraph it begins in.
    const [was, is] = [before.body[0].format, body[0].format];
    if (!equal(was, is)) {
      const cleared = Object.fromEntries(Object.keys(was).map((key) => [key, null]));
      out.push({ kind: 'paragraph', id, from: 0, to: 0, patch: { ...cleared, ...is } });
    }
  }
  return out;
}

/** The indexes of the longest increasing run of the numbers that are not negative (Schensted 1961). */
export function longestRun(numbers: readonly number[]): number[] {
  const tails: number[] = [];
  const previous = new Array<number>(numbers.length).fill(-1);
  numbers.forEach((number, i) => {
    if (number < 0) return;
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if (numbers[tails[mid]] < number) low = mid + 1;
      else high = mid;
    }
    if (low > 0) previous[i] = tails[low - 1];
    tails[low] = i;
  });
  const out: number[] = [];
  for (let at = tails.at(-1) ?? -1; at >= 0; at = previous[at]) out.unshift(at);
  return out;
}
