import { inverse, transform } from '../geometry/matrix';
import { pictureMatrix, replacedCrop } from '../pictures/frame';
import type { DrawnPicture } from '../pictures/picture';
import { partOf } from '../pictures/picture';
import type { End, LineItem, Page, PictureItem } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { hundredths } from '../values/hundredths';
import { targetPoint } from './line';

/** Another picture in the place of one. */

/** Whether a picture fills its frame: a photo, not a drawing with nothing around it. */
const isFull = (picture: DrawnPicture | undefined) => picture?.raster?.clear === false;

/**
 * The item with another picture, and the lines that were led to one of its parts. Place, size, angle and look stay; so does what
 * was cut off. What was cleared or covered of the old one has no meaning for the new one. A line to a part that the new picture does not have stays at its spot.
 * @param before what it showed, where that is known
 */
export function replaced(
  page: Page,
  item: PictureItem,
  before: DrawnPicture | undefined,
  next: DrawnPicture,
): { item: PictureItem; lines: LineItem[] } {
  const crop = before
    ? replacedCrop(item, before, next, isFull(before) && isFull(next))
    : replacedCrop({ ...item, crop: null }, item, next, isFull(next));
  const after: PictureItem = {
    ...item,
    picture: next.id,
    alt: next.name,
    credit: next.credit,
    crop,
    clearing: null,
    patches: [],
  };
  const end = (old: End): End => {
    if (old.item !== item.id || old.target === null || partOf(next, old.target)) return old;
    const spot = targetPoint(item, old.target, (id) => (id === before?.id ? before : undefined));
    return spot ? { ...old, target: spotTarget(after, next, spot) } : old;
  };
  const lines = everyItem(page).flatMap((line) => {
    if (line.kind !== 'line') return [];
    const [from, to] = [end(line.from), end(line.to)];
    return from === line.from && to === line.to ? [] : [{ ...line, from, to }];
  });
  return { item: after, lines };
}

/** The target of a line that ends at a point of an item, within its picture. */
function spotTarget(item: PictureItem, picture: DrawnPicture, at: { x: number; y: number }): string {
  const { x, y } = transform(inverse(pictureMatrix(item, picture)), at);
  const share = (value: number, of: number) => hundredths(Math.max(0, Math.min(100, (100 * value) / of)));
  return `@${share(x, picture.width)},${share(y, picture.height)}`;
}
