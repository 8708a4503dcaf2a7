import { contains, corners, grown } from './box';
import type { Box, Point } from './matrix';

/** Routes between two points around boxes. */

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

/** The obstacles, and where a route may go. */
export type Ground = {
  boxes: readonly Box[];
  /** The distance a route keeps from them, in points. */
  margin: number;
  /** The area it stays in; anywhere if left out. */
  within?: Box;
};

/** Among more boxes than these, which corners can see each other takes too long to find out. */
const MANY = 40;

/**
 * The points between the ends of a short way from `a` to `b` that keeps its margin from all boxes: the shortest, by A* over the
 * corners that can see each other; among many boxes a square one that is dragged tight. Null when the ends are shut in.
 */
export function wayAround(a: Point, b: Point, ground: Ground): Point[] | null {
  const { boxes, margin, within } = ground;
  const blocks = boxes.map((box) => grown(box, margin));
  const inner = blocks.map((box) => grown(box, -0.5));
  if (clear([a, b], inner)) return [];
  if (boxes.length > MANY) {
    const square = squareWay(a, b, ground, 8);
    return square && pulledTight([a, ...square, b], inner).slice(1, -1);
  }
  const points = [a, b];
  for (const block of blocks)
    for (const corner of corners(block))
      if ((!within || contains(within, corner)) && !inner.some((box) => contains(box, corner))) points.push(corner);
  const best = new Float64Array(points.length).fill(Infinity);
  const done = new Uint8Array(points.length);
  const open = new Open();
  open.push({ at: 0, cost: 0, from: null, wide: null }, distance(a, b));
  for (let step = open.pop(); step; step = open.pop()) {
    if (step.at === 1) return wayOf(step, points).slice(1, -1);
    if (done[step.at]) continue;
    done[step.at] = 1;
    for (let next = 1; next < points.length; next++) {
      if (done[next]) continue;
      // Each corner costs a little, so that of two ways as long the straighter one is taken.
      const cost = step.cost + distance(points[step.at], points[next]) + 2;
      if (best[next] <= cost || !clear([points[step.at], points[next]], inner)) continue;
      best[next] = cost;
      open.push({ at: next, cost, from: step, wide: null }, cost + distance(points[next], b));
    }
  }
  return null;
}

/** A route without unnecessary turns. */
function pulledTight(way: readonly Point[], boxes: readonly Box[]): Point[] {
  const out = [way[0]];
  for (let at = 0; at < way.length - 1;) {
    let next = way.length - 1;
    while (next > at + 1 && !clear([way[at], way[next]], boxes)) next--;
    out.push(way[next]);
    at = next;
  }
  return out;
}

/**
 * The same with horizontal and vertical segments only: A* over the lines along the boxes' edges, where each turn costs as much
 * as `turn` points of length.
 */
export function squareWay(a: Point, b: Point, { boxes, margin, within }: Ground, turn = 40): Point[] | null {
  const blocks = boxes.map((box) => grown(box, margin));
  const sorted = (values: number[], low = -Infinity, high = Infinity) =>
    Float64Array.from(new Set(values.filter((value) => value >= low && value <= high))).sort();
  const xs = sorted(
    [a.x, b.x, (a.x + b.x) / 2, ...blocks.flatMap((box) => [box.x, box.x + box.width])],
    within?.x,
    within && within.x + within.width,
  );
  const ys = sorted(
    [a.y, b.y, (a.y + b.y) / 2, ...blocks.flatMap((box) => [box.y, box.y + box.height])],
    within?.y,
    within && within.y + within.height,
  );
  const [wide, high] = [xs.length, ys.length];
  const start = ys.indexOf(a.y) * wide + xs.indexOf(a.x);
  const goal = ys.indexOf(b.y) * wide + xs.indexOf(b.x);
  if (start < 0 || goal < 0) return null;
  const { right, down } = shutSteps(xs, ys, blocks);
  // By position and direction of arrival: horizontal or vertical.
  const best = new Float64Array(wide * high * 2).fill(Infinity);
  const done = new Uint8Array(wide * high * 2);
  const open = new Open();
  const pointAt = (at: number) => ({ x: xs[at % wide], y: ys[Math.floor(at / wide)] });
  open.push({ at: start, cost: 0, from: null, wide: null }, 0);
  for (let step = open.pop(); step; step = open.pop()) {
    if (step.at === goal) return turnsOf(step, pointAt);
    const state = step.at * 2 + Number(step.wide === true);
    if (step.wide !== null && done[state]) continue;
    done[state] = 1;
    const column = step.at % wide;
    const go = (next: number, shut: number, level: boolean) => {
      if (shut) return;
      const [p, q] = [pointAt(step.at), pointAt(next)];
      const turned = step.wide !== null && step.wide !== level ? turn : 0;
      const cost = step.cost + Math.abs(p.x - q.x) + Math.abs(p.y - q.y) + turned;
      const to = next * 2 + Number(level);
      if (best[to] <= cost) return;
      best[to] = cost;
      open.push({ at: next, cost, from: step, wide: level }, cost + Math.abs(q.x - b.x) + Math.abs(q.y - b.y));
    };
    if (column > 0) go(step.at - 1, right[step.at - 1], true);
    if (column < wide - 1) go(step.at + 1, right[step.at], true);
    if (step.at >= wide) go(step.at - wide, down[step.at - wide], false);
    if (step.at + wide < wide * high) go(step.at + wide, down[step.at], false);
  }
  return null;
}

/** The steps of a grid, to the right of and down from each spot, that run through a box. */
function shutSteps(xs: Float64Array, ys: Float64Array, boxes: readonly Box[]) {
  const right = new Uint8Array(xs.length * ys.length);
  const down = new Uint8Array(xs.length * ys.length);
  for (const { x, y, width, height } of boxes) {
    const [left, top, end, bottom] = [x + 0.5, y + 0.5, x + width - 0.5, y + height - 0.5];
    let first = 0;
    while (first < xs.length - 1 && xs[first + 1] <= left) first++;
    for (let row = 0; row < ys.length; row++) {
      const [here, below] = [ys[row], ys[row + 1]];
      if (here >= bottom) break;
      const across = here > top;
      const along = below > top;
      if (!across && !along) continue;
      for (let column = first; column < xs.length && xs[column] < end; column++) {
        const at = row * xs.length + column;
        if (across && xs[column + 1] > left) right[at] = 1;
        if (along && xs[column] > left) down[at] = 1;
      }
    }
  }
  return { right, down };
}

/** Keeps only the corners of a route. */
function turnsOf(step: Step, pointAt: (at: number) => Point): Point[] {
  const way: Point[] = [];
  for (let at: Step | null = step; at; at = at.from) way.unshift(pointAt(at.at));
  return way.filter(
    (p, i) =>
      i > 0 &&
      i < way.length - 1 &&
      !(way[i - 1].x === p.x && p.x === way[i + 1].x) &&
      !(way[i - 1].y === p.y && p.y === way[i + 1].y),
  );
}
