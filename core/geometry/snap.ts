import type { Box } from './matrix';

/** Snapping a dragged box to edges and centres, and the guides that show to what. */

export type Guide = { axis: 'x' | 'y'; at: number; from: number; to: number };
export type Snap = { dx: number; dy: number; guides: Guide[] };

type Lines = { start: number; middle: number; end: number };
const across = (box: Box): Lines => ({ start: box.x, middle: box.x + box.width / 2, end: box.x + box.width });
const down = (box: Box): Lines => ({ start: box.y, middle: box.y + box.height / 2, end: box.y + box.height });

export type SnapTargets = { x: { at: number; box: Box }[]; y: { at: number; box: Box }[] };

/** Prepared once when a drag begins: the lines of all boxes that stay, sorted. */
export function snapTargets(boxes: readonly Box[]): SnapTargets {
  const lines = (of: (box: Box) => Lines) =>
    boxes.flatMap((box) => Object.values(of(box)).map((at) => ({ at, box }))).sort((a, b) => a.at - b.at);
  return { x: lines(across), y: lines(down) };
}

/** The targets within reach of a position; the list is sorted, so a search finds the first. */
function* near(targets: readonly { at: number; box: Box }[], position: number, reach: number) {
  let low = 0;
  let high = targets.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (targets[mid].at < position - reach) low = mid + 1;
    else high = mid;
  }
  for (; low < targets.length && targets[low].at <= position + reach; low++) yield targets[low];
}

function nearest(lines: Lines, targets: readonly { at: number; box: Box }[], reach: number): number {
  let best = Infinity;
  for (const position of Object.values(lines))
    for (const target of near(targets, position, reach)) {
      const move = target.at - position;
      if (Math.abs(move) < Math.abs(best)) best = move;
    }
  return best === Infinity ? 0 : best;
}

/** How far a box has to move to meet a line within `reach`, never further, and the guides it then lies on. */
export function snap(box: Box, targets: SnapTargets, reach: number): Snap {
  const dx = nearest(across(box), targets.x, reach);
  const dy = nearest(down(box), targets.y, reach);
  const at = { ...box, x: box.x + dx, y: box.y + dy };
  const guides: Guide[] = [];
  const add = (axis: 'x' | 'y', lines: Lines, list: SnapTargets['x'], start: 'x' | 'y', size: 'width' | 'height') => {
    for (const position of Object.values(lines)) {
      const met = [...near(list, position, 0.01)].map((target) => target.box);
      if (met.length === 0) continue;
      const ends = [at, ...met];
      guides.push({
        axis,
        at: position,
        from: Math.min(...ends.map((b) => b[start])),
        to: Math.max(...ends.map((b) => b[start] + b[size])),
      });
    }
  };
  add('x', across(at), targets.x, 'y', 'height');
  add('y', down(at), targets.y, 'x', 'width');
  return { dx, dy, guides };
}
