import type { FramedItem, Item, Page } from '../sheet/schema';
import { isFramed } from '../sheet/schema';
import { findOn } from '../sheet/tree';
import { around, mapped } from './box';
import type { Box, Matrix, Point } from './matrix';
import { compose, IDENTITY, rotation, scaling, transform, translation } from './matrix';

/**
 * A frame is an unturned box (x, y, width, height) that is flipped and turned about its own centre. An item draws itself in
 * its local coordinates, from 0, 0 to width, height.
 */
export type Frame = Pick<FramedItem, 'x' | 'y' | 'width' | 'height' | 'angle' | 'flipX' | 'flipY'>;

/** From an item's local coordinates to those of its parent. */
export function frameMatrix({ x, y, width, height, angle, flipX, flipY }: Frame): Matrix {
  if (angle === 0 && !flipX && !flipY) return translation(x, y);
  return compose(
    translation(x + width / 2, y + height / 2),
    rotation(angle),
    scaling(flipX ? -1 : 1, flipY ? -1 : 1),
    translation(-width / 2, -height / 2),
  );
}

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

/** The page within its margins. */
export const withinMargins = ({ width, height, margin }: Pick<Page, 'width' | 'height' | 'margin'>): Box => ({
  x: margin,
  y: margin,
  width: width - 2 * margin,
  height: height - 2 * margin,
});

export const localBox = (item: Pick<FramedItem, 'width' | 'height'>): Box => ({
  x: 0,
  y: 0,
  width: item.width,
  height: item.height,
});

/** The upright box around an item in page coordinates; for a line, around the points it runs through. */
export function pageBox(page: Page, item: Item, linePoints?: readonly Point[]): Box {
  const matrix = pageMatrix(page, item);
  if (isFramed(item)) return mapped(localBox(item), matrix);
  return around((linePoints ?? [item.from, item.to]).map((point) => transform(matrix, point)));
}
