import type { Counted, ShapeKind } from './pen';
import { countOf, countShare, KAPPA, lerp, Pen, polygon, regular, softened, within } from './pen';

/** Plain figures, and rectangles with corners of every sort. */

const short = (w: number, h: number) => Math.min(w, h);
const box = (w: number, h: number) =>
  [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ] as const;

/** A rectangle with round corners; the radius is at most half the shorter side. */
export function roundedBox(w: number, h: number, radius: number): string {
  const r = Math.min(radius, w / 2, h / 2);
  if (r <= 0) return polygon(box(w, h));
  const k = r * (1 - KAPPA);
  return new Pen()
    .move(r, 0)
    .line(w - r, 0)
    .curve(w - k, 0, w, k, w, r)
    .line(w, h - r)
    .curve(w, h - k, w - k, h, w - r, h)
    .line(r, h)
    .curve(k, h, 0, h - k, 0, h - r)
    .line(0, r)
    .curve(0, k, k, 0, r, 0)
    .close().d;
}

export const ellipsePath = (w: number, h: number) => new Pen().arc(w / 2, h / 2, w / 2, h / 2, 180, 540).close().d;

/** A rectangle of which the corners named (from the top left, clockwise) are changed, by a handle on the first of them. */
const cornered = (
  name: string,
  which: readonly number[],
  make: (w: number, h: number, r: number, which: readonly number[]) => string,
): ShapeKind => ({
  name,
  start: [0.35],
  handles: (w, h, [a]) => {
    const r = a * short(w, h) * 0.5;
    return [[r, 0] as const, [w - r, 0] as const, [w - r, h] as const, [r, h] as const]
      .slice(which[0], which[0] + 1)
      .map(([x, y]) => ({ x, y }));
  },
  path: (w, h, [a]) => make(w, h, a * short(w, h) * 0.5, which),
  inside: (w, h, [a]) => {
    const cut = (a * short(w, h) * 0.5 * 0.3) / Math.max(1, short(w, h));
    return within(w, h, (cut * short(w, h)) / Math.max(1, w), (cut * short(w, h)) / Math.max(1, h));
  },
});

const roundAt = (w: number, h: number, r: number, which: readonly number[]) =>
  softened(
    box(w, h),
    [0, 1, 2, 3].map((i) => (which.includes(i) ? r : 0)),
  );

function cutAt(w: number, h: number, r: number, which: readonly number[]): string {
  const corners = box(w, h).flatMap(([x, y], i) => {
    if (!which.includes(i)) return [[x, y] as const];
    const [sx, sy] = [x === 0 ? 1 : -1, y === 0 ? 1 : -1];
    const [across, down] = [[x + sx * r, y] as const, [x, y + sy * r] as const];
    return i % 2 === 0 ? [down, across] : [across, down];
  });
  return polygon(corners);
}

function scoopedAt(w: number, h: number, r: number): string {
  return new Pen()
    .arc(0, 0, r, r, 90, 0)
    .arc(w, 0, r, r, 180, 90)
    .arc(w, h, r, r, 270, 180)
    .arc(0, h, r, r, 360, 270)
    .close().d;
}

/** The thickness of a cross's bars against its size. */
const bar = (a: number) => lerp(0.06, 0.94, a);

const sided = (name: string, sides: number, inset: number): ShapeKind => ({
  name,
  path: (w, h) => polygon(regular(w, h, sides)),
  inside: (w, h) => within(w, h, inset),
});

const SIDES: Counted = { at: 0, name: 'sides', least: 3, most: 12 };

export const PLAIN = {
  rectangle: {
    name: 'rectangle',
    ratio: 1.3,
    start: [0],
    handles: (w, h, [a]) => [{ x: a * short(w, h) * 0.5, y: 0 }],
    path: (w, h, [a]) => roundedBox(w, h, a * short(w, h) * 0.5),
    inside: (w, h) => within(w, h, 0),
  },
  ellipse: { name: 'oval', ratio: 1.25, path: ellipsePath, inside: (w, h) => within(w, h, 0.146) },
  triangle: {
    name: 'triangle',
    start: [0.5],
    handles: (w, _h, [a]) => [{ x: w * a, y: 0 }],
    path: (w, h, [a]) =>
      polygon([
        [w * a, 0],
        [w, h],
        [0, h],
      ]),
    inside: (w, h, [a]) => ({ x: w * a * 0.5, y: h * 0.5, width: w * 0.5, height: h * 0.5 }),
  },
  diamond: {
    name: 'diamond',
    path: (w, h) =>
      polygon([
        [w / 2, 0],
        [w, h / 2],
        [w / 2, h],
        [0, h / 2],
      ]),
    inside: (w, h) => within(w, h, 0.25),
  },
  kite: {
    name: 'kite',
    ratio: 0.75,
    start: [0.35],
    handles: (w, h, [a]) => [{ x: w, y: h * a }],
    path: (w, h, [a]) =>
      polygon([
        [w / 2, 0],
        [w, h * a],
        [w / 2, h],
        [0, h * a],
      ]),
    inside: (w, h, [a]) => ({ x: w * 0.25, y: h * a * 0.5, width: w * 0.5, height: h * 0.5 }),
  },
  slanted: {
    name: 'parallelogram',
    ratio: 1.6,
    start: [0.25],
    handles: (w, _h, [a]) => [{ x: w * a * 0.8, y: 0 }],
    path: (w, h, [a]) =>
      polygon([
        [w * a * 0.8, 0],
        [w, 0],
        [w * (1 - a * 0.8), h],
        [0, h],
      ]),
    inside: (w, h, [a]) => within(w, h, Math.min(0.4, a * 0.5), 0.06),
  },
  trapezium: {
    name: 'trapezium',
    ratio: 1.5,
    start: [0.25],
    handles: (w, _h, [a]) => [{ x: w * a * 0.5, y: 0 }],
    path: (w, h, [a]) =>
      polygon([
        [w * a * 0.5, 0],
        [w * (1 - a * 0.5), 0],
        [w, h],
        [0, h],
      ]),
    inside: (w, h, [a]) => within(w, h, a * 0.3, 0.06),
  },
  polygon: {
    name: 'polygon',
    start: [countShare(SIDES, 7)],
    counted: SIDES,
    handles: (w, h, [a]) => [{ x: lerp(w * 0.2, w * 0.8, a), y: h * 0.5 }],
    path: (w, h, [a]) => polygon(regular(w, h, countOf(SIDES, a))),
    inside: (w, h, [a]) => within(w, h, lerp(0.26, 0.16, a)),
  },
  pentagon: sided('pentagon', 5, 0.2),
  hexagon: {
    name: 'hexagon',
    ratio: 1.15,
    start: [0.5],
    handles: (w, _h, [a]) => [{ x: w * a * 0.5, y: 0 }],
    path: (w, h, [a]) => {
      const x = w * a * 0.5;
      return polygon([
        [x, 0],
        [w - x, 0],
        [w, h / 2],
        [w - x, h],
        [x, h],
        [0, h / 2],
      ]);
    },
    inside: (w, h, [a]) => within(w, h, a * 0.3, 0.08),
  },
  octagon: {
    ...cornered('octagon', [0, 1, 2, 3], cutAt),
    start: [0.58],
  },
  cross: {
    name: 'cross',
    start: [0.34],
    handles: (w, h, [a]) => [{ x: (w - w * bar(a)) / 2, y: (h - h * bar(a)) / 2 }],
    path: (w, h, [a]) => {
      const [x, y] = [(w - w * bar(a)) / 2, (h - h * bar(a)) / 2];
      return polygon([
        [x, 0],
        [w - x, 0],
        [w - x, y],
        [w, y],
        [w, h - y],
        [w - x, h - y],
        [w - x, h],
        [x, h],
        [x, h - y],
        [0, h - y],
        [0, y],
        [x, y],
      ]);
    },
    inside: (w, h, [a]) => within(w, h, 0.04, (1 - bar(a)) / 2),
  },
  pill: {
    name: 'pill',
    ratio: 2.4,
    path: (w, h) => roundedBox(w, h, short(w, h) / 2),
    inside: (w, h) => within(w, h, (0.2 * short(w, h)) / Math.max(1, w), 0.05),
  },
  'round-one': cornered('one round corner', [1], roundAt),
  'round-top': cornered('round at the top', [0, 1], roundAt),
  'round-across': cornered('two round corners across', [0, 2], roundAt),
  'cut-one': cornered('one cut corner', [1], cutAt),
  'cut-top': cornered('cut at the top', [0, 1], cutAt),
  'cut-across': cornered('two cut corners across', [0, 2], cutAt),
  ticket: cornered('ticket', [0], (w, h, r) => scoopedAt(w, h, r)),
  'dog-ear': {
    name: 'page with a dog-ear',
    ratio: 0.8,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w - a * short(w, h) * 0.5, y: 0 }],
    path: (w, h, [a]) => {
      const r = a * short(w, h) * 0.5;
      return (
        polygon([
          [0, 0],
          [w - r, 0],
          [w, r],
          [w, h],
          [0, h],
        ]) +
        new Pen()
          .move(w - r, 0)
          .line(w - r, r)
          .line(w, r).d
      );
    },
    inside: (w, h, [a]) => within(w, h, 0.05, Math.min(0.4, a * 0.3), 0.05, 0.05),
  },
} satisfies Record<string, ShapeKind>;
