import { centre, union } from '../../geometry/box';
import type { Box, Point } from '../../geometry/matrix';
import type { Size } from '../kit/measure';
import { tidied } from '../kit/measure';
import type { Laid } from './tree';

/** How far boxes are drawn apart at most where there is room. */
const MOST = 1.5;

/** Where each node goes in the frame: in the middle, and drawn apart in both directions if there is room. */
export function stretchedInto(frame: Size, laid: Laid, boxes: ReadonlyMap<string, Box>): (id: string) => Box {
  const pins = pinsOf(laid, boxes);
  const spans = (along: 'x' | 'y', across: 'width' | 'height') =>
    [...boxes].map(([id, box]): Span => ({ start: box[along], size: box[across], pin: pins.get(id)![along] }));
  const sx = laid.boxes ? 1 : stretch(frame.width, spans('x', 'width'));
  const sy = laid.boxes ? 1 : stretch(frame.height, spans('y', 'height'));
  const moved = (id: string): Box => {
    const [box, pin] = [boxes.get(id)!, pins.get(id)!];
    return { ...box, x: box.x + pin.x * (sx - 1), y: box.y + pin.y * (sy - 1) };
  };
  const after = union([...boxes.keys()].map(moved));
  const [dx, dy] = [(frame.width - after.width) / 2 - after.x, (frame.height - after.height) / 2 - after.y];
  return (id) => {
    const to = moved(id);
    return { ...to, x: tidied(to.x + dx), y: tidied(to.y + dy) };
  };
}

/**
 * The point of each box that is drawn apart from the others: its middle, but the boxes of a level stay lined up, and a list that
 * a bracket holds stays together with its head.
 */
function pinsOf({ links, levels }: Laid, boxes: ReadonlyMap<string, Box>): Map<string, Point> {
  const pins = new Map<string, Point>();
  const starts = new Map<number, number>();
  for (const [id, level] of levels?.of ?? [])
    if (boxes.has(id)) starts.set(level, Math.min(starts.get(level) ?? Infinity, boxes.get(id)![levels!.axis]));
  for (const [id, box] of boxes) {
    const level = levels?.of.get(id);
    pins.set(id, { ...centre(box), ...(level !== undefined && { [levels!.axis]: starts.get(level) }) });
  }
  const heads = new Map((links ?? []).flatMap(({ bracket, from, to }) => (bracket ? [[to, from]] : [])));
  for (const id of heads.keys()) {
    let head = id;
    while (heads.has(head)) head = heads.get(head)!;
    const pin = pins.get(head);
    if (pin) pins.set(id, pin);
  }
  return pins;
}

type Span = { start: number; size: number; pin: number };

/** The most that boxes can be drawn apart in one direction before one leaves the frame. */
function stretch(room: number, spans: readonly Span[]): number {
  const extent = (by: number) => {
    let [least, most] = [Infinity, -Infinity];
    for (const { start, size, pin } of spans) {
      const first = start + pin * (by - 1);
      least = Math.min(least, first);
      most = Math.max(most, first + size);
    }
    return most - least;
  };
  if (extent(1) > room) return 1;
  if (extent(MOST) <= room) return MOST;
  let [low, high] = [1, MOST];
  for (let step = 0; step < 12; step++) {
    const by = (low + high) / 2;
    if (extent(by) <= room) low = by;
    else high = by;
  }
  return low;
}
