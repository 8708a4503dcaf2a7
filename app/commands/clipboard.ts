import type { Point } from '../../core/geometry/matrix';
import { bodyLength, sliceBody } from '../../core/text/body';
import { text } from '../../core/schema/defaults';
import type { TextBody, Item, LineItem } from '../../core/schema/sheet';
import { findOn, idsWithin } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/fit';
import { roleOf } from '../../core/text/style';
import type { Editor } from '../document/editor';
import { add, inOrder, newId, placeFor, touch } from './steps';

/** Duplicating, copying and pasting. */

/** Copies of items with new ids. Lines between them attach to the copies. */
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

const ownTouch = (editor: Editor) => (editor.rights.kind === 'all' ? undefined : ('free' as const));

/** How far copies are placed from their originals. */
const OFFSET = { x: 14, y: 14 };

const cornerOf = (item: Item): Point => (item.kind === 'line' ? item.from : item);

/** How far the last copies were moved since: the next ones repeat that step. */
function stepOf(editor: Editor, items: readonly Item[]): Point {
  const { repeat } = editor;
  // Only exactly the last copies repeat the step. Others, or some of them, start again.
  const same = repeat?.copies.length === items.length && items.every((item) => repeat.copies.includes(item.id));
  if (!repeat || !same) return OFFSET;
  const [from, to] = [repeat.from, items[0].id].map((id) => findOn(editor.page, id)?.item);
  if (!from || !to) return OFFSET;
  const [a, b] = [cornerOf(from), cornerOf(to)];
  const step = { x: b.x - a.x, y: b.y - a.y };
  return step.x === 0 && step.y === 0 ? OFFSET : step;
}

/** Duplicates the selection. Again, it repeats the same step. */
export function duplicate(editor: Editor): void {
  const items = inOrder(editor, editor.selection);
  if (items.length === 0) return;
  const copies = copied(items, stepOf(editor, items), ownTouch(editor));
  const made = add(
    editor,
    'Duplicate',
    copies,
    copies.map((item) => item.id),
  );
  if (made) editor.put({ repeat: { from: items[0].id, copies: copies.map(({ id }) => id) } });
}

/** How our items on the clipboard begin. */
export const CLIP = 'dappled-margin/items:';
export const clipOf = (editor: Editor) => {
  const items = inOrder(editor, editor.selection);
  return items.length > 0 ? CLIP + JSON.stringify(items) : null;
};
export function pasteClip(editor: Editor, clip: string, parse: (json: unknown) => Item[] | null): boolean {
  if (!clip.startsWith(CLIP)) return false;
  let items: Item[] | null = null;
  try {
    items = parse(JSON.parse(clip.slice(CLIP.length)));
  } catch {
    // said below
  }
  if (!items || items.length === 0)
    editor.say('What was copied could not be read, or is more than 500 things. Copy less of it and try again.');
  else {
    const copies = copied(items, OFFSET, ownTouch(editor));
    add(
      editor,
      'Paste',
      copies,
      copies.map((item) => item.id),
    );
  }
  return true;
}

/** Most letters that one paste puts into a box. */
const MOST_WORDS = 60_000;

/** As much of the pasted text as a box holds. `cut` is a message if some of it was left out. */
export function asMuchAsFits(body: TextBody): { body: TextBody; cut: string | null } {
  if (bodyLength(body) <= MOST_WORDS) return { body, cut: null };
  return {
    body: sliceBody(body, 0, MOST_WORDS),
    cut: `Only the first ${MOST_WORDS.toLocaleString('en')} letters were pasted: a box holds no more.`,
  };
}

/** Text from elsewhere as a new box. What a box can't hold is left out, with a message. */
export function pasteBody(editor: Editor, pasted: TextBody): void {
  const { body, cut } = asMuchAsFits(pasted);
  const wide = bodyLength(body) > 400;
  const width = wide ? Math.max(120, editor.page.width - 2 * Math.max(36, editor.page.margin)) : 260;
  const { x, y } = placeFor(editor, width, wide ? editor.page.height - 72 : 60);
  const item = text({ id: newId(), touch: touch(editor), x, y, width, height: 30, body });
  const height = editor.faces
    ? Math.min(7000, grownHeight(body, roleOf(editor.sheet, 'body'), item, editor.faces))
    : item.height;
  // More than a page of text stays in a box of the page's height, where its overflow shows.
  const over = height > editor.page.height;
  const made = over
    ? { ...item, y: 36, height: Math.max(60, editor.page.height - 72), fit: 'keep' as const }
    : { ...item, height };
  if (!add(editor, 'Paste words', [made])) return;
  if (cut) editor.say(cut);
  else if (over)
    editor.say(
      'These words need more room than the page has. Split them over several boxes or pages, or make them smaller.',
    );
}
