import type { Item, Page } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { around, mapped } from '../geometry/box';
import { frameMatrix, localBox } from '../geometry/frame';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { compose, IDENTITY, transform } from '../geometry/matrix';
import { findOn } from '../sheet/tree';

/** Where items stand on their page, whatever groups they lie in. */

/** From the coordinates of an item's parent to the page's. */
export function parentMatrix(page: Page, id: string): Matrix {
  const place = findOn(page, id);
  return place && place.groups.length > 0 ? compose(...place.groups.map(frameMatrix)) : IDENTITY;
}

/** From an item's local coordinates to the page's. */
export function pageMatrix(page: Page, item: Item): Matrix {
  const outer = parentMatrix(page, item.id);
  return isFramed(item) ? compose(outer, frameMatrix(item)) : outer;
}

export const wholePage = ({ width, height }: Pick<Page, 'width' | 'height'>): Box => ({ x: 0, y: 0, width, height });

/** The page within its margins. */
export const withinMargins = ({ width, height, margin }: Pick<Page, 'width' | 'height' | 'margin'>): Box => ({
  x: margin,
  y: margin,
  width: width - 2 * margin,
  height: height - 2 * margin,
});

/** The upright box around an item in page coordinates; for a line, around the points it runs through. */
export function pageBox(page: Page, item: Item, linePoints?: readonly Point[]): Box {
  const matrix = pageMatrix(page, item);
  if (isFramed(item)) return mapped(localBox(item), matrix);
  return around((linePoints ?? [item.from, item.to]).map((point) => transform(matrix, point)));
}
