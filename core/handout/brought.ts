import type { Item, Page, Sheet } from '../schema/sheet';

/** Work made elsewhere: pages that a student brings to a copy, each showing one page of a file. */

/** So many pages of files can stand on one copy. */
export const MOST_BROUGHT = 40;

/** The pages of a sheet that were brought. */
export const broughtPages = (sheet: Sheet): Page[] => sheet.pages.filter(({ brought }) => brought !== null);

/** Whether an item is what a brought page shows: it counts as the page, not as a picture on it. */
export const isPageItself = (page: Page, item: Item): boolean => page.brought?.picture === item.id;
