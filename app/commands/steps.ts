import { nanoid } from 'nanoid';
import type { Point } from '../../core/geometry/matrix';
import { packed } from '../../core/changes/between';
import type { Change } from '../../core/changes/change';
import type { Item } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { withLook } from '../../core/items/look';
import type { Bench } from '../document/bench';
import { lookKey } from '../document/bench';

/** What the commands of the workbench are put together from. */

export const newId = () => nanoid(12);
export const all = packed;
export const set = (id: string, values: Record<string, unknown>): Change => ({ kind: 'set', id, values });

/** What is added by a student stays the student's own. */
export const touch = (bench: Bench) => (bench.rights.kind === 'all' ? ('fixed' as const) : ('free' as const));

const spotFor = (bench: Bench) => ({ page: bench.page.id, group: bench.entered, behind: null });

/** A new thing in the look that the last of its kind was given; what was asked for expressly stays. */
export function inLastLook<T extends Item>(bench: Bench, item: T, asked: readonly string[] = []): T {
  const look = bench.looks.get(lookKey(item));
  if (!look) return item;
  const values = Object.fromEntries(Object.entries(look.values).filter(([key]) => !asked.includes(key)));
  return withLook(item, { ...look, values }) as T;
}

/** Adds items in front, the first one foremost, and chooses those that were meant. */
export function add(bench: Bench, name: string, items: Item[], choose: string[] = [items[0].id]): boolean {
  const spot = spotFor(bench);
  const made = bench.make(name, all(items.toReversed().map((item) => ({ kind: 'insert', spot, item }))));
  if (made) bench.select(choose);
  return made;
}

/** A place for something new: in the middle of the page, stepped aside while something lies just there. */
export function placeFor(bench: Bench, width: number, height: number, at?: Point): Point {
  const { page } = bench;
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

export const movable = (bench: Bench) => bench.selectedItems.filter((item) => !item.locked);

/** Items in the order in which they lie, front to back. */
export const inOrder = (bench: Bench, ids: readonly string[]) =>
  [...everyItem(bench.page)].filter((item) => ids.includes(item.id));
