import { centre, contains, overlaps } from '../geometry/box';
import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import type { Pictures } from '../pictures/picture';
import type { Item, Page, Sheet, TextItem } from '../schema/sheet';
import { isEmpty } from '../text/body';

/** What students may touch of a sheet, part by part. */

/** All that can be seen of a page, from back to front; groups before what is in them. */
export function partsOn(page: Page): Item[] {
  const within = (items: readonly Item[]): Item[] =>
    items.flatMap((item) => (item.hidden ? [] : item.kind === 'group' ? [item, ...within(item.items)] : [item]));
  return within(page.items);
}

/** The parts that a rectangle on the page meets; of a group its parts, not the group itself. */
export const sweptOver = (page: Page, area: Box, pictures: Pictures): Item[] =>
  partsOn(page).filter((item) => item.kind !== 'group' && overlaps(boxOf(page, item, pictures), area));

/** The text boxes of a role on all pages. */
export const withRole = (sheet: Sheet, role: string): TextItem[] =>
  sheet.pages.flatMap(partsOn).filter((item): item is TextItem => item.kind === 'text' && item.role === role);

/** A frame this many times the size of a box is no frame around it. */
const AROUND = 3;

/**
 * Boxes to write in that nobody finds, on screen before they are pressed or on paper: without a frame, a fill, a prompt or words.
 * @param page as it is given out
 */
export function unseenBoxes(page: Page, pictures: Pictures): TextItem[] {
  const parts = partsOn(page);
  const frames = parts.flatMap((item) =>
    item.kind === 'shape' && (item.outline || item.fill) ? [boxOf(page, item, pictures)] : [],
  );
  return parts.filter((item): item is TextItem => {
    if (item.kind !== 'text' || item.touch === 'fixed') return false;
    if (item.outline || item.fill || item.prompt.trim() || !isEmpty(item.body)) return false;
    const box = boxOf(page, item, pictures);
    return !frames.some(
      (frame) => contains(frame, centre(box)) && frame.width * frame.height <= AROUND * box.width * box.height,
    );
  });
}
