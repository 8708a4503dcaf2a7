import { contains } from '../geometry/box';
import { localBox } from '../geometry/frame';
import type { FramedItem } from '../schema/sheet';
import type { Spot } from './kind';

/** Whether a point is in an item's box. Thin items get extra room, so that a finger can hit them. */
export function nearBox(item: FramedItem, { at, reach }: Spot): boolean {
  const box = localBox(item);
  const room = Math.max(0, reach - Math.min(box.width, box.height) / 2);
  return contains({ x: -room, y: -room, width: box.width + 2 * room, height: box.height + 2 * room }, at);
}
