import type { Handle } from './resize';
import type { Box } from './matrix';

/** Drawing a dragged box to edges, centres, guides, the grid and equal gaps, and what shows to what. */

export type Guide = { axis: 'x' | 'y'; at: number; from: number; to: number };
/** Gaps of one size along an axis: each runs from `from` to `to`, drawn at `at` across. In points. */
export type Gaps = { axis: 'x' | 'y'; size: number; at: number; spans: { from: number; to: number }[] };
export type Snap = { dx: number; dy: number; guides: Guide[]; gaps: Gaps[] };

type Axis = 'x' | 'y';
type Mark = { at: number; box: Box | null };
/** Starts and ends of boxes along an axis, one after the other: read thousands of times a second. */
type Edges = { start: Float64Array; end: Float64Array };
export type SnapTargets = { x: Mark[]; y: Mark[]; edges: Record<Axis, Edges>; grid: number };

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
  const edges = (axis: Axis): Edges => ({
    start: Float64Array.from(boxes, (box) => startOf(box, axis)),
    end: Float64Array.from(boxes, (box) => endOf(box, axis)),
  });
  return { x: marks('x'), y: marks('y'), edges: { x: edges('x'), y: edges('y') }, grid };
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
function equalGaps(box: Box, targets: SnapTargets, axis: Axis): Wanted[] {
  const { start, end } = targets.edges[axis];
  const beside = targets.edges[OTHER[axis]];
  const [low, high] = [startOf(box, OTHER[axis]), endOf(box, OTHER[axis])];
  const middle = startOf(box, axis) + box[SIDE[axis]] / 2;
  // The nearest things abreast of it on either side, then the nearest beyond those.
  let left = -1;
  let right = -1;
  const abreast: number[] = [];
  for (let i = 0; i < start.length; i++) {
    if (beside.start[i] >= high || beside.end[i] <= low) continue;
    abreast.push(i);
    if (end[i] <= middle) {
      if (left < 0 || end[i] > end[left]) left = i;
    } else if (start[i] >= middle && (right < 0 || start[i] < start[right])) right = i;
  }
  let beyondLeft = -1;
  let beyondRight = -1;
  for (const i of abreast) {
    if (left >= 0 && end[i] <= start[left] && (beyondLeft < 0 || end[i] > end[beyondLeft])) beyondLeft = i;
    if (right >= 0 && start[i] >= end[right] && (beyondRight < 0 || start[i] < start[beyondRight])) beyondRight = i;
  }
  const wanted: Wanted[] = [];
  const length = box[SIDE[axis]];
  if (left >= 0 && right >= 0) {
    const size = (start[right] - end[left] - length) / 2;
    const at = end[left] + size;
    if (size >= 0)
      wanted.push({
        start: at,
        size,
        spans: [
          { from: end[left], to: at },
          { from: at + length, to: start[right] },
        ],
      });
  }
  if (beyondLeft >= 0) {
    const size = start[left] - end[beyondLeft];
    const at = end[left] + size;
    wanted.push({
      start: at,
      size,
      spans: [
        { from: end[beyondLeft], to: start[left] },
        { from: end[left], to: at },
      ],
    });
  }
  if (beyondRight >= 0) {
    const size = start[beyondRight] - end[right];
    const at = start[right] - size - length;
    wanted.push({
      start: at,
      size,
      spans: [
        { from: at + length, to: start[right] },
        { from: end[right], to: start[beyondRight] },
      ],
    });
  }
  return wanted;
}

function moveAlong(box: Box, targets: SnapTargets, axis: Axis, reach: number): number {
  let best = nearest(marksOf(box, axis), targets[axis], targets.grid, reach);
  for (const { start } of equalGaps(box, targets, axis)) {
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
  let [dx, dy] = [0, 0];
  let at = box;
  // Moved along one axis it may stand abreast of other things, and have equal gaps with them along the other.
  for (let step = 0; step < 4; step++) {
    const within = (moved: number, by: number) => (Math.abs(moved + by) <= reach ? by : 0);
    const [x, y] = [within(dx, moveAlong(at, targets, 'x', reach)), within(dy, moveAlong(at, targets, 'y', reach))];
    if (x === 0 && y === 0) break;
    [dx, dy] = [dx + x, dy + y];
    at = { ...box, x: box.x + dx, y: box.y + dy };
  }
  const guides = (['x', 'y'] as const).flatMap((axis) => guidesAt(at, marksOf(at, axis), axis, targets[axis]));
  const gaps = (['x', 'y'] as const).flatMap((axis): Gaps[] => {
    const side = OTHER[axis];
    return equalGaps(at, targets, axis)
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
