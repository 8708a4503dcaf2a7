import type { Pictures } from '../pictures/picture';
import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import type { Evidence, Result } from '../lookfors/kind';
import type { Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';

/** Evidence as it is shown on the piece itself: a box on a page with what it counts as. */
export type PieceMark = { page: string; item: string; box: Box; verdict: Evidence['verdict'] };

/** One mark for each item that is evidence; where several look-fors speak of one item, the worst verdict shows. */
export function pieceMarks(sheet: Sheet, results: readonly Result[], pictures: Pictures): PieceMark[] {
  const order = ['right', 'near', 'extra', 'missing', 'empty', 'reversed', 'swapped', 'wrong'];
  const byItem = new Map<string, PieceMark>();
  for (const { evidence } of results)
    for (const { items, verdict } of evidence)
      for (const id of items) {
        const place = find(sheet, id);
        if (!place) continue;
        const before = byItem.get(id);
        if (before && order.indexOf(before.verdict) >= order.indexOf(verdict)) continue;
        byItem.set(id, { page: place.page.id, item: id, box: boxOf(place.page, place.item, pictures), verdict });
      }
  return [...byItem.values()];
}

export type Ruled = readonly { lookForId: string; held: boolean }[];

/** A result with the teacher's ruling, where there is one. */
export const heldAfter = (result: Result, rulings: Ruled): boolean | null =>
  rulings.find((ruling) => ruling.lookForId === result.id)?.held ?? result.held;
