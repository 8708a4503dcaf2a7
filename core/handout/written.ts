import { bodyText } from '../text/body';
import { itemName } from '../items/name';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { labelsOn } from './copy';

/** What students wrote into the boxes of a handout. */

export type WrittenBox = { id: string; name: string; page: number };

/** The boxes that students write in, by page. Name lines are left out. */
export function boxesOf(sheet: Sheet): WrittenBox[] {
  return sheet.pages.flatMap((page, i) => {
    const targets = new Map(labelsOn(page).map(({ item, target }) => [item.id, target]));
    return everyItem(page)
      .filter((item) => isWritten(item) && item.touch !== 'fixed' && item.role !== 'name')
      .map((item) => ({ id: item.id, name: targets.get(item.id) ?? itemName(item), page: i + 1 }));
  });
}

/** The text in one box of a copy. Empty if it is unchanged or gone. */
export function writtenIn(copy: Sheet, given: Sheet, id: string): string {
  const now = find(copy, id)?.item;
  const before = find(given, id)?.item;
  if (!now || !isWritten(now)) return '';
  const words = bodyText(now.body).trim();
  return before && isWritten(before) && bodyText(before.body).trim() === words ? '' : words;
}
