import type { Point } from '../../core/geometry/matrix';
import { bodyLength, sliceBody } from '../../core/text/body';
import { text } from '../../core/schema/defaults';
import type { Body, Item, LineItem } from '../../core/schema/sheet';
import { findOn, idsWithin } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/fit';
import { roleOf } from '../../core/text/style';
import type { Bench } from '../document/bench';
import { add, inOrder, newId, placeFor, touch } from './steps';

/** Duplicating, copying and pasting. */

/** Copies of items with new identities; lines between them hold on to the copies. */
export function copied(items: readonly Item[], by: Point, own?: 'free'): Item[] {
  const names = new Map(items.flatMap(idsWithin).map((id) => [id, newId()]));
  const renamed = (item: Item, top: boolean): Item => {
    const id = names.get(item.id)!;
    const touched = own ? { touch: own } : {};
    if (item.kind === 'line') {
      const end = (e: LineItem['from']) => ({
        ...e,
        ...(top && { x: e.x + by.x, y: e.y + by.y }),
        item: e.item === null ? null : (names.get(e.item) ?? e.item),
      });
      const via = item.via.map(({ x, y }) => (top ? { x: x + by.x, y: y + by.y } : { x, y }));
      return { ...item, ...touched, id, from: end(item.from), to: end(item.to), via };
    }
    const moved = top ? { x: item.x + by.x, y: item.y + by.y } : {};
    const plainText = own && item.kind === 'text' ? { blank: false, also: [] } : {};
    if (item.kind === 'group')
      return { ...item, ...touched, ...moved, id, items: item.items.map((part) => renamed(part, false)) };
    return { ...item, ...touched, ...moved, ...plainText, id } as Item;
  };
  return items.map((item) => renamed(item, true));
}

const ownTouch = (bench: Bench) => (bench.rights.kind === 'all' ? undefined : ('free' as const));

/** How far copies are set off from what they were made of. */
const OFFSET = { x: 14, y: 14 };

const cornerOf = (item: Item): Point => (item.kind === 'line' ? item.from : item);

/** The step that the last copies were moved by since: the next ones go on in it. */
function stepOf(bench: Bench, items: readonly Item[]): Point {
  const { repeat } = bench;
  // Only the very things that were made last go on; others, or some of them, start anew.
  const same = repeat?.copies.length === items.length && items.every((item) => repeat.copies.includes(item.id));
  if (!repeat || !same) return OFFSET;
  const [from, to] = [repeat.from, items[0].id].map((id) => findOn(bench.page, id)?.item);
  if (!from || !to) return OFFSET;
  const [a, b] = [cornerOf(from), cornerOf(to)];
  const step = { x: b.x - a.x, y: b.y - a.y };
  return step.x === 0 && step.y === 0 ? OFFSET : step;
}

/** Duplicates what is chosen; done again, the same step is repeated. */
export function duplicate(bench: Bench): void {
  const items = inOrder(bench, bench.selection);
  if (items.length === 0) return;
  const copies = copied(items, stepOf(bench, items), ownTouch(bench));
  const made = add(
    bench,
    'Duplicate',
    copies,
    copies.map((item) => item.id),
  );
  if (made) bench.put({ repeat: { from: items[0].id, copies: copies.map(({ id }) => id) } });
}

/** What things on the clipboard begin with. */
export const CLIP = 'dappled-margin/items:';
export const clipOf = (bench: Bench) => {
  const items = inOrder(bench, bench.selection);
  return items.length > 0 ? CLIP + JSON.stringify(items) : null;
};
export function pasteClip(bench: Bench, clip: string, parse: (json: unknown) => Item[] | null): boolean {
  if (!clip.startsWith(CLIP)) return false;
  let items: Item[] | null = null;
  try {
    items = parse(JSON.parse(clip.slice(CLIP.length)));
  } catch {
    // said below
  }
  if (!items || items.length === 0)
    bench.say('What was copied could not be read, or is more than 500 things. Copy less of it and try again.');
  else {
    const copies = copied(items, OFFSET, ownTouch(bench));
    add(
      bench,
      'Paste',
      copies,
      copies.map((item) => item.id),
    );
  }
  return true;
}

/** Most letters that one paste brings into a box. */
const MOST_WORDS = 60_000;

/** As much of pasted words as a box holds; `cut` says so where that is not all. */
export function asMuchAsFits(body: Body): { body: Body; cut: string | null } {
  if (bodyLength(body) <= MOST_WORDS) return { body, cut: null };
  return {
    body: sliceBody(body, 0, MOST_WORDS),
    cut: `Only the first ${MOST_WORDS.toLocaleString('en')} letters were pasted: a box holds no more.`,
  };
}

/** Words from elsewhere as a box of their own; what a box can't hold is cut, and said. */
export function pasteBody(bench: Bench, pasted: Body): void {
  const { body, cut } = asMuchAsFits(pasted);
  const wide = bodyLength(body) > 400;
  const width = wide ? Math.max(120, bench.page.width - 2 * Math.max(36, bench.page.margin)) : 260;
  const { x, y } = placeFor(bench, width, wide ? bench.page.height - 72 : 60);
  const item = text({ id: newId(), touch: touch(bench), x, y, width, height: 30, body });
  const height = bench.faces
    ? Math.min(7000, grownHeight(body, roleOf(bench.sheet, 'body'), item, bench.faces))
    : item.height;
  // More than a page of words stays in a box of the page's height, where it is seen to overflow.
  const over = height > bench.page.height;
  const made = over
    ? { ...item, y: 36, height: Math.max(60, bench.page.height - 72), fit: 'keep' as const }
    : { ...item, height };
  if (!add(bench, 'Paste words', [made])) return;
  if (cut) bench.say(cut);
  else if (over)
    bench.say(
      'These words need more room than the page has. Split them over several boxes or pages, or make them smaller.',
    );
}
