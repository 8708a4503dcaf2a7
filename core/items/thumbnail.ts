import type { Box } from '../geometry/matrix';
import type { Page, Sheet } from '../schema/sheet';
import { loadOfAll } from '../sheet/limits';
import { seenOf } from '../drawing/bounds';
import type { Drawing } from './kind';
import { drawPage } from './draw';
import { pageSvg } from '../drawing/svg';

/** Small pictures of pages, as SVG. */

/** All that a picture of a page is drawn from. */
export type SheetPart = {
  sheet: Omit<Sheet, 'pages'>;
  page: Page;
  /** Only this area of it, in points. */
  area?: Box;
};
export const partOfSheet = ({ pages, ...sheet }: Sheet, index = 0, area?: Box): SheetPart => ({
  sheet,
  page: pages[index] ?? pages[0],
  ...(area && { area }),
});

/** Small enough to draw between two requests: some tens of milliseconds. */
const LIGHT = { items: 1200, letters: 6000 };
export function isHeavy({ page }: SheetPart): boolean {
  const { items, letters } = loadOfAll(page.items);
  return items > LIGHT.items || letters > LIGHT.letters;
}

export const thumbnailSvg = (
  { sheet, page, area }: SheetPart,
  resources: Pick<Drawing, 'faces' | 'pictures'>,
): string => pageSvg(seenOf(drawPage({ ...sheet, pages: [page] }, page, resources), area), resources.faces, { area });
