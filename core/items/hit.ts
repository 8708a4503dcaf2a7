import type { Pictures } from '../pictures/picture';
import { isEmpty } from '../text/body';
import type { GroupItem, InkItem, Item, Page, ShapeItem } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { contains, encloses } from '../geometry/box';
import { frameMatrix, localBox } from '../geometry/frame';
import { pageBox, pageMatrix, parentMatrix } from '../placement/on-page';
import { covers, edgeDistance, flatten } from '../geometry/flatten';
import { distanceTo, lineEnds, wayOfLine } from '../placement/line';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { compose, IDENTITY, inverse, transform } from '../geometry/matrix';
import { OUTLINES, shapeInside, shapePath } from '../geometry/shapes/shapes';

/** What lies under a point, front to back. Points and boxes in page coordinates. */

export const linePoints = (page: Page, item: Extract<Item, { kind: 'line' }>, pictures: Pictures): Point[] => {
  const { from, to } = lineEnds(page, item, pictures);
  return wayOfLine(item, from, to).points;
};

/** The upright box around any item, lines as they run. */
export const boxOf = (page: Page, item: Item, pictures: Pictures): Box =>
  pageBox(page, item, item.kind === 'line' ? linePoints(page, item, pictures) : undefined);

function touches(page: Page, item: Item, matrix: Matrix, point: Point, reach: number, pictures: Pictures): boolean {
  if (item.kind === 'line')
    return (
      distanceTo(linePoints(page, item, pictures), transform(inverse(matrix), point)) <= reach + item.outline.width / 2
    );
  const inner = compose(matrix, frameMatrix(item));
  if (Math.abs(inner[0] * inner[3] - inner[1] * inner[2]) < 1e-9) return false;
  const local = transform(inverse(inner), point);
  if (item.kind === 'group')
    return item.items.some((part) => !part.hidden && touches(page, part, inner, point, reach, pictures));
  if (item.kind === 'ink') return inkTouched(item, local, reach);
  if (item.kind === 'shape' && !hitsShape(item, local, reach)) return false;
  if (item.kind === 'shape') return true;
  // Thin things get a little room, so that a finger can meet them.
  const box = localBox(item);
  const room = Math.max(0, reach - Math.min(box.width, box.height) / 2);
  return contains({ x: -room, y: -room, width: box.width + 2 * room, height: box.height + 2 * room }, local);
}

/** A shape is met where it is painted: a hollow one at its edge and its words only, so that what lies in it can be reached. */
function hitsShape(item: ShapeItem, local: Point, reach: number): boolean {
  const outline = flatten(shapePath(item.shape, item.width, item.height, item.adjust));
  if (edgeDistance(outline, local) <= reach + (item.outline?.width ?? 0) / 2) return true;
  if (item.fill && !OUTLINES[item.shape].open) return covers(outline, local);
  return !isEmpty(item.body) && contains(shapeInside(item.shape, item.width, item.height, item.adjust), local);
}

function inkTouched({ points, width, height, weight }: InkItem, local: Point, reach: number): boolean {
  const chain: Point[] = [];
  for (let i = 0; i < points.length; i += 3) chain.push({ x: points[i] * width, y: points[i + 1] * height });
  const near = chain.length === 1 ? Math.hypot(chain[0].x - local.x, chain[0].y - local.y) : distanceTo(chain, local);
  return near <= reach + weight / 2;
}

/** All items of one list under a point: the page's own, or those of a group that was entered. `reach` in points. */
export function itemsAt(page: Page, within: GroupItem | null, point: Point, reach: number, pictures: Pictures): Item[] {
  const matrix = within ? compose(parentMatrix(page, within.id), frameMatrix(within)) : IDENTITY;
  return (within ? within.items : page.items).filter(
    (item) => !item.hidden && touches(page, item, matrix, point, reach, pictures),
  );
}

/** Beyond this share of the page a thing is no spot that something can be said about. */
const SPOT_SHARE = 0.25;

/** What somebody means who points at a spot: the smallest thing there, within groups too, or nothing but the spot itself. */
export function partAt(page: Page, point: Point, pictures: Pictures): Item | undefined {
  let [best, least]: [Item | undefined, number] = [undefined, SPOT_SHARE * page.width * page.height];
  const look = (items: readonly Item[]) => {
    for (const item of items) {
      if (item.hidden) continue;
      if (item.kind === 'group') look(item.items);
      // A line's box is mostly beside it, and a picture holds many spots.
      if (item.kind === 'group' || item.kind === 'line' || item.kind === 'picture') continue;
      const box = boxOf(page, item, pictures);
      const area = box.width * box.height;
      if (area < least && contains(box, point)) [best, least] = [item, area];
    }
  };
  look(page.items);
  return best;
}

/** Items of a list that lie wholly in a swept box. */
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
      const at = transform(matrix, { x: (t.x / picture.width) * item.width, y: (t.y / picture.height) * item.height });
      const distance = Math.hypot(at.x - point.x, at.y - point.y);
      const within = Math.max(reach, (t.reach / picture.width) * item.width);
      if (distance <= within && distance < nearest) {
        nearest = distance;
        best = { item: item.id, target: t.name };
      }
    }
  }
  return best;
}

/** The foremost thing at a point that a line's end may hold on to, within groups too; pictures are held by their parts only. */
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
  return null;
}

/** What a line's end may hold on to. */
export const isHold = (item: Item) => isFramed(item) && item.kind !== 'group';
