import { mapped, overlaps, union } from '../geometry/box';
import { frameMatrix, localBox } from '../geometry/frame';
import type { Box } from '../geometry/matrix';
import type { FramedItem, Item, Page, Sheet } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { foundOnce } from '../values/remembered';
import { boxOf } from './hit';

/**
 * The room beside a page: whatever lies wholly off the paper waits on the desk. It is saved with the sheet, and never printed,
 * exported or handed out.
 */

const NO_PICTURES = () => undefined;
const paper = ({ width, height }: Pick<Page, 'width' | 'height'>): Box => ({ x: 0, y: 0, width, height });

/** Found once: while one thing is dragged, a page changes with each frame and the others don't. */
const framedBox = foundOnce((item: FramedItem) => mapped(localBox(item), frameMatrix(item)));

/** The upright box around something that lies on the page itself, in no group. */
const boxOnPage = (page: Page, item: Item): Box => (isFramed(item) ? framedBox(item) : boxOf(page, item, NO_PICTURES));

/** @param item lies in no group */
export const isBeside = (page: Page, item: Item): boolean => !overlaps(boxOnPage(page, item), paper(page));

/** What lies beside a page, front to back. */
export const besideOf: (page: Page) => readonly Item[] = foundOnce((page) =>
  page.items.filter((item) => isBeside(page, item)),
);

/** All that things beside a page cover, in points of the page; null where there are none. */
export function roomBeside(page: Page): Box | null {
  const boxes = besideOf(page)
    .filter(({ hidden }) => !hidden)
    .map((item) => boxOnPage(page, item));
  return boxes.length > 0 ? union(boxes) : null;
}

/** A sheet without what lies beside its pages. */
export function onPaper<T extends Pick<Sheet, 'pages'>>(sheet: T): T {
  if (sheet.pages.every((page) => besideOf(page).length === 0)) return sheet;
  return {
    ...sheet,
    pages: sheet.pages.map((page) => ({ ...page, items: page.items.filter((item) => !isBeside(page, item)) })),
  };
}

/** How far things beside a page keep from it and from one another, in points. */
const GAP = 24;

/** A free place beside a page, to its right: below what waits there, and in a further column where that is full. */
export function placeBeside(page: Page, width: number, height: number): { x: number; y: number } {
  const taken = besideOf(page).map((item) => boxOnPage(page, item));
  for (let x = page.width + GAP; ; x += GAP + width) {
    const column = { x: x - GAP / 2, width: width + GAP };
    let y = 0;
    for (const box of taken.toSorted((a, b) => a.y - b.y))
      if (overlaps({ ...column, y: y - GAP / 2, height: height + GAP }, box)) y = box.y + box.height + GAP;
    if (y + height <= Math.max(page.height, height)) return { x, y };
  }
}
