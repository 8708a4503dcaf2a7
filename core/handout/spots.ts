import { rightMiddle } from '../geometry/box';
import type { Box, Point } from '../geometry/matrix';
import { boxOf } from '../items/hit';
import type { Pictures } from '../pictures/picture';
import type { Item, Page } from '../schema/sheet';
import { findOn } from '../sheet/tree';
import { pointedAt } from './blanks';

/** Spots of a page that are spoken of: where their threads begin, and what is lit. All in page coordinates. */

/** Half the side of the box around a spot where nothing stands. */
const BARE = 18;

/** An item, and then what its lines lead to. */
export const lightOn = (page: Page, item: Item, pictures: Pictures): Box[] => [
  boxOf(page, item, pictures),
  ...pointedAt(page, item.id, pictures).map((point) => ({ ...point, width: 0, height: 0 })),
];

export type NamedSpot = { item: string | null; x: number | null; y: number | null };

/** The item of a spot; without one, or when it is gone, the place itself. */
export function lightAt(page: Page, { item, x, y }: NamedSpot, pictures: Pictures): Box[] {
  const found = item === null ? undefined : findOn(page, item)?.item;
  if (found) return lightOn(page, found, pictures);
  return x === null || y === null ? [] : [{ x: x - BARE, y: y - BARE, width: 2 * BARE, height: 2 * BARE }];
}

/** Where the thread to a spot begins: beside its item, else at the place itself; null without either. */
export function anchorAt(page: Page, { item, x, y }: NamedSpot, pictures: Pictures): Point | null {
  const found = item === null ? undefined : findOn(page, item)?.item;
  if (found) return rightMiddle(boxOf(page, found, pictures));
  return x === null || y === null ? null : { x, y };
}

/** The boxes of all that stands on a page. */
export const boxesOn = (page: Page, pictures: Pictures): Box[] => page.items.map((item) => boxOf(page, item, pictures));
