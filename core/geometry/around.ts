import { contains, corners, grown } from './box';
import type { Box, Point } from './matrix';

/** Ways between two points that go around boxes. */

/** Whether a segment runs through the inside of a box (Liang and Barsky 1984). Asked very often: it allocates nothing. */
export function crosses(a: Point, b: Point, box: Box): boolean {
  const right = box.x + box.width;
  const bottom = box.y + box.height;
  if ((a.x <= box.x && b.x <= box.x) || (a.x >= right && b.x >= right)) return false;
  if ((a.y <= box.y && b.y <= box.y) || (a.y >= bottom && b.y >= bottom)) return false;
  let from = 0;
  let to = 1;
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  if (Math.abs(dx) > 1e-9) {
    const near = (box.x - a.x) / dx;
    const far = (right - a.x) / dx;
    from = Math.max(from, Math.min(near, far));
    to = Math.min(to, Math.max(near, far));
  }
  if (Math.abs(dy) > 1e-9) {
    const near = (box.y - a.y) / dy;
    const far = (bottom - a.y) / dy;
    from = Math.max(from, Math.min(near, far));
    to = Math.min(to, Math.max(near, far));
  }
  return from < to - 1e-9;
}

export const clear = (points: readonly Point[], boxes: readonly Box[]): boolean =>
  points.every((point, i) => i === 0 || !boxes.some((box) => crosses(points[i - 1], point, box)));

type Step = { at: number; cost: number; from: Step | null; wide: boolean | null };

/** A binary heap by cost: the cheapest step first. */
class Open {
  private heap: { rank: number; step: Step }[] = [];
  push(step: Step, rank: number) {
    const { heap } = this;
    let i = heap.push({ rank, step }) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (heap[up].rank <= heap[i].rank) break;
      [heap[up], heap[i]] = [heap[i], heap[up]];
      i = up;
    }
  }
  pop(): Step | undefined {
    const { heap } = this;
    const first = heap[0];
    const last = heap.pop();
    if (!first || !last) return undefined;
    if (heap.length > 0) {
      heap[0] = last;
      for (let i = 0; ;) {
        let low = i;
        for (const child of [2 * i + 1, 2 * i + 2])
          if (child < heap.length && heap[child].rank < heap[low].rank) low = child;
        if (low === i) break;
        [heap[low], heap[i]] = [heap[i], heap[low]];
        i = low;
      }
    }
    return first.step;
  }
}

const wayOf = (step: Step, points: readonly Point[]): Point[] => {
  const out: Point[] = [];
  for (let at: Step | null = step; at; at = at.from) out.unshift(points[at.at]);
  return out;
};
const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

/** Boxes near enough to the way from `a` to `b` to be in it. */
function inTheWay(a: Point, b: Point, boxes: readonly Box[], margin: number): Box[] {
  const reach = Math.max(80, distance(a, b) * 0.5);
  const [left, right] = [Math.min(a.x, b.x) - reach, Math.max(a.x, b.x) + reach];
  const [top, bottom] = [Math.min(a.y, b.y) - reach, Math.max(a.y, b.y) + reach];
  return boxes
    .filter((box) => box.x < right && box.x + box.width > left && box.y < bottom && box.y + box.height > top)
    .map((box) => grown(box, margin));
}

/**
 * The points between the ends of the shortest way from `a` to `b` that keeps `margin` from all boxes: A* over the corners that
 * can see each other. Null when the ends are shut in.
 */
export function wayAround(a: Point, b: Point, boxes: readonly Box[], margin: number): Point[] | null {
  const blocks = inTheWay(a, b, boxes, margin);
  const inner = blocks.map((box) => grown(box, -0.5));
  if (clear([a, b], inner)) return [];
  const points = [a, b];
  for (const block of blocks)
    for (const corner of corners(block)) if (!inner.some((box) => contains(box, corner))) points.push(corner);
  const best = new Map<number, number>();
  const open = new Open();
  open.push({ at: 0, cost: 0, from: null, wide: null }, distance(a, b));
  for (let step = open.pop(); step; step = open.pop()) {
    if (step.at === 1) return wayOf(step, points).slice(1, -1);
    if ((best.get(step.at) ?? Infinity) <= step.cost) continue;
    best.set(step.at, step.cost);
    for (let next = 1; next < points.length; next++) {
      if (next === step.at) continue;
      // Each corner costs a little, so that of two ways as long the straighter one is taken.
      const cost = step.cost + distance(points[step.at], points[next]) + 2;
      if ((best.get(next) ?? Infinity) <= cost || !clear([points[step.at], points[next]], inner)) continue;
      open.push({ at: next, cost, from: step, wide: null }, cost + distance(points[next], b));
    }
  }
  return null;
}

/**
 * The same with level and upright stretches only: A* over the lines along the boxes' edges, where each turn costs as much as
 * `turn` points of way.
 */
export function squareWay(a: Point, b: Point, boxes: readonly Box[], margin: number, turn = 40): Point[] | null {
  const blocks = inTheWay(a, b, boxes, margin);
  const inner = blocks.map((box) => grown(box, -0.5));
  const sorted = (values: number[]) => [...new Set(values)].sort((p, q) => p - q);
  const xs = sorted([a.x, b.x, (a.x + b.x) / 2, ...blocks.flatMap((box) => [box.x, box.x + box.width])]);
  const ys = sorted([a.y, b.y, (a.y + b.y) / 2, ...blocks.flatMap((box) => [box.y, box.y + box.height])]);
  const points = ys.flatMap((y) => xs.map((x) => ({ x, y })));
  const indexOf = (point: Point) => ys.indexOf(point.y) * xs.length + xs.indexOf(point.x);
  const goal = indexOf(b);
  const best = new Map<string, number>();
  const open = new Open();
  open.push({ at: indexOf(a), cost: 0, from: null, wide: null }, 0);
  for (let step = open.pop(); step; step = open.pop()) {
    const key = `${step.at} ${step.wide}`;
    if ((best.get(key) ?? Infinity) <= step.cost) continue;
    best.set(key, step.cost);
    if (step.at === goal) {
      const way = wayOf(step, points);
      // Only the turns stay.
      return way.filter(
        (p, i) =>
          i > 0 &&
          i < way.length - 1 &&
          !(way[i - 1].x === p.x && p.x === way[i + 1].x) &&
          !(way[i - 1].y === p.y && p.y === way[i + 1].y),
      );
    }
    const column = step.at % xs.length;
    for (const [next, wide] of [
      [column > 0 ? step.at - 1 : -1, true],
      [column < xs.length - 1 ? step.at + 1 : -1, true],
      [step.at - xs.length, false],
      [step.at + xs.length, false],
    ] as const) {
      if (next < 0 || next >= points.length) continue;
      if (!clear([points[step.at], points[next]], inner)) continue;
      const [p, q] = [points[step.at], points[next]];
      const cost =
        step.cost + Math.abs(p.x - q.x) + Math.abs(p.y - q.y) + (step.wide !== null && step.wide !== wide ? turn : 0);
      open.push({ at: next, cost, from: step, wide }, cost + Math.abs(q.x - b.x) + Math.abs(q.y - b.y));
    }
  }
  return null;
}
