import { boxOf } from '../items/hit';
import type { Box, Point } from '../geometry/matrix';
import { lineEnds } from '../placement/line';
import type { Pictures } from '../pictures/picture';
import type { Item, Page, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { isEmpty } from '../text/body';

/** What students fill in. */

export type Blank = { item: WrittenItem; box: Box; filled: boolean };

const isBlank = (item: Item): item is WrittenItem => isWritten(item) && item.touch === 'fill' && !item.hidden;

/** Blanks whose tops differ by less than this are in one row, in points. */
const ROW = 12;

/** Things in reading order: row by row, each from left to right. */
export function inRows<T extends { box: Box }>(things: readonly T[]): T[] {
  const rows: T[][] = [];
  for (const one of things.toSorted((a, b) => a.box.y - b.box.y || a.box.x - b.box.x)) {
    const row = rows.at(-1);
    if (row && one.box.y - row[0].box.y < ROW) row.push(one);
    else rows.push([one]);
  }
  return rows.flatMap((row) => row.toSorted((a, b) => a.box.x - b.box.x));
}

/** The blanks of a page in reading order. Boxes are in page coordinates. */
export const blanksOn = (page: Page, pictures: Pictures): Blank[] =>
  inRows(
    everyItem(page)
      .filter(isBlank)
      .map((item) => ({ item, box: boxOf(page, item, pictures), filled: !isEmpty(item.body) })),
  );

/** Where the lines from an item end, in page coordinates: what a label is about. */
export function pointedAt(page: Page, id: string, pictures: Pictures): Point[] {
  return everyItem(page).flatMap((line) => {
    if (line.kind !== 'line' || line.hidden) return [];
    const starts = 'item' in line.from && line.from.item === id;
    if (!starts && !('item' in line.to && line.to.item === id)) return [];
    const { from, to } = lineEnds(page, line, pictures);
    return [starts ? to : from];
  });
}
