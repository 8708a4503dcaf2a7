import { nanoid } from 'nanoid';
import type { Point } from '../../core/geometry/matrix';
import { packed } from '../../core/changes/between';
import type { Change } from '../../core/changes/change';
import type { Item } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { withLook } from '../../core/items/look';
import type { Editor } from '../document/editor';
import { lookKey } from '../document/editor';

/** What the workbench's commands are built from. */

export const newId = () => nanoid(12);
export const all = packed;
export const set = (id: string, values: Record<string, unknown>): Change => ({ kind: 'set', id, values });

/** What a student adds stays theirs to change. */
export const touch = (editor: Editor) => (editor.rights.kind === 'all' ? ('fixed' as const) : ('free' as const));

/** A new item with the last look of its kind. What was asked for explicitly stays. */
export function styledAsLast<T extends Item>(editor: Editor, item: T, asked: readonly string[] = []): T {
  const look = editor.looks.get(lookKey(item));
  if (!look) return item;
  const values = Object.fromEntries(Object.entries(look.values).filter(([key]) => !asked.includes(key)));
  return withLook(item, { ...look, values }) as T;
}

/** Adds items in front, the first one at the very front, and selects those that are named. */
export function add(
  editor: Editor,
  name: string,
  items: Item[],
  choose: readonly string[] = [items[0].id],
  group: string | null = editor.entered,
): boolean {
  const spot = { page: editor.page.id, group, behind: null };
  const made = editor.make(name, all(items.toReversed().map((item) => ({ kind: 'insert', spot, item }))));
  if (made) editor.select(choose);
  return made;
}

/** A place for a new item: the middle of the page, moved aside while something is exactly there. */
export function placeFor(editor: Editor, width: number, height: number, at?: Point): Point {
  const { page } = editor;
  if (at) return { x: at.x - width / 2, y: at.y - height / 2 };
  let x = (page.width - width) / 2;
  let y = (page.height - height) / 2;
  const taken = (px: number, py: number) =>
    page.items.some((item) => isFramed(item) && Math.abs(item.x - px) < 6 && Math.abs(item.y - py) < 6);
  while (taken(x, y) && x < page.width - 20 && y < page.height - 20) {
    x += 16;
    y += 16;
  }
  return { x, y };
}

export const movable = (editor: Editor) => editor.selectedItems.filter((item) => !item.locked);

/** Items in their order, front to back. */
export const inOrder = (editor: Editor, ids: readonly string[]) =>
  everyItem(editor.page).filter((item) => ids.includes(item.id));
