import type { Pictures } from '../drawing/picture';
import type { End, Item, LineItem, Page } from '../sheet/schema';
import { isFramed } from '../sheet/schema';
import { findOn } from '../sheet/tree';
import { pageMatrix, parentMatrix } from './frame';
import type { Point } from './matrix';
import { inverse, transform } from './matrix';

/** Where lines run: their ends follow what they are attached to. All results in the coordinates of the line's parent. */

export type Route = { points: Point[]; d: string; startAngle: number; endAngle: number };

/** A named target of a picture in the picture item's local coordinates. */
export function targetPoint(item: Item, target: string, pictures: Pictures): Point | undefined {
  if (item.kind !== 'picture') return undefined;
  const picture = pictures(item.picture);
  const found = picture?.targets.find((t) => t.name === target);
  return picture && found && { x: (found.x / picture.width) * item.width, y: (found.y / picture.height) * item.height };
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

function anchor(page: Page, end: End, pictures: Pictures): { point: Point; item: Item | null; exact: boolean } {
  const item = end.item === null ? undefined : findOn(page, end.item)?.item;
  if (!item || !isFramed(item)) return { point: end, item: null, exact: true };
  const target = end.target === null ? undefined : targetPoint(item, end.target, pictures);
  const local = target ?? { x: item.width / 2, y: item.height / 2 };
  return { point: transform(pageMatrix(page, item), local), item, exact: target !== undefined };
}

/** Both ends of a line as they stand now. */
export function lineEnds(page: Page, line: LineItem, pictures: Pictures): { from: Point; to: Point } {
  const outer = parentMatrix(page, line.id);
  const back = inverse(outer);
  const ends = [line.from, line.to].map((end) => {
    const found = anchor(page, end, pictures);
    return found.item ? found : { ...found, point: transform(outer, end) };
  });
  const place = (end: (typeof ends)[number], other: (typeof ends)[number]): Point => {
    if (!end.item || end.exact || !isFramed(end.item)) return transform(back, end.point);
    const matrix = pageMatrix(page, end.item);
    const round = end.item.kind === 'shape' && end.item.shape === 'ellipse';
    const towards = transform(inverse(matrix), other.point);
    return transform(back, transform(matrix, edgePoint(end.item.width, end.item.height, towards, round)));
  };
  return { from: place(ends[0], ends[1]), to: place(ends[1], ends[0]) };
}

const f = (n: number) => `${Math.round(n * 100) / 100}`;
const degrees = (a: Point, b: Point) => (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;

const lerp = (a: number, b: number, t: number) => a + (b - a) * t;
const isWide = (from: Point, to: Point) => Math.abs(to.x - from.x) >= Math.abs(to.y - from.y);

/**
 * The way of a line between two points. Angles are the directions in which it arrives at either end. `bend`, 0 to 1: where
 * a stepped line has its step, and how far a curved one runs straight on before it turns.
 */
export function route(kind: LineItem['route'], from: Point, to: Point, bend = 0.5): Route {
  if (kind === 'stepped') {
    const wide = isWide(from, to);
    const middle = wide ? lerp(from.x, to.x, bend) : lerp(from.y, to.y, bend);
    const points = wide
      ? [from, { x: middle, y: from.y }, { x: middle, y: to.y }, to]
      : [from, { x: from.x, y: middle }, { x: to.x, y: middle }, to];
    return {
      points,
      d: points.map((p, i) => `${i ? 'L' : 'M'}${f(p.x)} ${f(p.y)}`).join(''),
      startAngle: degrees(points[1], from),
      endAngle: degrees(points[2], to),
    };
  }
  if (kind === 'curved') {
    const wide = isWide(from, to);
    const c1 = wide ? { x: lerp(from.x, to.x, bend), y: from.y } : { x: from.x, y: lerp(from.y, to.y, bend) };
    const c2 = wide ? { x: lerp(to.x, from.x, bend), y: to.y } : { x: to.x, y: lerp(to.y, from.y, bend) };
    const points = Array.from({ length: 13 }, (_, i) => {
      const t = i / 12;
      const at = (a: number, b: number, c: number, d: number) =>
        (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t * t * c + t ** 3 * d;
      return { x: at(from.x, c1.x, c2.x, to.x), y: at(from.y, c1.y, c2.y, to.y) };
    });
    return {
      points,
      d: `M${f(from.x)} ${f(from.y)}C${f(c1.x)} ${f(c1.y)} ${f(c2.x)} ${f(c2.y)} ${f(to.x)} ${f(to.y)}`,
      startAngle: degrees(c1, from),
      endAngle: degrees(c2, to),
    };
  }
  return {
    points: [from, to],
    d: `M${f(from.x)} ${f(from.y)}L${f(to.x)} ${f(to.y)}`,
    startAngle: degrees(to, from),
    endAngle: degrees(from, to),
  };
}

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
