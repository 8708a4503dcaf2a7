import type { Handle } from './resize';
import type { Box } from './matrix';

/** Drawing a dragged box to edges, centres, guides, the grid and equal gaps, and what shows to what. */

export type Guide = { axis: 'x' | 'y'; at: number; from: number; to: number };
/** Gaps of one size along an axis: each runs from `from` to `to`, drawn at `at` across. In points. */
export type Gaps = { axis: 'x' | 'y'; size: number; at: number; spans: { from: number; to: number }[] };
export type Snap = { dx: number; dy: number; guides: Guide[]; gaps: Gaps[] };

type Axis = 'x' | 'y';
type Mark = { at: number; box: Box | null };
export type SnapTargets = { x: Mark[]; y: Mark[]; boxes: readonly Box[]; grid: number };

const SIDE = { x: 'width', y: 'height' } as const;
const OTHER = { x: 'y', y: 'x' } as const;
const startOf = (box: Box, axis: Axis) => box[axis];
const endOf = (box: Box, axis: Axis) => box[axis] + box[SIDE[axis]];
const marksOf = (box: Box, axis: Axis): number[] => [
  startOf(box, axis),
  (startOf(box, axis) + endOf(box, axis)) / 2,
  endOf(box, axis),
];

/**
 * Prepared once when a drag begins. `boxes` are the things that stay, which gaps are measured between; `frames` such as the
 * page and its margin give lines only; `own` are the page's guides and `grid` its mesh in points, 0 for none.
 */
export function snapTargets(
  boxes: readonly Box[],
  frames: readonly Box[] = [],
  own: readonly { axis: Axis; at: number }[] = [],
  grid = 0,
): SnapTargets {
  const marks = (axis: Axis): Mark[] =>
    [
      ...[...boxes, ...frames].flatMap((box) => marksOf(box, axis).map((at) => ({ at, box }))),
      ...own.filter((guide) => guide.axis === axis).map(({ at }) => ({ at, box: null })),
    ].sort((a, b) => a.at - b.at);
  return { x: marks('x'), y: marks('y'), boxes, grid };
}

/** The marks within reach of a position; the list is sorted, so a search finds the first. */
function near(marks: readonly Mark[], position: number, reach: number): readonly Mark[] {
  let low = 0;
  let high = marks.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (marks[mid].at < position - reach) low = mid + 1;
    else high = mid;
  }
  const from = low;
  while (low < marks.length && marks[low].at <= position + reach) low++;
  return marks.slice(from, low);
}

/** The shortest move of one of the positions onto a mark or the grid; Infinity for none within reach. */
function nearest(positions: readonly number[], marks: readonly Mark[], grid: number, reach: number): number {
  let best = Infinity;
  for (const position of positions) {
    for (const { at } of near(marks, position, reach))
      if (Math.abs(at - position) < Math.abs(best)) best = at - position;
    if (grid > 0) {
      const move = Math.round(position / grid) * grid - position;
      // Things go before the grid where both are as near.
      if (Math.abs(move) <= reach && Math.abs(move) < Math.abs(best) - 1e-6) best = move;
    }
  }
  return best;
}

type Wanted = { start: number; size: number; spans: { from: number; to: number }[] };

/** Where the box would have equal gaps with its neighbours along an axis: between two of them, or going on as they stand. */
function equalGaps(box: Box, boxes: readonly Box[], axis: Axis): Wanted[] {
  const side = OTHER[axis];
  const [low, high] = [startOf(box, side), endOf(box, side)];
  // The things abreast of it, before and behind; of each side only the nearest two matter.
  const before: Box[] = [];
  const after: Box[] = [];
  const middle = startOf(box, axis) + box[SIDE[axis]] / 2;
  for (const other of boxes) {
    if (startOf(other, side) >= high || endOf(other, side) <= low) continue;
    if (endOf(other, axis) <= middle) before.push(other);
    else if (startOf(other, axis) >= middle) after.push(other);
  }
  before.sort((a, b) => endOf(b, axis) - endOf(a, axis));
  after.sort((a, b) => startOf(a, axis) - startOf(b, axis));
  const wanted: Wanted[] = [];
  const length = box[SIDE[axis]];
  const [left, right] = [before[0], after[0]];
  if (left && right) {
    const size = (startOf(right, axis) - endOf(left, axis) - length) / 2;
    const start = endOf(left, axis) + size;
    if (size >= 0)
      wanted.push({
        start,
        size,
        spans: [
          { from: endOf(left, axis), to: start },
          { from: start + length, to: startOf(right, axis) },
        ],
      });
  }
  const beyondLeft = left && before.find((other) => endOf(other, axis) <= startOf(left, axis));
  if (left && beyondLeft) {
    const size = startOf(left, axis) - endOf(beyondLeft, axis);
    const start = endOf(left, axis) + size;
    wanted.push({
      start,
      size,
      spans: [
        { from: endOf(beyondLeft, axis), to: startOf(left, axis) },
        { from: endOf(left, axis), to: start },
      ],
    });
  }
  const beyondRight = right && after.find((other) => startOf(other, axis) >= endOf(right, axis));
  if (right && beyondRight) {
    const size = startOf(beyondRight, axis) - endOf(right, axis);
    const start = startOf(right, axis) - size - length;
    wanted.push({
      start,
      size,
      spans: [
        { from: start + length, to: startOf(right, axis) },
        { from: endOf(right, axis), to: startOf(beyondRight, axis) },
      ],
    });
  }
  return wanted;
}

function moveAlong(box: Box, targets: SnapTargets, axis: Axis, reach: number): number {
  let best = nearest(marksOf(box, axis), targets[axis], targets.grid, reach);
  for (const { start } of equalGaps(box, targets.boxes, axis)) {
    const move = start - box[axis];
    if (Math.abs(move) <= reach && Math.abs(move) < Math.abs(best) - 1e-6) best = move;
  }
  return best === Infinity ? 0 : best;
}

/** The guides that some positions of a box lie on. */
function guidesAt(box: Box, positions: readonly number[], axis: Axis, marks: readonly Mark[]): Guide[] {
  const side = OTHER[axis];
  return positions.flatMap((position): Guide[] => {
    const met = near(marks, position, 0.01);
    if (met.length === 0) return [];
    const ends = [box, ...met.flatMap((mark) => mark.box ?? [])];
    return [
      {
        axis,
        at: position,
        from: Math.min(...ends.map((b) => startOf(b, side))),
        to: Math.max(...ends.map((b) => endOf(b, side))),
      },
    ];
  });
}

/** How far a box has to move to meet what is within `reach`, never further, and the guides and gaps it then agrees with. */
export function snap(box: Box, targets: SnapTargets, reach: number): Snap {
  const dx = moveAlong(box, targets, 'x', reach);
  const dy = moveAlong(box, targets, 'y', reach);
  const at = { ...box, x: box.x + dx, y: box.y + dy };
  const guides = (['x', 'y'] as const).flatMap((axis) => guidesAt(at, marksOf(at, axis), axis, targets[axis]));
  const gaps = (['x', 'y'] as const).flatMap((axis): Gaps[] => {
    const side = OTHER[axis];
    return equalGaps(at, targets.boxes, axis)
      .filter(({ start, size }) => Math.abs(start - at[axis]) < 0.01 && size > 0.5)
      .map(({ size, spans }) => ({ axis, size, spans, at: startOf(at, side) + at[SIDE[side]] / 2 }));
  });
  return { dx, dy, guides, gaps };
}

/** The same for the sides of an upright box that a handle pulls; the other sides stay. */
export function snapSides(box: Box, handle: Handle, targets: SnapTargets, reach: number): Snap {
  const pulled = (axis: Axis) => (handle[axis] === 0 ? [] : [handle[axis] < 0 ? startOf(box, axis) : endOf(box, axis)]);
  const move = (axis: Axis) => {
    const best = nearest(pulled(axis), targets[axis], targets.grid, reach);
    return best === Infinity ? 0 : best;
  };
  const [dx, dy] = [move('x'), move('y')];
  const guides = (['x', 'y'] as const).flatMap((axis) =>
    guidesAt(
      box,
      pulled(axis).map((at) => at + (axis === 'x' ? dx : dy)),
      axis,
      targets[axis],
    ),
  );
  return { dx, dy, guides, gaps: [] };
}
