import { hundredths as f } from '../../values/hundredths';
import type { Box, Point } from '../matrix';

/** What the outlines of shapes are written with: SVG path data of absolute M, L, C and Z alone, in points. */

/** A quarter of a circle as one cubic has its handles at this share of the radius. */
export const KAPPA = 0.5523;

export const radians = (degrees: number) => (degrees * Math.PI) / 180;
export const lerp = (from: number, to: number, t: number) => from + (to - from) * t;

/** A point on an ellipse; degrees clockwise from the right. */
export const onEllipse = (cx: number, cy: number, rx: number, ry: number, degrees: number): Point => ({
  x: cx + rx * Math.cos(radians(degrees)),
  y: cy + ry * Math.sin(radians(degrees)),
});

export class Pen {
  d = '';
  move(x: number, y: number): this {
    this.d += `M${f(x)} ${f(y)}`;
    return this;
  }
  line(x: number, y: number): this {
    this.d += `L${f(x)} ${f(y)}`;
    return this;
  }
  curve(x1: number, y1: number, x2: number, y2: number, x: number, y: number): this {
    this.d += `C${f(x1)} ${f(y1)} ${f(x2)} ${f(y2)} ${f(x)} ${f(y)}`;
    return this;
  }
  /** A stretch of an ellipse from one angle to another, either way round; begins with a line to it unless it is first. */
  arc(cx: number, cy: number, rx: number, ry: number, from: number, to: number): this {
    const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / 90));
    const step = radians((to - from) / pieces);
    const k = (4 / 3) * Math.tan(step / 4);
    const start = onEllipse(cx, cy, rx, ry, from);
    if (this.d === '' || this.d.endsWith('Z')) this.move(start.x, start.y);
    else this.line(start.x, start.y);
    for (let i = 0; i < pieces; i++) {
      const [a, b] = [radians(from) + i * step, radians(from) + (i + 1) * step];
      this.curve(
        cx + rx * (Math.cos(a) - k * Math.sin(a)),
        cy + ry * (Math.sin(a) + k * Math.cos(a)),
        cx + rx * (Math.cos(b) + k * Math.sin(b)),
        cy + ry * (Math.sin(b) - k * Math.cos(b)),
        cx + rx * Math.cos(b),
        cy + ry * Math.sin(b),
      );
    }
    return this;
  }
  close(): this {
    this.d += 'Z';
    return this;
  }
}

export type Corner = readonly [x: number, y: number];

export function polygon(corners: readonly Corner[]): string {
  const pen = new Pen();
  corners.forEach(([x, y], i) => (i ? pen.line(x, y) : pen.move(x, y)));
  return pen.close().d;
}

/** A polygon whose corners are rounded off, each by at most half of its shorter side. */
export function softened(corners: readonly Corner[], radius: number | readonly number[]): string {
  const pen = new Pen();
  corners.forEach(([x, y], i) => {
    const [px, py] = corners[(i + corners.length - 1) % corners.length];
    const [nx, ny] = corners[(i + 1) % corners.length];
    const [before, after] = [Math.hypot(px - x, py - y), Math.hypot(nx - x, ny - y)];
    const r = Math.min(typeof radius === 'number' ? radius : radius[i], before / 2, after / 2);
    const at = (ax: number, ay: number, length: number, way: number): Corner =>
      length === 0 ? [x, y] : [x + ((ax - x) / length) * way, y + ((ay - y) / length) * way];
    const [start, end] = [at(px, py, before, r), at(nx, ny, after, r)];
    if (i) pen.line(...start);
    else pen.move(...start);
    if (r > 0) pen.curve(...at(px, py, before, r * (1 - KAPPA)), ...at(nx, ny, after, r * (1 - KAPPA)), ...end);
  });
  return pen.close().d;
}

/** A closed smooth line through points: a Catmull-Rom spline as cubics. */
export function smooth(points: readonly Point[]): string {
  const pen = new Pen().move(points[0].x, points[0].y);
  const at = (i: number) => points[(i + points.length) % points.length];
  points.forEach((p, i) => {
    const [before, next, after] = [at(i - 1), at(i + 1), at(i + 2)];
    pen.curve(
      p.x + (next.x - before.x) / 6,
      p.y + (next.y - before.y) / 6,
      next.x - (after.x - p.x) / 6,
      next.y - (after.y - p.y) / 6,
      next.x,
      next.y,
    );
  });
  return pen.close().d;
}

/** Corners on two ellipses in turn, the first one at the top. */
export const starCorners = (w: number, h: number, tips: number, inner: number): Corner[] =>
  Array.from({ length: tips * 2 }, (_, i) => {
    const r = i % 2 === 0 ? 1 : inner;
    const p = onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, (i * 180) / tips - 90);
    return [p.x, p.y] as const;
  });

export const regular = (w: number, h: number, sides: number, turn = -90): Corner[] =>
  Array.from({ length: sides }, (_, i) => {
    const p = onEllipse(w / 2, h / 2, w / 2, h / 2, (i * 360) / sides + turn);
    return [p.x, p.y] as const;
  });

/** The box that is left of a width and height when a share of each is taken off: left, top, right, bottom. */
export const within = (w: number, h: number, left: number, top = left, right = left, bottom = top): Box => ({
  x: w * left,
  y: h * top,
  width: Math.max(0, w * (1 - left - right)),
  height: Math.max(0, h * (1 - top - bottom)),
});

/** A value that stands for a whole number, such as of sides: which one, what is counted, and what 0 and 1 stand for. */
export type Counted = { at: number; name: string; least: number; most: number };

/** The whole number that a value stands for. */
export const countOf = ({ least, most }: Counted, value: number) => least + Math.round(value * (most - least));
export const countShare = ({ least, most }: Counted, count: number) => (count - least) / (most - least);

export type ShapeKind = {
  /** What it is called in lists. */
  name: string;
  /** Width to height when it is first put down. */
  ratio?: number;
  /** The values of its handles when it is first put down, each 0 to 1. */
  start?: readonly number[];
  /** Where its handles stand for given values, in its own box. */
  handles?: (w: number, h: number, a: readonly number[]) => Point[];
  counted?: Counted;
  /** Its values for its one handle where that reaches anywhere: they go beyond 0 and 1. */
  reached?: (w: number, h: number, at: Point) => number[];
  path(w: number, h: number, a: readonly number[]): string;
  /** The box that its words are set in. */
  inside(w: number, h: number, a: readonly number[]): Box;
  /** Strokes only: there is nothing to fill. */
  open?: true;
  /** Its values are corners, as many as there are. */
  corners?: true;
};
