import { partOf } from '../pictures/picture';
import { onItem, WHOLE } from '../pictures/frame';
import type { Pictures } from '../pictures/picture';
import { hundredths as f } from '../values/hundredths';
import type { End, FramedItem, Item, LineItem, Page, Side } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { findOn } from '../sheet/tree';
import { frameMatrix } from '../geometry/frame';
import { crossings, flatten } from '../geometry/flatten';
import type { Rings } from '../geometry/flatten';
import type { ShapeName } from '../geometry/shapes/shapes';
import { shapePath, valuesOf } from '../geometry/shapes/shapes';
import { pageMatrix, parentMatrix } from './on-page';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { compose, IDENTITY, inverse, transform } from '../geometry/matrix';

/** Where lines run: their ends follow what they are attached to. All results in the coordinates of the line's parent. */

export type Route = { points: Point[]; d: string; startAngle: number; endAngle: number };

/** A named part of a picture, or a spot given as @ and percentages across and down, in the item's local coordinates. */
export function targetPoint(item: Item, target: string, pictures: Pictures): Point | undefined {
  const spot = /^@([\d.]+),([\d.]+)$/.exec(target);
  if (spot && isFramed(item)) {
    const at = { x: Number(spot[1]) / 100, y: Number(spot[2]) / 100 };
    if (item.kind === 'picture') return onItem(item, WHOLE, at);
    return { x: at.x * item.width, y: at.y * item.height };
  }
  if (item.kind !== 'picture') return undefined;
  const picture = pictures(item.picture);
  const found = partOf(picture, target);
  return picture && found && onItem(item, picture, found);
}

/** Where the ray from the middle of a box towards a point leaves the box, or the ellipse in it. */
function edgePoint(width: number, height: number, towards: Point, round: boolean): Point {
  const [hw, hh] = [width / 2, height / 2];
  const [dx, dy] = [towards.x - hw, towards.y - hh];
  if (dx === 0 && dy === 0) return { x: hw, y: hh };
  const scale = round
    ? 1 / Math.hypot(dx / Math.max(hw, 0.01), dy / Math.max(hh, 0.01))
    : Math.min(dx === 0 ? Infinity : hw / Math.abs(dx), dy === 0 ? Infinity : hh / Math.abs(dy));
  return { x: hw + dx * Math.min(1, scale), y: hh + dy * Math.min(1, scale) };
}

/** The middle of a side of a box. */
const sidePoint = (width: number, height: number, side: Side): Point =>
  side === 'top'
    ? { x: width / 2, y: 0 }
    : side === 'bottom'
      ? { x: width / 2, y: height }
      : side === 'left'
        ? { x: 0, y: height / 2 }
        : { x: width, y: height / 2 };

/** What a line ends on: a box, the oval in it, or any outline in the coordinates of the box. */
export type Form = 'box' | 'oval' | Rings;

export function formOf(shape: ShapeName, width: number, height: number, adjust: readonly number[]): Form {
  if (shape === 'ellipse') return 'oval';
  const square = shape === 'rectangle' && valuesOf(shape, adjust)[0] === 0;
  return square ? 'box' : flatten(shapePath(shape, width, height, adjust));
}

const forms = new WeakMap<FramedItem, Form>();

function formOfItem(item: FramedItem): Form {
  if (item.kind !== 'shape') return 'box';
  let form = forms.get(item);
  if (!form) forms.set(item, (form = formOf(item.shape, item.width, item.height, item.adjust)));
  return form;
}

/** Where a line towards a point ends on a form in a box: at the nearest spot, or on the way to the middle of a side. */
export function edgeOf({ x, y, width, height }: Box, form: Form, side: Side | null, towards: Point): Point {
  const aim = side ? sidePoint(width, height, side) : { x: towards.x - x, y: towards.y - y };
  const met = typeof form === 'string' ? null : outermost(form, { x: width / 2, y: height / 2 }, aim);
  const local = met ?? (side ? aim : edgePoint(width, height, aim, form === 'oval'));
  return { x: x + local.x, y: y + local.y };
}

/** Where a line from outside meets an outline first: farthest from the middle. Null where it meets nothing. */
function outermost(outline: Rings, middle: Point, aim: Point): Point | null {
  const far = Math.max(...crossings(outline, middle, aim).filter((t) => t <= 1 + 1e-6));
  return Number.isFinite(far) ? { x: lerp(middle.x, aim.x, far), y: lerp(middle.y, aim.y, far) } : null;
}

/** Where an end holds on: the point, in coordinates of the line's parent, and the item with the map from its own to those. */
type Anchor = { point: Point; item: FramedItem | null; matrix: Matrix; exact: boolean };

function anchor(page: Page, line: LineItem, end: End, pictures: Pictures): Anchor {
  const held = end.item === null ? undefined : findOn(page, end.item);
  if (!held || !isFramed(held.item)) return { point: end, item: null, matrix: IDENTITY, exact: true };
  const { item } = held;
  // Most lines lie beside what they hold on to: then the groups around both need not be gone through.
  const beside = held.groups.at(-1) === findOn(page, line.id)?.groups.at(-1);
  const matrix = beside ? frameMatrix(item) : compose(inverse(parentMatrix(page, line.id)), pageMatrix(page, item));
  const target = end.target === null ? undefined : targetPoint(item, end.target, pictures);
  const local = target ?? { x: item.width / 2, y: item.height / 2 };
  return { point: transform(matrix, local), item, matrix, exact: target !== undefined };
}

/** Both ends of a line as they stand now. */
export function lineEnds(page: Page, line: LineItem, pictures: Pictures): { from: Point; to: Point } {
  const [from, to] = [line.from, line.to].map((end) => anchor(page, line, end, pictures));
  const spot = ({ point, item, matrix, exact }: Anchor, towards: Point, side: Side | null): Point => {
    if (!item || exact) return point;
    const box = { x: 0, y: 0, width: item.width, height: item.height };
    return transform(matrix, edgeOf(box, formOfItem(item), side, transform(inverse(matrix), towards)));
  };
  // A line that is led through points aims at the nearest of them.
  return {
    from: spot(from, line.via[0] ?? to.point, line.from.side),
    to: spot(to, line.via.at(-1) ?? from.point, line.to.side),
  };
}

const degrees = (a: Point, b: Point) => (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;

const lerp = (a: number, b: number, t: number) => a + (b - a) * t;
const isWide = (from: Point, to: Point) => Math.abs(to.x - from.x) >= Math.abs(to.y - from.y);

type Sides = readonly [Side | null, Side | null];

/** The unit step out of a box through a side. */
const OUT: Record<Side, Point> = {
  top: { x: 0, y: -1 },
  right: { x: 1, y: 0 },
  bottom: { x: 0, y: 1 },
  left: { x: -1, y: 0 },
};

/** How far a line runs straight out of a side before it turns back, in points. */
const CLEARANCE = 12;

/** The turns of a stepped line. */
function steps(from: Point, to: Point, bend: number, [start, end]: Sides): Point[] {
  if (start && start === end) {
    const out = OUT[start];
    if (out.x !== 0) {
      const x = out.x < 0 ? Math.min(from.x, to.x) - CLEARANCE : Math.max(from.x, to.x) + CLEARANCE;
      return [
        { x, y: from.y },
        { x, y: to.y },
      ];
    }
    const y = out.y < 0 ? Math.min(from.y, to.y) - CLEARANCE : Math.max(from.y, to.y) + CLEARANCE;
    return [
      { x: from.x, y },
      { x: to.x, y },
    ];
  }
  if (start && end && (OUT[start].x === 0) !== (OUT[end].x === 0))
    return [OUT[start].x !== 0 ? { x: to.x, y: from.y } : { x: from.x, y: to.y }];
  const wide = start ? OUT[start].x !== 0 : isWide(from, to);
  const middle = wide ? lerp(from.x, to.x, bend) : lerp(from.y, to.y, bend);
  return wide
    ? [
        { x: middle, y: from.y },
        { x: middle, y: to.y },
      ]
    : [
        { x: from.x, y: middle },
        { x: to.x, y: middle },
      ];
}

/** The control points of a curved line. */
function controls(from: Point, to: Point, bend: number, [start, end]: Sides): [Point, Point] {
  const pulled = (at: Point, side: Side) => {
    const reach = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y), 24) * bend;
    return { x: at.x + OUT[side].x * reach, y: at.y + OUT[side].y * reach };
  };
  const wide = isWide(from, to);
  return [
    start
      ? pulled(from, start)
      : wide
        ? { x: lerp(from.x, to.x, bend), y: from.y }
        : { x: from.x, y: lerp(from.y, to.y, bend) },
    end ? pulled(to, end) : wide ? { x: lerp(to.x, from.x, bend), y: to.y } : { x: to.x, y: lerp(to.y, from.y, bend) },
  ];
}

const chainPath = (points: readonly Point[]) => points.map((p, i) => `${i ? 'L' : 'M'}${f(p.x)} ${f(p.y)}`).join('');

/** A smooth line through the middles of a chain's stretches. */
function smooth(chain: readonly Point[]): { points: Point[]; d: string } {
  const middle = (a: Point, b: Point) => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const last = chain.length - 1;
  const points = [chain[0]];
  let d = `M${f(chain[0].x)} ${f(chain[0].y)}`;
  for (let i = 1; i < last; i++) {
    const start = points[points.length - 1];
    const stop = i === last - 1 ? chain[last] : middle(chain[i], chain[i + 1]);
    d += `Q${f(chain[i].x)} ${f(chain[i].y)} ${f(stop.x)} ${f(stop.y)}`;
    for (let step = 1; step <= 6; step++) {
      const t = step / 6;
      const at = (a: number, b: number, c: number) => (1 - t) ** 2 * a + 2 * (1 - t) * t * b + t * t * c;
      points.push({ x: at(start.x, chain[i].x, stop.x), y: at(start.y, chain[i].y, stop.y) });
    }
  }
  return { points, d };
}

/**
 * The way of a line between two points. Angles are the directions in which it arrives at either end. `bend`, 0 to 1: where
 * a stepped line has its step, and how far a curved one runs straight on before it turns. `via` are points on the way, `sides`
 * those of the boxes that it leaves and arrives at.
 */
export function route(
  kind: LineItem['route'],
  from: Point,
  to: Point,
  bend = 0.5,
  via: readonly Point[] = [],
  sides: Sides = [null, null],
): Route {
  const ended = (points: Point[], d: string, first: Point, last: Point): Route => ({
    points,
    d,
    startAngle: degrees(first, from),
    endAngle: degrees(last, to),
  });
  if (via.length > 0) {
    const chain = [from, ...via, to];
    const { points, d } = kind === 'curved' ? smooth(chain) : { points: chain, d: chainPath(chain) };
    return ended(points, d, via[0], via[via.length - 1]);
  }
  if (kind === 'stepped') {
    const turns = steps(from, to, bend, sides);
    const points = [from, ...turns, to];
    return ended(points, chainPath(points), turns[0], turns[turns.length - 1]);
  }
  if (kind === 'curved') {
    const [c1, c2] = controls(from, to, bend, sides);
    const points = Array.from({ length: 13 }, (_, i) => {
      const t = i / 12;
      const at = (a: number, b: number, c: number, d: number) =>
        (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t * t * c + t ** 3 * d;
      return { x: at(from.x, c1.x, c2.x, to.x), y: at(from.y, c1.y, c2.y, to.y) };
    });
    const d = `M${f(from.x)} ${f(from.y)}C${f(c1.x)} ${f(c1.y)} ${f(c2.x)} ${f(c2.y)} ${f(to.x)} ${f(to.y)}`;
    return ended(points, d, c1, c2);
  }
  return ended([from, to], chainPath([from, to]), to, from);
}

/** The way of a line item between its ends as they stand. */
export const wayOfLine = (line: LineItem, from: Point, to: Point): Route =>
  route(line.route, from, to, line.bend, line.via, [line.from.side, line.to.side]);

/** Where the handle for a line's bend stands; a straight line has none. */
export function bendPoint(kind: LineItem['route'], from: Point, to: Point, bend: number): Point | null {
  if (kind === 'straight') return null;
  const wide = isWide(from, to);
  if (kind === 'stepped')
    return wide
      ? { x: lerp(from.x, to.x, bend), y: (from.y + to.y) / 2 }
      : { x: (from.x + to.x) / 2, y: lerp(from.y, to.y, bend) };
  return wide ? { x: lerp(from.x, to.x, bend), y: from.y } : { x: from.x, y: lerp(from.y, to.y, bend) };
}

/** The bend at which that handle stands nearest to a point. */
export function bendAt(from: Point, to: Point, { x, y }: Point): number {
  const wide = isWide(from, to);
  const [start, end, at] = wide ? [from.x, to.x, x] : [from.y, to.y, y];
  return end === start ? 0.5 : Math.round(Math.max(0, Math.min(1, (at - start) / (end - start))) * 1000) / 1000;
}

/** The distance of a point from a chain of segments. */
export function distanceTo(points: readonly Point[], { x, y }: Point): number {
  let best = Infinity;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    const length = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length));
    best = Math.min(best, Math.hypot(a.x + t * (b.x - a.x) - x, a.y + t * (b.y - a.y) - y));
  }
  return best;
}
