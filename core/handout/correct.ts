import equal from 'fast-deep-equal';
import { between } from '../changes/between';
import type { Change } from '../changes/change';
import type { GroupItem, Item, Page, Sheet } from '../schema/sheet';
import { containerOf, everyItem, find } from '../sheet/tree';

/**
 * A correction that is sent after handing out: what the teacher changed is brought into a student's copy, and whatever the
 * student did stays. Three sheets meet: as it was handed out, as it is handed out now, and the copy.
 */

/** What only the teacher decides, also of things that a student changed. */
const TEACHERS: ReadonlySet<string> = new Set(['touch', 'locked', 'hidden', 'prompt', 'role', 'alt']);

type Three<T> = { before: T; after: T; copy: T };

/** One setting: the student's where the student changed it, else the teacher's. */
const settled = (key: string, before: unknown, after: unknown, copy: unknown): unknown =>
  equal(copy, before) || TEACHERS.has(key) ? after : copy;

function mergedItem(before: Item, after: Item, copy: Item): Item {
  // What became another kind of thing is a new one; what the student made of it stands.
  if (after.kind !== copy.kind || before.kind !== copy.kind) return copy;
  const [was, is, own] = [before, after, copy] as unknown as Record<string, unknown>[];
  const out: Record<string, unknown> = {};
  for (const key of Object.keys(is))
    out[key] = key === 'items' || key === 'id' || key === 'kind' ? own[key] : settled(key, was[key], is[key], own[key]);
  if (copy.kind !== 'group') return out as Item;
  return {
    ...out,
    items: mergedList({
      before: (before as GroupItem).items,
      after: (after as GroupItem).items,
      copy: copy.items,
    }),
  } as Item;
}

/** Whether a student did something to a thing, or within it. */
const isTouched = (before: Item, copy: Item): boolean => !equal(before, copy);

/**
 * A list of things. Those that the teacher took away go, unless the student worked on them; those that the student took away stay
 * away, unless the teacher changed them. New ones of the teacher's come behind what they stand behind.
 */
function mergedList({ before, after, copy }: Three<readonly Item[]>): Item[] {
  const [was, is] = [byId(before), byId(after)];
  const out: Item[] = [];
  for (const item of copy) {
    const [old, now] = [was.get(item.id), is.get(item.id)];
    if (old && now) out.push(mergedItem(old, now, item));
    else if (!old || isTouched(old, item)) out.push(item);
  }
  const order = after.filter(({ id }) => was.has(id)).map(({ id }) => id);
  const reordered = !equal(
    order,
    before.filter(({ id }) => is.has(id)).map(({ id }) => id),
  );
  const list = reordered ? inOrderOf(out, order) : out;
  after.forEach((item, i) => {
    const old = was.get(item.id);
    if (list.some(({ id }) => id === item.id)) return;
    // Taken away by the student, and left as it was by the teacher.
    if (old && equal(old, item)) return;
    const ahead = after.slice(0, i).findLast(({ id }) => list.some((other) => other.id === id));
    list.splice(ahead ? list.findIndex(({ id }) => id === ahead.id) + 1 : 0, 0, item);
  });
  return list;
}

const byId = (items: readonly Item[]) => new Map(items.map((item) => [item.id, item]));

/** The same things, with those of the order standing in it, each where one of them stood. */
function inOrderOf(items: readonly Item[], order: readonly string[]): Item[] {
  const rank = new Map(order.map((id, i) => [id, i]));
  const ordered = items.filter(({ id }) => rank.has(id)).sort((a, b) => rank.get(a.id)! - rank.get(b.id)!);
  let next = 0;
  return items.map((item) => (rank.has(item.id) ? ordered[next++] : item));
}

const PAGE_KEYS = ['width', 'height', 'margin', 'background', 'guides', 'grid'] as const;

function mergedPage({ before, after, copy }: Three<Page>): Page {
  const values = Object.fromEntries(PAGE_KEYS.map((key) => [key, settled(key, before[key], after[key], copy[key])]));
  return {
    ...copy,
    ...values,
    items: mergedList({ before: before.items, after: after.items, copy: copy.items }),
  };
}

/** Pages in the teacher's order. One that was taken away stays while there is something of the student's on it. */
function mergedPages(before: Sheet, after: Sheet, copy: Sheet): Page[] {
  const of = (sheet: Sheet, id: string) => sheet.pages.find((page) => page.id === id);
  const out = after.pages.flatMap((page): Page[] => {
    const [old, own] = [of(before, page.id), of(copy, page.id)];
    if (old && own) return [mergedPage({ before: old, after: page, copy: own })];
    // Taken away by the student it stays away; a new one of the teacher's comes.
    return old ? [] : [page];
  });
  copy.pages.forEach((page, i) => {
    if (of(after, page.id)) return;
    const old = of(before, page.id);
    const own = old ? page.items.filter((item) => isStudents(old, item)) : page.items;
    if (old && own.length === 0) return;
    out.splice(Math.min(i, out.length), 0, old ? { ...page, items: own } : page);
  });
  return out.length > 0 ? out : copy.pages;
}
const isStudents = (old: Page, item: Item) => {
  const was = old.items.find(({ id }) => id === item.id);
  return !was || isTouched(was, item);
};

/** Things that stand in two places after merging, since one side moved them into a group: the student's place counts. */
function withoutTwins(sheet: Sheet, copy: Sheet): Sheet {
  const seen = new Set<string>();
  const prune = (items: readonly Item[], place: string): Item[] =>
    items.flatMap((item) => {
      const there = find(copy, item.id);
      const own = there && containerOf(there);
      if (own !== undefined && own !== place && placesOf(sheet, item.id).includes(own)) return [];
      if (seen.has(item.id)) return [];
      seen.add(item.id);
      return [item.kind === 'group' ? { ...item, items: prune(item.items, item.id) } : item];
    });
  return { ...sheet, pages: sheet.pages.map((page) => ({ ...page, items: prune(page.items, page.id) })) };
}
function placesOf(sheet: Sheet, id: string): string[] {
  const out: string[] = [];
  const look = (items: readonly Item[], place: string) => {
    for (const item of items) {
      if (item.id === id) out.push(place);
      if (item.kind === 'group') look(item.items, item.id);
    }
  };
  for (const page of sheet.pages) look(page.items, page.id);
  return out;
}

/** The copy with the correction in it. All three as students get them: without the key. */
export function corrected(before: Sheet, after: Sheet, copy: Sheet): Sheet {
  const roles = { ...copy.roles };
  for (const id of new Set([...Object.keys(before.roles), ...Object.keys(after.roles)])) {
    const role = settled('', before.roles[id], after.roles[id], copy.roles[id]) as Sheet['roles'][string] | undefined;
    if (role) roles[id] = role;
    else delete roles[id];
  }
  return withoutTwins(
    {
      ...copy,
      title: settled('', before.title, after.title, copy.title) as string,
      unit: settled('', before.unit, after.unit, copy.unit) as Sheet['unit'],
      palette: settled('', before.palette, after.palette, copy.palette) as string[],
      ownWords: settled('', before.ownWords, after.ownWords, copy.ownWords) as string[],
      roles,
      pages: mergedPages(before, after, copy),
    },
    copy,
  );
}

/** The correction of a copy as one change; null where it alters nothing. */
export function correction(before: Sheet, after: Sheet, copy: Sheet): Change | null {
  const to = corrected(before, after, copy);
  return equal(to, copy) ? null : between(copy, to);
}

/** Things that the teacher took away and that a student worked on: they stay on that copy. */
export const keptBy = (before: Sheet, after: Sheet, copy: Sheet): Item[] =>
  everyItem(copy).filter((item) => {
    const old = find(before, item.id)?.item;
    return old !== undefined && item.kind !== 'group' && !find(after, item.id) && isTouched(old, item);
  });
