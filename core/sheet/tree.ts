import type { GroupItem, Item, Page, Sheet } from './schema';

/** Finding and replacing items in the tree of pages and groups. Everything here is immutable. */

export type Place = {
  page: Page;
  /** The groups around the item, outermost first. */
  groups: GroupItem[];
  /** The list it stands in, front to back, and its index there. */
  siblings: readonly Item[];
  index: number;
  item: Item;
};

const indexes = new WeakMap<Page, Map<string, Place>>();

function indexOf(page: Page): Map<string, Place> {
  let index = indexes.get(page);
  if (!index) {
    index = new Map();
    const walk = (siblings: readonly Item[], groups: GroupItem[]) => {
      siblings.forEach((item, at) => {
        index!.set(item.id, { page, groups, siblings, index: at, item });
        if (item.kind === 'group') walk(item.items, [...groups, item]);
      });
    };
    walk(page.items, []);
    indexes.set(page, index);
  }
  return index;
}

/** Where an item stands, or undefined. */
export function find(sheet: Sheet, id: string): Place | undefined {
  for (const page of sheet.pages) {
    const place = indexOf(page).get(id);
    if (place) return place;
  }
  return undefined;
}

export const findOn = (page: Page, id: string): Place | undefined => indexOf(page).get(id);

/** All items, groups before their contents. */
export function* everyItem(source: Sheet | Page): Generator<Item> {
  const pages = 'pages' in source ? source.pages : [source];
  for (const page of pages) for (const place of indexOf(page).values()) yield place.item;
}

/** The ids of an item and of everything in it. */
export function idsWithin(item: Item): string[] {
  return item.kind === 'group' ? [item.id, ...item.items.flatMap(idsWithin)] : [item.id];
}

function withPage(sheet: Sheet, id: string, change: (page: Page) => Page): Sheet {
  return { ...sheet, pages: sheet.pages.map((page) => (page.id === id ? change(page) : page)) };
}

/** Replaces the list that `groups` leads to (the page's own when it is empty). */
export function withList(
  sheet: Sheet,
  pageId: string,
  groups: readonly GroupItem[],
  change: (list: Item[]) => Item[],
): Sheet {
  const dive = (list: Item[], depth: number): Item[] => {
    if (depth === groups.length) return change(list);
    const { id } = groups[depth];
    return list.map((item) =>
      item.id === id && item.kind === 'group' ? { ...item, items: dive(item.items, depth + 1) } : item,
    );
  };
  return withPage(sheet, pageId, (page) => ({ ...page, items: dive(page.items, 0) }));
}

/** The sheet with one item replaced; it must exist. */
export function withItem(sheet: Sheet, place: Place, item: Item): Sheet {
  return withList(sheet, place.page.id, place.groups, (list) => {
    const next = list.slice();
    next[place.index] = item;
    return next;
  });
}
