import type { Point } from '../../core/geometry/matrix';
import { plain, text } from '../../core/sheet/make';
import type { Item, LineItem } from '../../core/sheet/schema';
import { idsWithin } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/layout';
import { roleOf } from '../../core/text/style';
import type { Bench } from './bench';
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
      return { ...item, ...touched, id, from: end(item.from), to: end(item.to) };
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

export function duplicate(bench: Bench): void {
  const items = inOrder(bench, bench.selection);
  if (items.length === 0) return;
  const copies = copied(items, { x: 14, y: 14 }, ownTouch(bench));
  add(
    bench,
    'Duplicate',
    copies,
    copies.map((item) => item.id),
  );
}

const CLIP = 'dappled-margin/items:';
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
  if (!items || items.length === 0) bench.say('What was copied could not be read. Copy it again.');
  else {
    const copies = copied(items, { x: 14, y: 14 }, ownTouch(bench));
    add(
      bench,
      'Paste',
      copies,
      copies.map((item) => item.id),
    );
  }
  return true;
}
export function pasteWords(bench: Bench, words: string): void {
  const body = plain(words.replace(/\r\n?/g, '\n').replace(/\n+$/, '').slice(0, 60_000));
  const { x, y } = placeFor(bench, 260, 60);
  const item = text({ id: newId(), touch: touch(bench), x, y, width: 260, height: 30, body });
  const height = bench.faces ? grownHeight(body, roleOf(bench.sheet, 'body'), item, bench.faces) : item.height;
  add(bench, 'Paste words', [{ ...item, height }]);
}
