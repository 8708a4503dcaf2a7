import { bodyLength } from '../text/body';
import type { Item, Page } from '../schema/sheet';
import type { TextBody } from '../values/primitives';

/**
 * How much a sheet may hold. Asked of every change that adds something, never of what is read: what was stored before a limit
 * was set opens, and can only become less.
 */
export const LIMITS = {
  /** UTF-16 units in one box, with one for each break between paragraphs: a short story. */
  boxLetters: 100_000,
  paragraphs: 2000,
  /** Stretches of one style within a paragraph. */
  runs: 5000,
  /** Things directly within one group. */
  groupItems: 5000,
  /** Things on one page, with all that lies within groups. */
  pageItems: 10_000,
  pageLetters: 200_000,
  pages: 200,
  sheetItems: 40_000,
  sheetLetters: 800_000,
  /** Groups within groups. */
  depth: 12,
  roles: 100,
} as const;

/** From here on a person who types is told how much room is left in a box. */
export const NEARLY_FULL = 90_000;

export type Load = { items: number; letters: number };
export const NO_LOAD: Load = { items: 0, letters: 0 };
export const addedLoad = (a: Load, b: Load, sign: 1 | -1 = 1): Load => ({
  items: a.items + sign * b.items,
  letters: a.letters + sign * b.letters,
});

const lettersIn = (item: Item) => (item.kind === 'text' || item.kind === 'shape' ? bodyLength(item.body) : 0);

/** All that an item is, with what lies in it. */
export function loadOf(item: Item): Load {
  if (item.kind !== 'group') return { items: 1, letters: lettersIn(item) };
  return loadOfAll(item.items, { items: 1, letters: 0 });
}

export function loadOfAll(items: readonly Item[], start: Load = NO_LOAD): Load {
  let { items: count, letters } = start;
  for (const item of items) {
    const one = loadOf(item);
    count += one.items;
    letters += one.letters;
  }
  return { items: count, letters };
}

/** How many groups lie within each other in an item, itself included. */
export function depthOf(item: Item): number {
  if (item.kind !== 'group') return 0;
  let most = 0;
  for (const inner of item.items) most = Math.max(most, depthOf(inner));
  return most + 1;
}

const many = new Intl.NumberFormat('en');
const n = (value: number) => many.format(value);

/** Why a body can't be so long, where it gets longer by this; null where it can. */
export function bodyProblem(body: TextBody, before: TextBody | null): string | null {
  const letters = bodyLength(body);
  if (letters > LIMITS.boxLetters && letters > (before ? bodyLength(before) : 0))
    return `A box holds at most ${n(LIMITS.boxLetters)} letters; with this it would be ${n(letters)}. Put the rest into a box of its own.`;
  if (body.length > LIMITS.paragraphs && body.length > (before?.length ?? 0))
    return `A box holds at most ${n(LIMITS.paragraphs)} paragraphs. Put the rest into a box of its own.`;
  const most = runsIn(body);
  if (most > LIMITS.runs && most > (before ? runsIn(before) : 0))
    return `A paragraph holds at most ${n(LIMITS.runs)} changes of style. Begin another paragraph.`;
  return null;
}
const runsIn = (body: TextBody) => body.reduce((most, { runs }) => Math.max(most, runs.length), 0);

/** What is too much in an item that is to be added. */
export function itemProblem(item: Item): string | null {
  if (item.kind === 'text' || item.kind === 'shape') return bodyProblem(item.body, null);
  if (item.kind !== 'group') return null;
  if (item.items.length > LIMITS.groupItems) return GROUP_FULL;
  for (const inner of item.items) {
    const no = itemProblem(inner);
    if (no) return no;
  }
  return null;
}

export const GROUP_FULL = `A group holds at most ${n(LIMITS.groupItems)} things. Make two groups of it.`;
export const TOO_DEEP = `Groups can be nested at most ${LIMITS.depth} deep. Take a group apart first.`;
export const PAGES_FULL = `A sheet has at most ${LIMITS.pages} pages. Begin a second sheet for the rest.`;
export const ROLES_FULL = `A sheet has at most ${LIMITS.roles} kinds of text. Remove one that is not used.`;

/** Why a page or its sheet can't take on so much more; `page` and `sheet` are what they hold now. */
export function loadProblem(page: Load, sheet: Load, more: Load): string | null {
  if (more.items > 0 && page.items + more.items > LIMITS.pageItems)
    return `A page holds at most ${n(LIMITS.pageItems)} things. Put the rest on another page.`;
  if (more.letters > 0 && page.letters + more.letters > LIMITS.pageLetters)
    return `A page holds at most ${n(LIMITS.pageLetters)} letters. Put the rest on another page.`;
  if (more.items > 0 && sheet.items + more.items > LIMITS.sheetItems)
    return `A sheet holds at most ${n(LIMITS.sheetItems)} things. Begin a second sheet for the rest.`;
  if (more.letters > 0 && sheet.letters + more.letters > LIMITS.sheetLetters)
    return `A sheet holds at most ${n(LIMITS.sheetLetters)} letters. Begin a second sheet for the rest.`;
  return null;
}

/** What is too much in a page that is to be added. */
export function pageProblem(page: Page): string | null {
  for (const item of page.items) {
    const no = itemProblem(item) ?? (depthOf(item) > LIMITS.depth ? TOO_DEEP : null);
    if (no) return no;
  }
  return null;
}
