import equal from 'fast-deep-equal';
import { z } from 'zod';
import { centre, contains, grown, union } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { boxOf } from '../items/hit';
import { itemName } from '../items/name';
import type { Pictures } from '../pictures/picture';
import type { Item, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find, findOn } from '../sheet/tree';
import { bodyText } from '../text/body';
import { Id } from '../values/primitives';

/** One spot of a sheet, seen on all pieces: what stands there, and which pieces say the same. */

/** `x,y,width,height` in points, as it stands in an address. */
export const AreaText = z
  .string()
  .regex(/^(-?\d{1,5}(\.\d{1,2})?,){2}\d{1,5}(\.\d{1,2})?,\d{1,5}(\.\d{1,2})?$/, 'Choose a spot on the sheet.')
  .transform((text): Box => {
    const [x, y, width, height] = text.split(',').map(Number);
    return { x, y, width: Math.max(MIN_SIDE, width), height: Math.max(MIN_SIDE, height) };
  });
const MIN_SIDE = 4;
export const areaText = ({ x, y, width, height }: Box): string =>
  [x, y, width, height].map((n) => Number(n.toFixed(1))).join(',');

/** A thing that is on the sheet as it was handed out, or an area of one of its pages. */
export const Picked = z.union([z.strictObject({ item: Id }), z.strictObject({ page: Id, area: AreaText })]);
export type Picked = z.infer<typeof Picked>;

/** What stands in a spot on one piece. */
export type Standing = {
  /** Its number, from 0. */
  pageIndex: number;
  page: string;
  /** The part of the page to look at. */
  view: Box;
  /** What a note about it hangs on; null for an area, or where the thing is gone. */
  item: string | null;
  /** The middle of it, for a note that hangs on no thing. */
  at: { x: number; y: number };
  /** What is written there, with single spaces; or what was put there, in words. */
  written: string;
  /** Same keys, same answers. What was drawn by hand is like nothing else. */
  key: string;
};

/** Room around what is looked at, in points. */
const ROOM = 14;
/** What is looked at is no narrower and no lower than this, in points. */
const [LEAST_WIDTH, LEAST_HEIGHT] = [110, 44];

function seenAround(page: Page, box: Box): Box {
  const wide = grown(box, ROOM);
  const width = Math.min(page.width, Math.max(LEAST_WIDTH, wide.width));
  const height = Math.min(page.height, Math.max(LEAST_HEIGHT, wide.height));
  const middle = centre(box);
  const within = (from: number, size: number, most: number) => Math.max(0, Math.min(from, most - size));
  return {
    x: within(middle.x - width / 2, width, page.width),
    y: within(middle.y - height / 2, height, page.height),
    width,
    height,
  };
}

/** Spaces and the way letters with accents are put together never make answers differ; anything else does. */
const plain = (text: string): string => text.normalize('NFC').replace(/\s+/g, ' ').trim();

/** Words in the order they are read: row by row. */
function wordsOf(page: Page, items: readonly Item[], pictures: Pictures): string {
  const boxed = items.filter(isWritten).map((item) => ({ item, box: boxOf(page, item, pictures) }));
  return plain(
    boxed
      .sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x)
      .map(({ item }) => bodyText(item.body))
      .join(' '),
  );
}

/** How a picture or a shape looks, wherever it stands; null for what is drawn by hand, and for lines: those are all different. */
function looksOf(item: Item): string | null {
  if (item.kind !== 'picture' && item.kind !== 'shape') return null;
  return JSON.stringify({ ...item, id: '', x: 0, y: 0, width: 0, height: 0, angle: 0, made: null, body: null });
}

/** @returns undefined where the piece has no such page */
function areaOn(
  sheet: Sheet,
  given: Sheet,
  { page: id, area }: { page: string; area: Box },
  pictures: Pictures,
  own: string,
) {
  const pageIndex = sheet.pages.findIndex((page) => page.id === id);
  const page = sheet.pages[pageIndex] as Page | undefined;
  if (!page) return undefined;
  const before = given.pages.find((one) => one.id === id);
  const theirs = everyItem(page).filter(
    (item) =>
      item.kind !== 'group' &&
      !item.hidden &&
      // What students can't touch is their teacher's, also where a correction has changed it since.
      item.touch !== 'fixed' &&
      contains(area, centre(boxOf(page, item, pictures))) &&
      !equal(before && findOn(before, item.id)?.item, item),
  );
  const words = wordsOf(page, theirs, pictures);
  const things = theirs.filter((item) => !isWritten(item) || !plain(bodyText(item.body)));
  const told = things.map(looksOf);
  const written = [words, ...things.map(itemName)].filter(Boolean).join(', ');
  const key = told.includes(null) ? own : [words, ...(told as string[]).sort()].join(' | ');
  return { pageIndex, page, box: area, item: null, written, key: theirs.length === 0 ? '' : key };
}

function thingOn(sheet: Sheet, given: Sheet, id: string, pictures: Pictures, own: string, also: readonly string[]) {
  const place = find(sheet, id);
  // Where it was, if it is gone.
  const there = place ?? find(given, id);
  const pageIndex = sheet.pages.findIndex((page) => page.id === there?.page.id);
  if (!there || pageIndex < 0) return undefined;
  const page = sheet.pages[pageIndex];
  const alongside = also.flatMap((one) => findOn(there.page, one)?.item ?? []);
  const box = union([there.item, ...alongside].map((one) => boxOf(there.page, one, pictures)));
  if (!place) return { pageIndex, page, box, item: null, written: '', key: '' };
  const { item } = place;
  const parts = item.kind === 'group' ? everyItem({ ...page, items: item.items }) : [item];
  const written = wordsOf(page, parts, pictures);
  const before = find(given, id)?.item;
  const isTouched = !parts.some(({ kind }) => kind === 'text') && !equal(before, item);
  const looks = looksOf(item);
  if (!isTouched || (before && looks !== null && looks === looksOf(before)))
    return { pageIndex, page, box, item: id, written, key: written };
  return {
    pageIndex,
    page,
    box,
    item: id,
    written: written || itemName(item),
    key: looks === null ? own : `${written} ${looks}`,
  };
}

/**
 * What stands in a spot of a piece.
 * @param given the sheet as students were given it, parts without names: what is still as it was there is nobody's answer, in an area
 * @param own what nobody else's answer is called
 * @param also what belongs to a thing and is looked at with it, such as lines that were drawn from it
 * @returns undefined where the piece has no such spot
 */
export function standing(
  sheet: Sheet,
  given: Sheet,
  spot: Picked,
  pictures: Pictures,
  own: string,
  also: readonly string[] = [],
): Standing | undefined {
  const found =
    'item' in spot ? thingOn(sheet, given, spot.item, pictures, own, also) : areaOn(sheet, given, spot, pictures, own);
  if (!found) return undefined;
  const { page, box, ...rest } = found;
  return { ...rest, page: page.id, at: centre(box), view: seenAround(page, box) };
}

export type SameAnswer<P> = { key: string; written: string; pieces: P[] };

type Answered = { key: string; written: string; answer?: { right: boolean } | null };

/**
 * Pieces that say the same, together. What was not counted as right comes first, and what is empty last; of these the most frequent
 * first. Those that differ only in capitals stand next to each other.
 */
export function sameAnswers<P extends Answered>(pieces: readonly P[]): SameAnswer<P>[] {
  const byKey = new Map<string, P[]>();
  for (const piece of pieces) byKey.set(piece.key, [...(byKey.get(piece.key) ?? []), piece]);
  const groups = [...byKey].map(([key, list]) => ({ key, written: list[0].written, pieces: list }));
  const near = (key: string) => key.toLowerCase();
  const sizes = new Map<string, number>();
  for (const { key, pieces: list } of groups) sizes.set(near(key), (sizes.get(near(key)) ?? 0) + list.length);
  const rank = ({ key, pieces: [first] }: SameAnswer<P>) => (key === '' ? 2 : first.answer?.right ? 1 : 0);
  return groups.sort(
    (a, b) =>
      rank(a) - rank(b) ||
      sizes.get(near(b.key))! - sizes.get(near(a.key))! ||
      near(a.key).localeCompare(near(b.key)) ||
      b.pieces.length - a.pieces.length ||
      (a.key < b.key ? -1 : 1),
  );
}
