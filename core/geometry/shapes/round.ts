import type { Counted, ShapeKind } from './pen';
import { countOf, lerp, onEllipse, Pen, polygon, smooth, softened, starCorners, within } from './pen';
import { ellipsePath } from './plain';

/** Round figures, stars and wheels, and things from outdoors. */

const ringed = (w: number, h: number, a: number) => ({
  rx: (w / 2) * (1 - a),
  ry: (h / 2) * (1 - a),
});

const star = (name: string, tips: number, inner: number): ShapeKind => ({
  name,
  start: [inner],
  handles: (w, h, [a]) => {
    const r = lerp(0.15, 0.98, a);
    return [onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, 180 / tips - 90)];
  },
  path: (w, h, [a]) => polygon(starCorners(w, h, tips, lerp(0.15, 0.98, a))),
  inside: (w, h, [a]) => within(w, h, lerp(0.36, 0.18, a)),
});

/** A wheel of lobes: round ones for a flower, square ones for a gear. */
function lobes(w: number, h: number, count: number, depth: number, square: boolean): string {
  const step = 360 / count;
  const inner = 1 - depth;
  const at = (r: number, degrees: number) => onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, degrees - 90);
  if (!square)
    return smooth(
      Array.from({ length: count * 4 }, (_, i) =>
        at([1, 0.93 - depth * 0.1, inner, 0.93 - depth * 0.1][i % 4], (i * step) / 4),
      ),
    );
  const corners = Array.from({ length: count }, (_, i) => {
    const middle = i * step;
    return (
      [
        [inner, -0.32],
        [1, -0.2],
        [1, 0.2],
        [inner, 0.32],
      ] as const
    ).map(([r, off]) => {
      const p = at(r, middle + off * step);
      return [p.x, p.y] as const;
    });
  });
  return polygon(corners.flat());
}

/** Half the sweep of a part of a ring, in degrees. */
const ringReach = (b: number) => lerp(20, 176, b);

const PETALS: Counted = { at: 1, name: 'petals', least: 4, most: 14 };
const TEETH: Counted = { at: 1, name: 'teeth', least: 6, most: 20 };
const petals = (b: number) => countOf(PETALS, b);
const teeth = (b: number) => countOf(TEETH, b);

export const ROUND = {
  ring: {
    name: 'ring',
    start: [0.3],
    handles: (w, h, [a]) => [{ x: w * 0.5 * lerp(0.05, 0.95, a), y: h / 2 }],
    path: (w, h, [a]) => {
      const { rx, ry } = ringed(w, h, lerp(0.05, 0.95, a));
      return `${ellipsePath(w, h)}${new Pen().arc(w / 2, h / 2, rx, ry, 360, 0).close().d}`;
    },
    inside: (w, h, [a]) => within(w, h, lerp(0.18, 0.45, a)),
  },
  'ring-sector': {
    name: 'part of a ring',
    start: [0.45, 0.62],
    handles: (w, h, [a, b]) => {
      const r = 1 - lerp(0.08, 0.9, a);
      return [
        onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, -90 - ringReach(b)),
        onEllipse(w / 2, h / 2, w / 2, h / 2, -90 + ringReach(b)),
      ];
    },
    path: (w, h, [a, b]) => {
      const { rx, ry } = ringed(w, h, lerp(0.08, 0.9, a));
      const reach = ringReach(b);
      return new Pen()
        .arc(w / 2, h / 2, w / 2, h / 2, -90 - reach, -90 + reach)
        .arc(w / 2, h / 2, rx, ry, -90 + reach, -90 - reach)
        .close().d;
    },
    inside: (w, h) => within(w, h, 0.28, 0.02, 0.28, 0.7),
  },
  pie: {
    name: 'slice',
    start: [0.75],
    handles: (w, h, [a]) => [onEllipse(w / 2, h / 2, w / 2, h / 2, -90 + Math.max(3, a * 357))],
    path: (w, h, [a]) =>
      new Pen()
        .move(w / 2, h / 2)
        .arc(w / 2, h / 2, w / 2, h / 2, -90, -90 + Math.max(3, a * 357))
        .close().d,
    inside: (w, h) => within(w, h, 0.2, 0.3),
  },
  'half-round': {
    name: 'half circle',
    ratio: 2,
    path: (w, h) => new Pen().arc(w / 2, h, w / 2, h, 180, 360).close().d,
    inside: (w, h) => within(w, h, 0.16, 0.3, 0.16, 0.04),
  },
  quarter: {
    name: 'quarter circle',
    path: (w, h) => new Pen().move(0, h).line(0, 0).arc(0, h, w, h, -90, 0).close().d,
    inside: (w, h) => within(w, h, 0.06, 0.32, 0.32, 0.06),
  },
  crescent: {
    name: 'crescent',
    ratio: 0.62,
    start: [0.45],
    handles: (w, h, [a]) => [{ x: w * lerp(0.12, 0.92, a), y: h / 2 }],
    path: (w, h, [a]) => {
      const x = w * (1 - lerp(0.12, 0.92, a));
      return new Pen()
        .arc(w, h / 2, w, h / 2, 270, 90)
        .arc(w, h / 2, x, h / 2, 90, 270)
        .close().d;
    },
    inside: (w, h, [a]) => within(w, h, 0.08, 0.3, 1 - lerp(0.14, 0.8, a), 0.3),
  },
  drop: {
    name: 'drop',
    ratio: 0.72,
    path: (w, h) =>
      new Pen()
        .move(w / 2, 0)
        .curve(w * 0.6, h * 0.22, w, h * 0.42, w, h - w / 2 < h * 0.3 ? h * 0.6 : h * 0.66)
        .curve(w, h * 0.88, w * 0.78, h, w / 2, h)
        .curve(w * 0.22, h, 0, h * 0.88, 0, h * 0.66)
        .curve(0, h * 0.42, w * 0.4, h * 0.22, w / 2, 0)
        .close().d,
    inside: (w, h) => within(w, h, 0.17, 0.42, 0.17, 0.12),
  },
  egg: {
    name: 'egg',
    ratio: 0.76,
    path: (w, h) =>
      new Pen()
        .move(w / 2, 0)
        .curve(w * 0.8, 0, w, h * 0.36, w, h * 0.6)
        .curve(w, h * 0.84, w * 0.78, h, w / 2, h)
        .curve(w * 0.22, h, 0, h * 0.84, 0, h * 0.6)
        .curve(0, h * 0.36, w * 0.2, 0, w / 2, 0)
        .close().d,
    inside: (w, h) => within(w, h, 0.17, 0.25, 0.17, 0.15),
  },
  pebble: {
    name: 'pebble',
    ratio: 1.3,
    path: (w, h) =>
      smooth(
        (
          [
            [0.12, 0.2],
            [0.45, 0.0],
            [0.86, 0.12],
            [1, 0.52],
            [0.82, 0.93],
            [0.4, 1],
            [0.05, 0.78],
            [0.0, 0.46],
          ] as const
        ).map(([x, y]) => ({ x: x * w, y: y * h })),
      ),
    inside: (w, h) => within(w, h, 0.14, 0.16),
  },
  heart: {
    name: 'heart',
    ratio: 1.08,
    path: (w, h) =>
      new Pen()
        .move(w / 2, h)
        .curve(w * 0.28, h * 0.78, 0, h * 0.56, 0, h * 0.29)
        .curve(0, h * 0.1, w * 0.13, 0, w * 0.27, 0)
        .curve(w * 0.37, 0, w * 0.46, h * 0.06, w / 2, h * 0.19)
        .curve(w * 0.54, h * 0.06, w * 0.63, 0, w * 0.73, 0)
        .curve(w * 0.87, 0, w, h * 0.1, w, h * 0.29)
        .curve(w, h * 0.56, w * 0.72, h * 0.78, w / 2, h)
        .close().d,
    inside: (w, h) => within(w, h, 0.17, 0.2, 0.17, 0.36),
  },
  star: star('star', 5, 0.32),
  'star-four': star('sparkle', 4, 0.2),
  'star-six': star('star of six', 6, 0.5),
  'star-eight': star('star of eight', 8, 0.6),
  seal: star('seal', 20, 0.82),
  sunburst: star('burst', 13, 0.6),
  flower: {
    name: 'flower',
    start: [0.35, 0.4],
    counted: PETALS,
    handles: (w, h, [a, b]) => [
      onEllipse(
        w / 2,
        h / 2,
        (w / 2) * (1 - lerp(0.08, 0.6, a)),
        (h / 2) * (1 - lerp(0.08, 0.6, a)),
        180 / petals(b) - 90,
      ),
      { x: lerp(w * 0.3, w * 0.7, b), y: h / 2 },
    ],
    path: (w, h, [a, b]) => lobes(w, h, petals(b), lerp(0.08, 0.6, a), false),
    inside: (w, h, [a]) => within(w, h, lerp(0.18, 0.36, a)),
  },
  gear: {
    name: 'gear',
    start: [0.3, 0.45],
    counted: TEETH,
    handles: (w, h, [a, b]) => [
      onEllipse(
        w / 2,
        h / 2,
        (w / 2) * (1 - lerp(0.06, 0.5, a)),
        (h / 2) * (1 - lerp(0.06, 0.5, a)),
        180 / teeth(b) - 90,
      ),
      { x: lerp(w * 0.3, w * 0.7, b), y: h / 2 },
    ],
    path: (w, h, [a, b]) => lobes(w, h, teeth(b), lerp(0.06, 0.5, a), true),
    inside: (w, h, [a]) => within(w, h, lerp(0.2, 0.36, a)),
  },
  sun: {
    name: 'sun',
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w * 0.5 * (1 + lerp(0.3, 0.8, a)), y: h / 2 }],
    path: (w, h, [a]) => {
      const r = lerp(0.3, 0.8, a);
      const disc = new Pen().arc(w / 2, h / 2, (w / 2) * r, (h / 2) * r, 0, 360).close().d;
      const rays = Array.from({ length: 12 }, (_, i) => {
        const tip = onEllipse(w / 2, h / 2, w / 2, h / 2, i * 30);
        const at = (off: number) =>
          onEllipse(w / 2, h / 2, (w / 2) * Math.min(0.93, r + 0.08), (h / 2) * Math.min(0.93, r + 0.08), i * 30 + off);
        const [left, right] = [at(-8), at(8)];
        return polygon([
          [left.x, left.y],
          [tip.x, tip.y],
          [right.x, right.y],
        ]);
      });
      return disc + rays.join('');
    },
    inside: (w, h, [a]) => within(w, h, 0.5 - lerp(0.3, 0.8, a) * 0.35),
  },
  cloud: {
    name: 'cloud',
    ratio: 1.6,
    path: cloudPath,
    inside: (w, h) => within(w, h, 0.14, 0.24, 0.14, 0.14),
  },
  lightning: {
    name: 'lightning',
    ratio: 0.7,
    path: (w, h) =>
      polygon([
        [w * 0.55, 0],
        [w * 0.08, h * 0.54],
        [w * 0.42, h * 0.54],
        [w * 0.26, h],
        [w * 0.96, h * 0.38],
        [w * 0.58, h * 0.38],
        [w * 0.86, 0],
      ]),
    inside: (w, h) => within(w, h, 0.28, 0.3),
  },
  leaf: {
    name: 'leaf',
    ratio: 1.5,
    path: (w, h) =>
      new Pen()
        .move(0, h)
        .curve(w * 0.02, h * 0.3, w * 0.4, 0, w, 0)
        .curve(w * 0.98, h * 0.7, w * 0.6, h, 0, h)
        .close().d,
    inside: (w, h) => within(w, h, 0.22, 0.26),
  },
  flame: {
    name: 'flame',
    ratio: 0.68,
    path: (w, h) =>
      new Pen()
        .move(w * 0.55, 0)
        .curve(w * 0.62, h * 0.2, w * 0.96, h * 0.36, w * 0.98, h * 0.66)
        .curve(w, h * 0.88, w * 0.78, h, w * 0.5, h)
        .curve(w * 0.2, h, 0, h * 0.86, w * 0.02, h * 0.64)
        .curve(w * 0.03, h * 0.48, w * 0.14, h * 0.38, w * 0.22, h * 0.26)
        .curve(w * 0.24, h * 0.36, w * 0.3, h * 0.42, w * 0.38, h * 0.44)
        .curve(w * 0.34, h * 0.24, w * 0.4, h * 0.1, w * 0.55, 0)
        .close().d,
    inside: (w, h) => within(w, h, 0.2, 0.5, 0.2, 0.12),
  },
  house: {
    name: 'house',
    start: [0.4],
    handles: (_w, h, [a]) => [{ x: 0, y: h * lerp(0.1, 0.8, a) }],
    path: (w, h, [a]) => {
      const eaves = h * lerp(0.1, 0.8, a);
      return softened(
        [
          [w / 2, 0],
          [w, eaves],
          [w * 0.9, eaves],
          [w * 0.9, h],
          [w * 0.1, h],
          [w * 0.1, eaves],
          [0, eaves],
        ],
        0,
      );
    },
    inside: (w, h, [a]) => within(w, h, 0.14, lerp(0.1, 0.8, a), 0.14, 0.04),
  },
  hill: {
    name: 'hills',
    ratio: 2.2,
    start: [0.35],
    handles: (w, _h, [a]) => [{ x: w * a, y: 0 }],
    path: (w, h, [a]) =>
      new Pen()
        .move(0, h)
        .curve(w * a * 0.5, h * 0.9, w * a * 0.6, 0, w * a, 0)
        .curve(w * lerp(a, 1, 0.3), 0, w * lerp(a, 1, 0.35), h * 0.5, w * lerp(a, 1, 0.55), h * 0.46)
        .curve(w * lerp(a, 1, 0.75), h * 0.4, w * lerp(a, 1, 0.9), h * 0.8, w, h)
        .close().d,
    inside: (w, h) => within(w, h, 0.25, 0.45, 0.25, 0.05),
  },
} satisfies Record<string, ShapeKind>;

export function cloudPath(w: number, h: number): string {
  return new Pen()
    .move(w * 0.2, h)
    .curve(w * 0.08, h, 0, h * 0.86, 0, h * 0.7)
    .curve(0, h * 0.55, w * 0.07, h * 0.44, w * 0.17, h * 0.43)
    .curve(w * 0.17, h * 0.2, w * 0.28, h * 0.1, w * 0.38, h * 0.15)
    .curve(w * 0.44, h * 0.04, w * 0.52, 0, w * 0.59, 0)
    .curve(w * 0.71, 0, w * 0.78, h * 0.14, w * 0.78, h * 0.32)
    .curve(w * 0.92, h * 0.3, w, h * 0.46, w, h * 0.66)
    .curve(w, h * 0.86, w * 0.92, h, w * 0.8, h)
    .close().d;
}
