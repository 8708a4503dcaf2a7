import type { Load } from './limits';
import { addedLoad, loadOf, loadOfAll, NO_LOAD } from './limits';
import type { GroupItem, Item, Page, Sheet } from '../schema/sheet';

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

const lists = new WeakMap<Page, readonly Item[]>();
function itemsOf(page: Page): readonly Item[] {
  let list = lists.get(page);
  if (!list) lists.set(page, (list = Array.from(indexOf(page).values(), ({ item }) => item)));
  return list;
}

/**
 * Where everything is, kept for the newest of a row of sheets only: a change hands it on to the sheet that it makes, so that a
 * batch costs what it changes, and not what its page holds. An older sheet that is asked after is looked through again.
 */
type Register = {
  /** The page and the group that an item stands in. */
  at: Map<string, { page: string; group: string | null }>;
  loads: Map<string, Load>;
};
const registers = new WeakMap<Sheet, Register>();

function enter(register: Register, items: readonly Item[], page: string, group: string | null): void {
  for (const item of items) {
    register.at.set(item.id, { page, group });
    if (item.kind === 'group') enter(register, item.items, page, item.id);
  }
}
function enterPage(register: Register, page: Page): void {
  enter(register, page.items, page.id, null);
  register.loads.set(page.id, loadOfAll(page.items));
}
function leave(register: Register, item: Item): void {
  register.at.delete(item.id);
  if (item.kind === 'group') for (const inner of item.items) leave(register, inner);
}

function registerOf(sheet: Sheet): Register {
  let register = registers.get(sheet);
  if (!register) {
    register = { at: new Map(), loads: new Map() };
    for (const page of sheet.pages) enterPage(register, page);
    registers.set(sheet, register);
  }
  return register;
}

/** The next sheet with the register of the one before, brought up to date. */
function handedOn(sheet: Sheet, next: Sheet, update: (register: Register) => void): Sheet {
  const register = registerOf(sheet);
  registers.delete(sheet);
  update(register);
  registers.set(next, register);
  return next;
}

function weigh(register: Register, page: string, load: Load, sign: 1 | -1): void {
  register.loads.set(page, addedLoad(register.loads.get(page)!, load, sign));
}

/** What a page and the whole sheet hold. */
export function loadsOf(sheet: Sheet, pageId: string): { page: Load; sheet: Load } {
  const { loads } = registerOf(sheet);
  let all = NO_LOAD;
  for (const load of loads.values()) all = addedLoad(all, load);
  return { page: loads.get(pageId) ?? NO_LOAD, sheet: all };
}

/** Where an item stands, or undefined. */
export function find(sheet: Sheet, id: string): Place | undefined {
  const register = registers.get(sheet);
  if (register) {
    const at = register.at.get(id);
    return at && indexOf(sheet.pages.find((page) => page.id === at.page)!).get(id);
  }
  for (const page of sheet.pages) {
    const place = indexOf(page).get(id);
    if (place) return place;
  }
  return undefined;
}

function inRegister(sheet: Sheet, register: Register, id: string): Place | undefined {
  const at = register.at.get(id);
  if (!at) return undefined;
  const page = sheet.pages.find((one) => one.id === at.page)!;
  const known = indexes.get(page);
  if (known) return known.get(id);
  const way: string[] = [];
  for (let { group } = at; group !== null; { group } = register.at.get(group)!) way.unshift(group);
  const groups: GroupItem[] = [];
  let siblings: readonly Item[] = page.items;
  for (const step of way) {
    const group = siblings.find((one) => one.id === step) as GroupItem;
    groups.push(group);
    siblings = group.items;
  }
  const index = siblings.findIndex((one) => one.id === id);
  return { page, groups, siblings, index, item: siblings[index] };
}

/** Whether something of this identity is there, asked by those that change a sheet. */
export const isThere = (sheet: Sheet, id: string): boolean => registerOf(sheet).at.has(id);

/** As `find`, for those that go on to change the sheet: nothing is looked through for it but the lists it stands in. */
export function locate(sheet: Sheet, id: string): Place | undefined {
  const register = registers.get(sheet);
  if (register) return inRegister(sheet, register, id);
  return sheet.pages.every((page) => indexes.has(page)) ? find(sheet, id) : inRegister(sheet, registerOf(sheet), id);
}

/** The identity of what an item stands in: its innermost group, else its page. */
export const containerOf = ({ groups, page }: Place): string => groups.at(-1)?.id ?? page.id;

export const findOn = (page: Page, id: string): Place | undefined => indexOf(page).get(id);

/** All items, groups before their contents. */
export function everyItem(source: Sheet | Page): readonly Item[] {
  if (!('pages' in source)) return itemsOf(source);
  return source.pages.length === 1 ? itemsOf(source.pages[0]) : source.pages.flatMap(itemsOf);
}

/** The ids of an item and of everything in it. */
export function idsWithin(item: Item): string[] {
  return item.kind === 'group' ? [item.id, ...item.items.flatMap(idsWithin)] : [item.id];
}

function withPage(sheet: Sheet, id: string, change: (page: Page) => Page): Sheet {
  return { ...sheet, pages: sheet.pages.map((page) => (page.id === id ? change(page) : page)) };
}

/** Replaces the list that `groups` leads to (the page's own when it is empty). */
function withList(
  sheet: Sheet,
  pageId: string,
  groups: readonly GroupItem[],
  change: (list: readonly Item[]) => Item[],
): Sheet {
  const dive = (list: readonly Item[], depth: number): Item[] => {
    if (depth === groups.length) return change(list);
    const { id } = groups[depth];
    const at = list.findIndex((item) => item.id === id);
    const group = list[at] as GroupItem;
    const next = list.slice();
    next[at] = { ...group, items: dive(group.items, depth + 1) };
    return next;
  };
  return withPage(sheet, pageId, (page) => ({ ...page, items: dive(page.items, 0) }));
}

/** The sheet with one item replaced by another of the same identity; it must exist. */
export function withItem(sheet: Sheet, place: Place, item: Item): Sheet {
  const { page, groups, index } = place;
  const next = withList(sheet, page.id, groups, (list) => {
    const changed = list.slice();
    changed[index] = item;
    return changed;
  });
  return handedOn(sheet, next, (register) => {
    // A group keeps its parts when it is set; only where they are others do they have to be entered again.
    if (item.kind === 'group' && place.item.kind === 'group' && item.items === place.item.items) return;
    weigh(register, page.id, loadOf(place.item), -1);
    weigh(register, page.id, loadOf(item), 1);
    if (item.kind !== 'group' && place.item.kind !== 'group') return;
    leave(register, place.item);
    enter(register, [item], page.id, groups.at(-1)?.id ?? null);
  });
}

/** The sheet with an item put into a page or a group on it, just behind a neighbour; without one, at the very front. */
export function withInserted(
  sheet: Sheet,
  pageId: string,
  groups: readonly GroupItem[],
  behind: string | null,
  item: Item,
): Sheet {
  const next = withList(sheet, pageId, groups, (list) => {
    // A neighbour that somebody else took away must not cost this person the item: it goes to the front.
    const at = behind === null ? 0 : list.findIndex((other) => other.id === behind) + 1;
    const longer = list.slice();
    longer.splice(at, 0, item);
    return longer;
  });
  return handedOn(sheet, next, (register) => {
    enter(register, [item], pageId, groups.at(-1)?.id ?? null);
    weigh(register, pageId, loadOf(item), 1);
  });
}

/** The sheet without an item. */
export function withoutItem(sheet: Sheet, { page, groups, index, item }: Place): Sheet {
  const next = withList(sheet, page.id, groups, (list) => {
    const shorter = list.slice();
    shorter.splice(index, 1);
    return shorter;
  });
  return handedOn(sheet, next, (register) => {
    leave(register, item);
    weigh(register, page.id, loadOf(item), -1);
  });
}

/** The sheet with these pages: in another order, with other settings, one more or one less. Their items stay as they are. */
/** Whether nothing is on it. */
export const isBare = (sheet: Sheet): boolean => sheet.pages.every(({ items }) => items.length === 0);

export function withPages(sheet: Sheet, pages: Page[]): Sheet {
  return handedOn(sheet, { ...sheet, pages }, (register) => {
    const kept = new Set(pages.map(({ id }) => id));
    for (const page of sheet.pages)
      if (!kept.has(page.id)) {
        for (const item of page.items) leave(register, item);
        register.loads.delete(page.id);
      }
    for (const page of pages) if (!register.loads.has(page.id)) enterPage(register, page);
  });
}

/** The sheet with other settings of its own. */
export const withSettings = (sheet: Sheet, settings: Partial<Omit<Sheet, 'pages'>>): Sheet =>
  handedOn(sheet, { ...sheet, ...settings }, () => {});
