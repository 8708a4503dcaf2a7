import type { Pictures } from '../pictures/picture';
import { encloses, grown, overlapArea } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { boxOf, isAt } from '../items/hit';
import { wholePage } from '../placement/on-page';
import { isEmpty } from '../text/body';
import type { Item, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import type { Place } from '../sheet/tree';
import { everyItem, find, findOn } from '../sheet/tree';
import type { Paint } from '../values/primitives';

/** What a reader of a piece can see: only that counts. */

/** Fainter or smaller (in points) is not readable; denser covers what lies under it. */
export const FAINTEST = 0.15;
const SMALLEST = 3;
const DENSE = 0.95;
/** Spots of a thing, across and down, at which it is asked whether it is covered. */
const SPOTS = 9;

export const opacityOf = (paint: Paint | null): number =>
  paint === null ? 0 : paint.kind === 'solid' ? paint.opacity : Math.max(...paint.stops.map(({ opacity }) => opacity));
const leastOf = (paint: Paint): number =>
  paint.kind === 'solid' ? paint.opacity : Math.min(...paint.stops.map(({ opacity }) => opacity));

export const shows = (paint: Paint | null): boolean => opacityOf(paint) >= FAINTEST;

/** Something of its own is painted: words, a ground or an outline. */
function isPainted(item: Item): boolean {
  if (isWritten(item) && !isEmpty(item.body)) return true;
  if (item.kind === 'shape') return shows(item.fill) || item.outline !== null;
  return item.kind !== 'text' || item.blank || shows(item.fill) || item.outline !== null;
}

/** The opacity of a thing with the groups around it. */
export const opacityAround = ({ groups, item }: { groups: readonly Item[]; item: Item }): number =>
  [...groups, item].reduce((share, one) => share * one.opacity, 1);
/** The same, and nothing where one of them is hidden. */
const visibility = (place: Pick<Place, 'groups' | 'item'>): number =>
  [...place.groups, place.item].some(({ hidden }) => hidden) ? 0 : opacityAround(place);

/** What hides whatever lies in its box, which is taken a little larger than it is. */
type Cover = { item: Item; rank: number; box: Box };
type Ranked = { ranks: Map<string, number>; boxes: WeakMap<Item, Box>; covers: Cover[]; covered: Map<string, boolean> };
const ranked = new WeakMap<Page, Ranked>();

/** How far in front each item of a page stands (0 is the front), and those that hide what lies under them. */
function rankedOn(page: Page): Ranked {
  let known = ranked.get(page);
  if (!known) {
    known = { ranks: new Map(), boxes: new WeakMap(), covers: [], covered: new Map() };
    const opaque: Omit<Cover, 'box'>[] = [];
    for (const item of everyItem(page)) {
      const rank = known.ranks.size;
      known.ranks.set(item.id, rank);
      if ((item.kind !== 'shape' && item.kind !== 'text') || item.fill === null || leastOf(item.fill) < DENSE) continue;
      if (visibility(findOn(page, item.id)!) < DENSE) continue;
      opaque.push({ item, rank });
    }
    ranked.set(page, known);
    for (const one of opaque) known.covers.push({ ...one, box: grown(boxOn(page, one.item), 0.5) });
  }
  return known;
}

const alone = new WeakMap<Item, Box>();
/** The box around an item, computed once for a page. Only where lines run depends on pictures. */
export function boxOn(page: Page, item: Item, pictures: Pictures = () => undefined): Box {
  if (item.kind === 'line') return boxOf(page, item, pictures);
  // In no group, its box is its own, on every page that the same thing stands on.
  const kept = findOn(page, item.id)?.groups.length === 0 ? alone : rankedOn(page).boxes;
  let box = kept.get(item);
  if (!box) kept.set(item, (box = boxOf(page, item, pictures)));
  return box;
}

/** How far in front an item of a page stands: 0 is the very front. */
export const rankOn = (page: Page, id: string): number => rankedOn(page).ranks.get(id) ?? Infinity;

/** Whether other things hide it altogether. */
function isCovered(page: Page, item: Item, box: Box, pictures: Pictures): boolean {
  const { ranks, covers, covered } = rankedOn(page);
  const known = covered.get(item.id);
  if (known !== undefined) return known;
  const rank = ranks.get(item.id)!;
  const over = covers.filter((cover) => cover.rank < rank && encloses(cover.box, box));
  const is = over.length > 0 && isUnder(page, item, box, over, pictures);
  covered.set(item.id, is);
  return is;
}

function isUnder(page: Page, item: Item, box: Box, over: readonly Cover[], pictures: Pictures): boolean {
  // What is drawn in lines alone is met at none of the spots: then all of them have to be covered.
  let [own, free] = [0, 0];
  for (let i = 0; i < SPOTS; i++)
    for (let j = 0; j < SPOTS; j++) {
      const at = { x: box.x + ((i + 0.5) / SPOTS) * box.width, y: box.y + ((j + 0.5) / SPOTS) * box.height };
      const isOwn = isAt(page, item, at, pictures);
      const isFree = !over.some((cover) => isAt(page, cover.item, at, pictures));
      if (isOwn && isFree) return false;
      if (isOwn) own++;
      if (isFree) free++;
    }
  return own > 0 || free === 0;
}

/** It stands on its page, is not hidden or covered, and neither too faint nor too small to be seen. */
export function isSeen(sheet: Sheet, id: string, pictures: Pictures = () => undefined): boolean {
  const place = find(sheet, id);
  if (!place) return false;
  const { page, item } = place;
  if (visibility(place) < FAINTEST) return false;
  const box = boxOn(page, item, pictures);
  if (Math.max(box.width, box.height) < SMALLEST) return false;
  const onPage = overlapArea(wholePage(page), grown(box, 0.1)) > 0;
  return isPainted(item) && onPage && !isCovered(page, item, box, pictures);
}
