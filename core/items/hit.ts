import { contains, encloses } from '../geometry/box';
import { frameMatrix } from '../geometry/frame';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { compose, IDENTITY, inverse, transform } from '../geometry/matrix';
import { onItem, pictureMatrix } from '../pictures/frame';
import type { Pictures } from '../pictures/picture';
import { pageBox, pageMatrix, parentMatrix } from '../placement/on-page';
import type { GroupItem, Item, Page } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { kindOf } from './all';
import { linePoints } from './line';

/** Hit testing: what is under a point, front to back. Points and boxes are in page coordinates. */

/** The upright box around any item, lines as they run. */
export const boxOf = (page: Page, item: Item, pictures: Pictures): Box =>
  pageBox(page, item, item.kind === 'line' ? linePoints(page, item, pictures) : undefined);

function touches(page: Page, item: Item, matrix: Matrix, point: Point, reach: number, pictures: Pictures): boolean {
  const inner = isFramed(item) ? compose(matrix, frameMatrix(item)) : matrix;
  if (Math.abs(inner[0] * inner[3] - inner[1] * inner[2]) < 1e-9) return false;
  return kindOf(item).meets(item, {
    at: transform(inverse(inner), point),
    reach,
    page,
    pictures,
    part: (part) => !part.hidden && touches(page, part, inner, point, reach, pictures),
  });
}

/** All items of one list under a point: the page's own, or those of an open group. `reach` in points. */
export function itemsAt(page: Page, within: GroupItem | null, point: Point, reach: number, pictures: Pictures): Item[] {
  const matrix = within ? compose(parentMatrix(page, within.id), frameMatrix(within)) : IDENTITY;
  return (within ? within.items : page.items).filter(
    (item) => !item.hidden && touches(page, item, matrix, point, reach, pictures),
  );
}

/** Whether a single item of a page is under a point, hidden or not. */
export const isAt = (page: Page, item: Item, point: Point, pictures: Pictures): boolean =>
  touches(page, item, parentMatrix(page, item.id), point, 0, pictures);

/** An item larger than this share of the page is not a spot for a note. */
const SPOT_SHARE = 0.25;

/** What somebody means by pointing at a spot: the smallest item there, within groups too, or only the spot. */
export function partAt(page: Page, point: Point, pictures: Pictures): Item | undefined {
  let [best, least]: [Item | undefined, number] = [undefined, SPOT_SHARE * page.width * page.height];
  const look = (items: readonly Item[]) => {
    for (const item of items) {
      if (item.hidden) continue;
      if (item.kind === 'group') look(item.items);
      if (!kindOf(item).pointedAt) continue;
      const box = boxOf(page, item, pictures);
      const area = box.width * box.height;
      if (area < least && contains(box, point)) [best, least] = [item, area];
    }
  };
  look(page.items);
  return best;
}

/** Items of a list that are entirely in the swept area. */
export function itemsWithin(page: Page, within: GroupItem | null, box: Box, pictures: Pictures): Item[] {
  return (within ? within.items : page.items).filter(
    (item) => !item.hidden && encloses(box, boxOf(page, item, pictures)),
  );
}

/** A named target of a diagram near a point, for the end of a line. */
export function targetAt(
  page: Page,
  point: Point,
  reach: number,
  pictures: Pictures,
): { item: string; target: string } | null {
  let best: { item: string; target: string } | null = null;
  let nearest = Infinity;
  for (const item of everyItem(page)) {
    if (item.kind !== 'picture' || item.hidden) continue;
    const picture = pictures(item.picture);
    if (!picture) continue;
    const matrix = pageMatrix(page, item);
    for (const t of picture.targets) {
      const at = transform(matrix, onItem(item, picture, t));
      const distance = Math.hypot(at.x - point.x, at.y - point.y);
      const within = Math.max(reach, t.reach * pictureMatrix(item, picture)[0]);
      if (distance <= within && distance < nearest) {
        nearest = distance;
        best = { item: item.id, target: t.name };
      }
    }
  }
  return best;
}

/** The front item at a point that a line can attach to, within groups too. Pictures are attached to by their parts only. */
export function holdAt(
  page: Page,
  point: Point,
  reach: number,
  pictures: Pictures,
  except: string,
  within: GroupItem | null = null,
): Item | null {
  for (const item of itemsAt(page, within, point, reach, pictures)) {
    if (item.id === except || item.kind === 'picture') continue;
    const found =
      item.kind === 'group' ? holdAt(page, point, reach, pictures, except, item) : isHold(item) ? item : null;
    if (found) return found;
  }
  return within ? null : hollowAt(page, point, except);
}

/** The smallest hollow shape whose middle is near a point: a press there hits nothing, but a line can be led to it. */
function hollowAt(page: Page, point: Point, except: string): Item | null {
  const about = everyItem(page).filter((item) => {
    if (item.id === except || item.hidden || item.kind !== 'shape') return false;
    const { x, y } = transform(inverse(pageMatrix(page, item)), point);
    return Math.abs(x / item.width - 0.5) <= 0.25 && Math.abs(y / item.height - 0.5) <= 0.25;
  });
  const size = (item: Item) => (isFramed(item) ? item.width * item.height : 0);
  return about.sort((a, b) => size(a) - size(b))[0] ?? null;
}

/** What a line's end can attach to. */
export const isHold = (item: Item) => isFramed(item) && item.kind !== 'group';
