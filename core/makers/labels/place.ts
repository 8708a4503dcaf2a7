import type { Point } from '../../geometry/matrix';

/**
 * Labels in columns beside a picture, each joined to its spot by a straight leader.
 *
 * Boundary labelling with straight leaders, after M. Bekos, M. Kaufmann, A. Symvonis and A. Wolff: Boundary Labeling: Models
 * and Efficient Algorithms for Rectangular Maps (2007): of all assignments of labels to places along the sides, one of least
 * total leader length has no two leaders that cross, since crossing ones could be exchanged and would get shorter. It is found
 * as a matching of least cost (H. Kuhn 1955, in the O(n³) form by J. Munkres 1957). The labels of a side are then drawn level
 * with their spots as far as their order allows (pool adjacent violators), where that crosses nothing and shortens the whole.
 */
export type Wanted = {
  spot: Point;
  width: number;
  height: number;
  /** How far below its middle the leader ends; 0 where nothing is said. */
  port?: number;
};
export type Column = {
  side: 'left' | 'right';
  /** Where leaders end: the edge of the labels towards the picture. */ x: number;
};
export type LabelPlace = { column: number; /** The middle of the label, down. */ y: number };

type Slot = { column: number; y: number };

/** Places along both columns, equally far apart, as many as the tallest label allows. */
function slotsFor(wanted: readonly Wanted[], columns: readonly Column[], height: number, gap: number): Slot[] {
  const tallest = Math.max(...wanted.map((label) => label.height));
  const count = Math.floor((height + gap) / (tallest + gap));
  const step = height / Math.max(1, count);
  return columns.flatMap((_, column) => Array.from({ length: count }, (_, i) => ({ column, y: step * (i + 0.5) })));
}

/**
 * The assignment of rows to columns of least total cost; there are at least as many columns as rows. Gives the column of each
 * row. (The shortest augmenting path form, with potentials.)
 */
export function leastMatching(cost: readonly (readonly number[])[]): number[] {
  const rows = cost.length;
  const columns = cost[0]?.length ?? 0;
  const u = new Array<number>(rows + 1).fill(0);
  const v = new Array<number>(columns + 1).fill(0);
  const rowOf = new Array<number>(columns + 1).fill(0);
  const way = new Array<number>(columns + 1).fill(0);
  for (let i = 1; i <= rows; i++) {
    rowOf[0] = i;
    let j = 0;
    const least = new Array<number>(columns + 1).fill(Infinity);
    const used = new Array<boolean>(columns + 1).fill(false);
    do {
      used[j] = true;
      const row = rowOf[j];
      let delta = Infinity;
      let next = 0;
      for (let k = 1; k <= columns; k++) {
        if (used[k]) continue;
        const reduced = cost[row - 1][k - 1] - u[row] - v[k];
        if (reduced < least[k]) {
          least[k] = reduced;
          way[k] = j;
        }
        if (least[k] < delta) {
          delta = least[k];
          next = k;
        }
      }
      for (let k = 0; k <= columns; k++)
        if (used[k]) {
          u[rowOf[k]] += delta;
          v[k] -= delta;
        } else least[k] -= delta;
      j = next;
    } while (rowOf[j] !== 0);
    do {
      const before = way[j];
      rowOf[j] = rowOf[before];
      j = before;
    } while (j !== 0);
  }
  const out = new Array<number>(rows).fill(-1);
  for (let k = 1; k <= columns; k++) if (rowOf[k] > 0) out[rowOf[k] - 1] = k - 1;
  return out;
}

const turn = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** Whether two segments cross at a point inside both. */
export const crossing = ([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): boolean =>
  turn(a, b, c) * turn(a, b, d) < -1e-6 && turn(c, d, a) * turn(c, d, b) < -1e-6;

export const crossings = (leaders: readonly (readonly [Point, Point])[]): number =>
  leaders.reduce((sum, one, i) => sum + leaders.slice(i + 1).filter((other) => crossing(one, other)).length, 0);

const lengthOf = ([a, b]: readonly [Point, Point]) => Math.hypot(a.x - b.x, a.y - b.y);

/** Middles as near to what is wanted as their order and their heights allow: least squares by pooling. */
function levelled(wanted: readonly { y: number; height: number }[], room: number, gap: number): number[] {
  // In terms of the place of each label were all before it of no height, only the order is left to keep.
  let sum = 0;
  const before = wanted.map(({ height }) => {
    const at = sum + height / 2;
    sum += height + gap;
    return at;
  });
  const spare = Math.max(0, room - (sum - gap));
  type Pool = { total: number; count: number };
  const pools: Pool[] = [];
  wanted.forEach(({ y }, i) => {
    pools.push({ total: y - before[i], count: 1 });
    for (let last = pools.length - 1; last > 0; last--) {
      const [a, b] = [pools[last - 1], pools[last]];
      if (a.total / a.count <= b.total / b.count) break;
      pools.splice(last - 1, 2, { total: a.total + b.total, count: a.count + b.count });
    }
  });
  return pools
    .flatMap(({ total, count }) => new Array<number>(count).fill(Math.max(0, Math.min(spare, total / count))))
    .map((offset, i) => offset + before[i]);
}

/**
 * Where each label goes, or null for those that have no room. `height` is that of the columns; spots are in the same
 * coordinates, y down from the columns' top.
 */
export function placeLabels(
  wanted: readonly Wanted[],
  columns: readonly Column[],
  height: number,
  gap: number,
): (LabelPlace | null)[] {
  if (wanted.length === 0) return [];
  const slots = slotsFor(wanted, columns, height, gap);
  // What has no room is left out from the end: the order of the list is the teacher's.
  const placed = wanted.slice(0, slots.length);
  if (placed.length === 0) return wanted.map(() => null);
  const leaderTo = (label: Wanted, { column, y }: Slot): [Point, Point] => [
    label.spot,
    { x: columns[column].x, y: y + (label.port ?? 0) },
  ];
  const matched = leastMatching(placed.map((label) => slots.map((slot) => lengthOf(leaderTo(label, slot)))));
  const first = matched.map((slot) => slots[slot]);
  const total = (places: readonly Slot[]) =>
    placed.reduce((sum, label, i) => sum + lengthOf(leaderTo(label, places[i])), 0);
  const crossed = (places: readonly Slot[]) => crossings(placed.map((label, i) => leaderTo(label, places[i])));
  let best: Slot[] = first;
  for (const column of columns.keys()) {
    const order = [...placed.keys()].filter((i) => best[i].column === column).sort((a, b) => best[a].y - best[b].y);
    const ys = levelled(
      order.map((i) => ({ y: placed[i].spot.y - (placed[i].port ?? 0), height: placed[i].height })),
      height,
      gap,
    );
    const next = best.slice();
    order.forEach((i, n) => (next[i] = { column, y: ys[n] }));
    if (crossed(next) === 0 && total(next) < total(best)) best = next;
  }
  return wanted.map((_, i) => best[i] ?? null);
}
