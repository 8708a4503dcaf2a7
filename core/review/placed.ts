import equal from 'fast-deep-equal';
import { colourName } from '../colour/name';
import { centre } from '../geometry/box';
import type { Point } from '../geometry/matrix';
import { boxOf } from '../items/hit';
import { itemName } from '../items/name';
import type { Result } from '../lookfors/kind';
import type { Ruled } from '../lookfors/ruled';
import type { Pictures } from '../pictures/picture';
import { lineEnds } from '../placement/line';
import type { Item, LineItem, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, findOn } from '../sheet/tree';
import { bodyText } from '../text/body';
import type { Placed } from './dots';
import { answerOf, heldAnswer } from './questions';

/** Where students put what, on one sheet: all that they wrote, placed, drew, led a line to or coloured. In points of its page. */

type Piece = { sheet: Sheet; results: readonly Result[]; rulings: Ruled };

const plain = (text: string): string => text.normalize('NFC').replace(/\s+/g, ' ').trim();

/** The words of what a line holds on to; a line that hangs on nothing is only a line. */
function lineWords(page: Page, { from, to }: LineItem): string {
  for (const { item } of [from, to]) {
    const held = item === null ? undefined : findOn(page, item)?.item;
    const words = held && isWritten(held) ? plain(bodyText(held.body)) : '';
    if (words) return words;
  }
  return 'a line';
}

/** Where a line leads to: to the end that holds no words, else to its last. */
function lineEnd(page: Page, line: LineItem, pictures: Pictures): Point {
  const { from, to } = lineEnds(page, line, pictures);
  const last = line.to.item === null ? undefined : findOn(page, line.to.item)?.item;
  return last && isWritten(last) && plain(bodyText(last.body)) !== '' ? from : to;
}

const ownWords = (item: Item): string => (isWritten(item) ? plain(bodyText(item.body)) : '');

function fillOf(item: Item): string | null {
  return item.kind === 'shape' && item.fill?.kind === 'solid' ? item.fill.colour : null;
}

/** What was put there; null where it was only emptied, or nothing stands in it. */
function whatOf(item: Item, before: Item | undefined): string | null {
  const words = ownWords(item);
  if (words) return words;
  if (item.kind === 'text') return null;
  const colour = fillOf(item);
  // Coloured where it stands: which colour says more than which shape.
  if (before && colour !== null && colour !== fillOf(before)) return colourName(colour);
  return item.kind === 'ink' ? 'drawn by hand' : itemName(item);
}

/**
 * @param given the sheet as students were given it, parts without names: what is still as it was there was put by nobody, unless it is
 *   an answer
 */
export function placedOn({ sheet, results, rulings }: Piece, given: Sheet, pictures: Pictures): Placed[] {
  const right = new Map<string, boolean>();
  for (const result of results)
    for (const evidence of result.evidence) {
      const answer = answerOf(result, evidence);
      if (answer && !right.has(answer.item)) right.set(answer.item, heldAnswer(answer, rulings));
    }
  return sheet.pages.flatMap((page) => {
    const pageBefore = given.pages.find(({ id }) => id === page.id);
    // A page of their own can't be laid on that of others.
    if (!pageBefore) return [];
    return everyItem(page).flatMap((item): Placed[] => {
      // What students can't touch is their teacher's, also where a correction has changed it since.
      if (item.kind === 'group' || item.hidden || (item.touch === 'fixed' && !right.has(item.id))) return [];
      const before = findOn(pageBefore, item.id)?.item;
      if (before && equal(before, item) && !right.has(item.id)) return [];
      const what = item.kind === 'line' ? lineWords(page, item) : whatOf(item, before);
      if (what === null) return [];
      const at = item.kind === 'line' ? lineEnd(page, item, pictures) : centre(boxOf(page, item, pictures));
      return [{ ...at, page: page.id, item: item.id, what, right: right.get(item.id) ?? null }];
    });
  });
}
