import type { TextBody, GroupItem, Item, Sheet } from '../schema/sheet';
import { isWritten, schemaOf } from '../schema/sheet';
import { depthOf, GROUP_FULL, itemProblem, LIMITS, loadOf, TOO_DEEP } from '../sheet/limits';
import { idsWithin, isThere, locate as place, withInserted, withItem, withoutItem } from '../sheet/tree';
import type { ChangeKind } from './kind';
import { clash, done, firstIssue, gone, loadRefusal, pick, refused, twice } from './kind';
import type { Spot } from './schema';

/** Changes of items: put in, taken away, put elsewhere, set. */

/** Stands for text that is not checked. */
const NO_WORDS: TextBody = [{ format: {}, runs: [] }];

const UNSETTABLE = new Set(['id', 'kind', 'items', 'body']);

/** The groups around a place, or why there is no such place. */
function groupsAt(sheet: Sheet, spot: Spot): { ok: true; groups: GroupItem[] } | { ok: false; reason: string } {
  if (!sheet.pages.some((p) => p.id === spot.page)) return { ok: false, reason: 'Its page is no longer in the sheet.' };
  if (spot.group === null) return { ok: true, groups: [] };
  const around = place(sheet, spot.group);
  if (around?.item.kind !== 'group' || around.page.id !== spot.page)
    return { ok: false, reason: 'Its group is no longer on the page.' };
  return { ok: true, groups: [...around.groups, around.item] };
}

/** Why a group can't take in another item. */
function groupProblem(groups: readonly GroupItem[], item: Item): string | null {
  const last = groups.at(-1);
  if (last && last.items.length >= LIMITS.groupItems) return GROUP_FULL;
  return groups.length + depthOf(item) > LIMITS.depth ? TOO_DEEP : null;
}

function spotOf(sheet: Sheet, id: string): Spot {
  const { page, groups, siblings, index } = place(sheet, id)!;
  return { page: page.id, group: groups.at(-1)?.id ?? null, behind: index > 0 ? siblings[index - 1].id : null };
}

/** Where something is added: a page, and the group on it. */
const idsAt = ({ page, group }: Spot): string[] => (group === null ? [page] : [page, group]);

export const INSERT: ChangeKind<'insert'> = {
  apply(sheet, { spot, item }, bounded) {
    if (clash(sheet, idsWithin(item))) return twice();
    const at = groupsAt(sheet, spot);
    if (!at.ok) return at;
    const no =
      bounded && (itemProblem(item) ?? groupProblem(at.groups, item) ?? loadRefusal(sheet, spot.page, loadOf(item)));
    return no ? refused(no) : done(withInserted(sheet, spot.page, at.groups, spot.behind, item));
  },
  invert: (_, { item }) => ({ kind: 'remove', id: item.id }),
  worksOn: (change) => [change.item.id, ...idsAt(change.spot)],
  items: (change, map) => ({ ...change, item: map(change.item) }),
};

export const REMOVE: ChangeKind<'remove'> = {
  apply(sheet, { id }) {
    const found = place(sheet, id);
    return found ? done(withoutItem(sheet, found)) : gone();
  },
  invert: (sheet, { id }) => ({ kind: 'insert', spot: spotOf(sheet, id), item: place(sheet, id)!.item }),
  worksOn: () => [],
  removes(sheet, { id }) {
    const found = place(sheet, id);
    return found ? idsWithin(found.item) : [];
  },
  revive(before, after, { id }) {
    const { page, groups, siblings, index, item } = place(before, id)!;
    if (idsWithin(item).some((one) => isThere(after, one))) return null;
    const behind = siblings.slice(0, index).findLast((one) => isThere(after, one.id))?.id ?? null;
    const group = groups.findLast((one) => isThere(after, one.id))?.id ?? null;
    return { kind: 'insert', spot: { page: page.id, group, behind }, item };
  },
};

export const REORDER: ChangeKind<'reorder'> = {
  apply(sheet, { id, spot }, bounded) {
    const found = place(sheet, id);
    if (!found) return gone();
    if (spot.behind === id) return refused('A thing can’t lie behind itself.');
    const at = groupsAt(sheet, spot);
    if (!at.ok) return at;
    if (at.groups.some((group) => group.id === id)) return refused('A group can’t lie within itself.');
    const sameGroup = at.groups.at(-1) === found.groups.at(-1);
    const no =
      bounded &&
      ((sameGroup ? null : groupProblem(at.groups, found.item)) ??
        (found.page.id === spot.page ? null : loadRefusal(sheet, spot.page, loadOf(found.item))));
    if (no) return refused(no);
    const without = withoutItem(sheet, found);
    // What it is moved into may be another object now: it held the item, or what does.
    const into = groupsAt(without, spot);
    return into.ok ? done(withInserted(without, spot.page, into.groups, spot.behind, found.item)) : into;
  },
  invert: (sheet, { id }) => ({ kind: 'reorder', id, spot: spotOf(sheet, id) }),
  worksOn: (change) => [change.id, ...idsAt(change.spot)],
};

export const SET: ChangeKind<'set'> = {
  apply(sheet, { id, values }) {
    const found = place(sheet, id);
    if (!found) return gone();
    const { item } = found;
    const wrong = Object.keys(values).find((key) => UNSETTABLE.has(key) || !Object.hasOwn(item, key));
    if (wrong) return refused(`“${wrong}” can’t be set on a ${item.kind}.`);
    // Parts and text are not set here and may be large: they are not checked again.
    const kept = item.kind === 'group' ? { items: item.items } : isWritten(item) ? { body: item.body } : {};
    const read = schemaOf(item.kind).safeParse({
      ...item,
      ...values,
      ...(item.kind === 'group' ? { items: [] } : isWritten(item) ? { body: NO_WORDS } : {}),
    });
    if (!read.success) return refused(firstIssue(read.error));
    // As it was read: an older program's values are brought up to date by the schema.
    return done(withItem(sheet, found, { ...read.data, ...kept } as Item));
  },
  invert: (sheet, { id, values }) => ({
    kind: 'set',
    id,
    values: pick(place(sheet, id)!.item, Object.keys(values)),
  }),
  merge(first, second) {
    const same = Object.keys(first.values).sort().join() === Object.keys(second.values).sort().join();
    return first.id === second.id && same ? second : null;
  },
  worksOn: ({ id }) => [id],
};
