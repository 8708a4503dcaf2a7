import type { Pictures } from '../pictures/picture';
import { centre, contains } from '../geometry/box';
import { boxOf } from '../items/hit';
import { isEmpty } from '../text/body';
import type { Item, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { find } from '../sheet/tree';
import type { Paint } from '../values/primitives';

/** What a reader of a piece can see: only that counts. */

/** Fainter or smaller (in points) is not readable. */
const FAINTEST = 0.15;
const SMALLEST = 3;

const shows = (paint: Paint | null): boolean =>
  paint !== null &&
  (paint.kind === 'solid' ? paint.opacity >= FAINTEST : paint.stops.some(({ opacity }) => opacity >= FAINTEST));

/** Something of its own is painted: words, a ground or an outline. */
function isPainted(item: Item): boolean {
  if (isWritten(item) && !isEmpty(item.body)) return true;
  if (item.kind === 'shape') return shows(item.fill) || item.outline !== null;
  return item.kind !== 'text' || item.blank || shows(item.fill) || item.outline !== null;
}

/** It stands on its page, is not hidden, and neither too faint nor too small to be seen. */
export function isSeen(sheet: Sheet, id: string, pictures: Pictures = () => undefined): boolean {
  const place = find(sheet, id);
  if (!place) return false;
  const { page, groups, item } = place;
  const around = [...groups, item];
  if (around.some((one) => one.hidden) || around.reduce((share, one) => share * one.opacity, 1) < FAINTEST)
    return false;
  const box = boxOf(page, item, pictures);
  if (Math.max(box.width, box.height) < SMALLEST) return false;
  return isPainted(item) && contains({ x: 0, y: 0, width: page.width, height: page.height }, centre(box));
}
