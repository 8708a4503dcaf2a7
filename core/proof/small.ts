import { rightMiddle } from '../geometry/box';
import type { Pictures } from '../pictures/picture';
import { boxOf } from '../items/hit';
import { wordsOf } from '../items/words';
import type { Point } from '../geometry/matrix';
import { bodyLength, isEmpty } from '../text/body';
import type { Page, Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, findOn } from '../sheet/tree';
import type { Faces } from '../text/faces';
import { LEAST_PRINTED, roleOfItem } from '../text/style';

/** Words that are printed smaller than they can be read, and boxes whose words don't fit. */

export type Small = {
  /** The thing, or the outermost group that it is part of. */
  item: string;
  /** The size of its smallest words in points; null where all can be read. */
  size: number | null;
  /** Boxes in it with too small words, and those whose words don't fit. */
  count: number;
  over: number;
  at: Point;
};

/** Whether the box can be too small for its words: others grow with them or fit them to their width. */
export const mayOverflow = (item: WrittenItem) =>
  !isEmpty(item.body) && (item.kind === 'shape' || item.fit === 'keep' || item.fit === 'shrink');

/** Longest words that are looked at: what is longer is no worksheet. */
const LONGEST = 20_000;

/** The size in points of the smallest words of a box as they are printed. */
export const printedSize = (item: WrittenItem, sheet: Sheet, faces: Faces): number => smallest(item, sheet, faces).size;

function smallest(item: WrittenItem, sheet: Sheet, faces: Faces): { size: number; over: boolean } {
  const role = roleOfItem(sheet, item);
  const sizes = item.body.flatMap(({ runs }) => runs.map(({ style }) => style.size ?? role.run.size));
  if ((item.kind === 'text' && item.fit === 'grow') || bodyLength(item.body) > LONGEST)
    return { size: Math.min(...sizes), over: false };
  const { scale, overflows } = wordsOf(item, { faces, roles: sheet.roles }).layout;
  return { size: Math.min(...sizes) * scale, over: mayOverflow(item) && overflows };
}

export function smallOn(sheet: Sheet, page: Page, { faces, pictures }: { faces: Faces; pictures: Pictures }): Small[] {
  const found = new Map<string, Small>();
  for (const item of everyItem(page)) {
    if (!isWritten(item) || item.hidden || isEmpty(item.body)) continue;
    const { size, over } = smallest(item, sheet, faces);
    const small = size < LEAST_PRINTED - 0.05;
    if (!small && !over) continue;
    const outer = findOn(page, item.id)?.groups[0] ?? item;
    if (outer.hidden) continue;
    let entry = found.get(outer.id);
    if (!entry) {
      const at = rightMiddle(boxOf(page, outer, pictures));
      found.set(outer.id, (entry = { item: outer.id, size: null, count: 0, over: 0, at }));
    }
    if (small) {
      entry.count++;
      entry.size = Math.min(entry.size ?? Infinity, size);
    }
    if (over) entry.over++;
  }
  return [...found.values()];
}
