import { encloses, grown } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { itemName } from '../items/name';
import { isEmpty } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { isFramed, isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { fullFormat, roleOfItem } from '../text/style';
import { boxOn } from './seen';
import type { Option } from './sentence';
import type { Thing } from './thing';

/** Where things stand: in an area of the sheet, or in the middle of something. */

/** Of the same place within this many points. */
export const SLACK = 2;
/** The middle may be off by this share of the room. */
const OFF_CENTRE = 0.06;

export const areaOf = ({ page, sheet, context }: Thing, id: string): Box | null => {
  const place = find(sheet, id);
  return place && place.page.id === page.id ? boxOn(page, place.item, context.pictures) : null;
};

/** What can be an area: handed out, and large enough to hold something. */
export const areasOn = (sheet: Sheet): Option[] =>
  everyItem(sheet)
    .filter((item) => isFramed(item) && !item.hidden && item.width >= 30 && item.height >= 30 && item.kind !== 'ink')
    .map((item) => ({
      value: item.id,
      label: isWritten(item) && !isEmpty(item.body) ? `“${itemName(item)}”` : `the ${itemName(item)}`,
    }));

/** Its words stand in its middle, or in the middle of the smallest shape around it. */
export function isCentred({ item, sheet, page, box, context }: Thing): boolean {
  if (!isWritten(item) || isEmpty(item.body)) return false;
  const role = roleOfItem(sheet, item);
  const across = item.body.every(
    (paragraph) => paragraph.runs.length === 0 || fullFormat(role, paragraph.format).align === 'centre',
  );
  const isBox = item.kind === 'shape' || item.fill !== null || item.outline !== null;
  // A text box that grows is as high as its words: they stand in its middle anyway.
  if (isBox) return across && (item.vertical === 'middle' || (item.kind === 'text' && item.fit === 'grow'));
  const about = everyItem(page)
    .filter((other) => other.kind === 'shape' && other.id !== item.id && !other.hidden)
    .map((other) => boxOn(page, other, context.pictures))
    .filter((other) => encloses(grown(other, SLACK), box))
    .sort((a, b) => a.width * a.height - b.width * b.height)[0];
  if (!about) return false;
  const off = (at: 'x' | 'y', size: 'width' | 'height') =>
    Math.abs(box[at] + box[size] / 2 - about[at] - about[size] / 2) / about[size];
  return across && off('x', 'width') <= OFF_CENTRE && off('y', 'height') <= OFF_CENTRE;
}
