import type { Box } from '../geometry/matrix';
import { inRows } from '../handout/blanks';
import { boxOf } from '../items/hit';
import { kindOf } from '../items/all';
import type { Pictures } from '../pictures/picture';
import type { Item, Page } from '../schema/sheet';
import { everyItem, findOn } from '../sheet/tree';

/**
 * The innermost parts of a page that students may have worked on, in reading order: what a teacher goes through to say something
 * about each. Boxes are in page coordinates.
 */
export function partsOn(page: Page, pictures: Pictures): { item: Item; box: Box }[] {
  const parts = everyItem(page).filter(
    (item) =>
      item.touch !== 'fixed' &&
      kindOf(item).pointedAt &&
      ![item, ...findOn(page, item.id)!.groups].some(({ hidden }) => hidden),
  );
  return inRows(parts.map((item) => ({ item, box: boxOf(page, item, pictures) })));
}
