import type { Change } from './change';
import { grown } from './change';
import type { Sheet } from '../schema/sheet';
import { idsWithin, isThere, locate } from './tree';

/**
 * A deletion that meets an edit it did not know of: the edit wins, whichever side it comes from. Nothing that somebody has
 * just worked on goes because somebody else, or another window, had deleted it before that was seen.
 */

/** What others worked on: things, their groups, and pages that something was put on. */
export function workedOn(changes: readonly Change[]): Set<string> {
  const out = new Set<string>();
  const look = (change: Change): void => {
    switch (change.kind) {
      case 'all':
        return change.changes.forEach(look);
      case 'set':
      case 'splice':
      case 'style':
      case 'paragraph':
      case 'page-set':
        return void out.add(change.id);
      case 'insert':
      case 'reorder':
        out.add(change.kind === 'insert' ? change.item.id : change.id);
        out.add(change.spot.page);
        if (change.spot.group !== null) out.add(change.spot.group);
    }
  };
  changes.forEach(look);
  return out;
}

/** All that goes with a deletion; empty for other changes. */
function goesWith(sheet: Sheet, change: Change): string[] {
  if (change.kind === 'remove') {
    const place = locate(sheet, change.id);
    return place ? idsWithin(place.item) : [];
  }
  if (change.kind !== 'page-remove') return [];
  const page = sheet.pages.find(({ id }) => id === change.id);
  return page ? [page.id, ...page.items.flatMap(idsWithin)] : [];
}

/**
 * Ours without what would delete something that others have worked on, and how many deletions that were. `sheet` is the one
 * that others made; ours go on top of it.
 */
export function spared(
  sheet: Sheet,
  ours: readonly Change[],
  theirs: readonly Change[],
): { ours: Change[]; count: number } {
  const touched = workedOn(theirs);
  if (touched.size === 0) return { ours: [...ours], count: 0 };
  let [now, count] = [sheet, 0];
  const without = (change: Change): Change[] => {
    if (change.kind === 'all') {
      const changes = change.changes.flatMap(without);
      return changes.length > 0 ? [{ kind: 'all', changes }] : [];
    }
    if (goesWith(now, change).some((id) => touched.has(id))) {
      count++;
      return [];
    }
    now = grown(now, change);
    return [change];
  };
  return { ours: ours.flatMap(without), count };
}

/**
 * What brings back the things that others deleted and that ours work on, to go before ours: each as it was in `before`, where
 * `after` has it no more.
 */
export function broughtBack(before: Sheet, after: Sheet, ours: readonly Change[], theirs: readonly Change[]): Change[] {
  const touched = workedOn(ours);
  const out: Change[] = [];
  let now = before;
  const isGone = (id: string) => !isThere(after, id);
  const look = (change: Change): void => {
    if (change.kind === 'all') return change.changes.forEach(look);
    const wanted = goesWith(now, change).some((id) => touched.has(id) && !made(ours, id));
    if (wanted && change.kind === 'remove' && isGone(change.id)) {
      const { page, groups, siblings, index, item } = locate(now, change.id)!;
      if (idsWithin(item).every(isGone)) {
        const behind = siblings.slice(0, index).findLast(({ id }) => isThere(after, id))?.id ?? null;
        const group = groups.findLast(({ id }) => isThere(after, id))?.id ?? null;
        out.push({ kind: 'insert', spot: { page: page.id, group, behind }, item });
      }
    } else if (wanted && change.kind === 'page-remove' && !after.pages.some(({ id }) => id === change.id)) {
      const at = now.pages.findIndex(({ id }) => id === change.id);
      const page = now.pages[at];
      if (page.items.flatMap(idsWithin).every(isGone))
        out.push({ kind: 'page-insert', behind: now.pages[at - 1]?.id ?? null, page });
    }
    now = grown(now, change);
  };
  theirs.forEach(look);
  return out;
}

/** Whether ours put it there themselves. */
const made = (ours: readonly Change[], id: string): boolean =>
  ours.some((change) =>
    change.kind === 'all'
      ? made(change.changes, id)
      : change.kind === 'insert'
        ? idsWithin(change.item).includes(id)
        : change.kind === 'page-insert' && change.page.items.some((item) => idsWithin(item).includes(id)),
  );
