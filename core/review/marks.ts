import type { Pictures } from '../pictures/picture';
import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import type { Evidence, Result } from '../lookfors/kind';
import type { Sheet } from '../schema/sheet';
import type { Ruled } from '../lookfors/ruled';
import { rulingOn } from '../lookfors/ruled';
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

/** A result with the teacher's ruling on the whole of it, where there is one. */
export const heldAfter = (result: Pick<Result, 'id' | 'held'>, rulings: Ruled): boolean | null =>
  rulingOn(rulings, result.id)?.held ?? result.held;

/**
 * The item by which one of the answers of a look-for is told: the first of it, where no other answer has the same. Undefined where
 * it can't be told, or where nothing stands that could be ruled on.
 */
export function answerItem({ evidence }: Pick<Result, 'evidence'>, one: Evidence): string | undefined {
  const [item] = one.items;
  const isTold = one.verdict !== 'missing' && evidence.filter(({ items }) => items[0] === item).length === 1;
  return isTold ? item : undefined;
}

export const isRight = ({ verdict }: Pick<Evidence, 'verdict'>): boolean => verdict === 'right' || verdict === 'near';

/** A result as the teacher's rulings on single answers leave it. One that says what was counted anyway changes nothing. */
export function asRuled<R extends Result>(result: R, rulings: Ruled): R {
  if (!rulings.some(({ lookForId, itemId }) => lookForId === result.id && itemId !== null)) return result;
  let { got } = result;
  const evidence = result.evidence.map((one) => {
    const item = answerItem(result, one);
    const to = item === undefined ? undefined : rulingOn(rulings, result.id, item)?.held;
    if (to === undefined || to === isRight(one)) return one;
    // What is too much was never counted: accepted, it only ceases to be too much.
    if (one.verdict !== 'extra') got += to ? 1 : -1;
    return { ...one, verdict: to ? ('right' as const) : ('wrong' as const) };
  });
  const isSpoilt =
    result.held === false && result.got >= result.need && evidence.some(({ verdict }) => verdict === 'extra');
  return { ...result, got, evidence, held: result.held === null ? null : got >= result.need && !isSpoilt };
}
