import { clear, squareWay, wayAround } from '../../geometry/around';
import { around, centre, grown } from '../../geometry/box';
import type { Form } from '../../placement/line';
import { edgeOf, route } from '../../placement/line';
import type { Box, Point } from '../../geometry/matrix';
import type { LineItem, Side } from '../../schema/sheet';

/** How links run between nodes: through none that they do not belong to. */

export type Placed = Box & { form: Form };
type Sides = readonly [Side | null, Side | null];

/** The gap between two levels that a link crosses: where the level it leaves ends, and where the one it comes to begins. */
export type Gap = { end: number; start: number };

export type Wanted = {
  from: Placed;
  to: Placed;
  sides?: Sides;
  route: LineItem['route'];
  gap?: Gap | null;
  /** The area that a detour should stay in. */
  frame: Box;
};

export type Way = {
  via: Point[];
  points: Point[];
  bend: number;
  sides: Sides;
  /** Whether it runs through something, since there is no way around. */
  through: boolean;
};

/** What lies in the way of a link: all of it, or what reaches into a box. */
export type Others = (within?: Box) => readonly Box[];

/** Where a step stands between two levels: nearer to what many links leave from, so that words have room at the other end. */
const STEP = 0.3;
const SIDES: readonly Side[] = ['top', 'right', 'bottom', 'left'];
const FREE: Sides = [null, null];

/** The way of a link: the plain one, or around all others where that would run through them. */
export function wayOf(wanted: Wanted, others: Others): Way {
  for (const way of ways(wanted, others)) if (clear(way.points, others(around(way.points)))) return way;
  return { ...plainWays(wanted)[0], through: true };
}

function* ways(wanted: Wanted, others: Others): Generator<Way> {
  yield* plainWays(wanted);
  const { from, to, sides = FREE, frame } = wanted;
  const near = others(grown(around([centre(from), centre(to)]), 60));
  const all = others();
  for (const within of [frame, undefined])
    for (const boxes of near.length < all.length ? [near, all] : [all])
      for (const margin of [7, 4, 2])
        for (const tried of sides === FREE || wanted.route === 'stepped' ? [FREE] : [sides, FREE]) {
          const way = wayThrough(wanted, tried, { boxes, margin, within });
          if (way) yield way;
        }
  // The sides that face each other are blocked: leave by others.
  for (const start of SIDES)
    for (const end of SIDES) {
      const way = wayThrough({ ...wanted, route: 'straight' }, [start, end], { boxes: all, margin: 2 });
      if (way) yield along(wanted, [start, end], way.via);
    }
}

const endsOf = ({ from, to }: Wanted, [start, end]: Sides, towardsTo: Point, towardsFrom: Point): [Point, Point] => [
  edgeOf(from, from.form, start, towardsTo),
  edgeOf(to, to.form, end, towardsFrom),
];

/** A link led through points. */
function along(wanted: Wanted, sides: Sides, via: Point[], bend = 0.5): Way {
  const [first, last] = [via[0] ?? centre(wanted.to), via[via.length - 1] ?? centre(wanted.from)];
  const [a, b] = endsOf(wanted, sides, first, last);
  const led = wanted.route === 'curved' && via.length > 0 ? rounded([a, ...via, b]) : via;
  return { via: led, points: route(wanted.route, a, b, bend, led, sides).points, bend, sides, through: false };
}

function wayThrough(wanted: Wanted, sides: Sides, ground: Parameters<typeof wayAround>[2]): Way | null {
  if (wanted.route === 'stepped') {
    const via = squareWay(centre(wanted.from), centre(wanted.to), ground);
    return via && along(wanted, FREE, via);
  }
  const [a, b] = endsOf(wanted, sides, centre(wanted.to), centre(wanted.from));
  const via = wayAround(a, b, ground);
  return via && along(wanted, sides, via);
}

/** How far from a corner a curved line begins to turn, in points. */
const TURN = 9;

/** The inner points of a way with each corner as three points, so that a smooth line keeps near to it. */
function rounded(way: readonly Point[]): Point[] {
  const out: Point[] = [];
  for (let i = 1; i < way.length - 1; i++) {
    const at = way[i];
    const towards = (other: Point): Point => {
      const far = Math.hypot(other.x - at.x, other.y - at.y);
      const by = far === 0 ? 0 : Math.min(TURN, far * 0.4) / far;
      return { x: at.x + (other.x - at.x) * by, y: at.y + (other.y - at.y) * by };
    };
    out.push(towards(way[i - 1]), at, towards(way[i + 1]));
  }
  return out;
}

/** Ways with nothing but a bend, the best first; then those that cross the gap between two levels where it is free. */
function plainWays(wanted: Wanted): Way[] {
  const { from, to, sides = FREE, route: kind, gap } = wanted;
  const [start] = sides;
  const plain = (bend: number) => along(wanted, sides, [], bend);
  if (kind === 'straight' && !gap) return [plain(0.5)];
  const [a, b] = endsOf(wanted, sides, centre(to), centre(from));
  const wide = start ? start === 'left' || start === 'right' : Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
  const [leaves, comes] = wide ? [a.x, b.x] : [a.y, b.y];
  const ahead = Math.abs(comes - leaves);
  const crossed: Way[] = [];
  if (gap && kind !== 'stepped') {
    const at = (level: number, point: Point): Point => (wide ? { x: level, y: point.y } : { x: point.x, y: level });
    const via = [
      ...(Math.abs(gap.end - leaves) > 0.5 ? [at(gap.end, a)] : []),
      ...(Math.abs(gap.start - comes) > 0.5 ? [at(gap.start, b)] : []),
    ];
    if (via.length > 0) crossed.push(along(wanted, sides, via));
  }
  if (kind === 'straight') return [plain(0.5), ...crossed];
  if (kind === 'curved') {
    // A way that turns back within the gap swings out no farther than its target.
    const swing = start ? (0.5 * ahead) / Math.max(Math.abs(b.x - a.x), Math.abs(b.y - a.y), 24) : 0.5;
    return [plain(rounding(swing)), ...crossed];
  }
  const bends = [0.5, 0.3, 0.7, 0.85, 0.15];
  if (gap && ahead > 0) bends.unshift(bendFor(gap, leaves, comes));
  return bends.map(plain);
}

function bendFor({ end, start }: Gap, leaves: number, comes: number): number {
  const step = end + (start - end) * STEP;
  return rounding(Math.max(0, Math.min(1, (step - leaves) / (comes - leaves))));
}
const rounding = (bend: number) => Math.round(bend * 1000) / 1000;
