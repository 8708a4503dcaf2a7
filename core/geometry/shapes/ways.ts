import type { ShapeKind } from './pen';
import { lerp, onEllipse, Pen, polygon, within } from './pen';

/** Broad arrows, and what holds other things: frames, braces, brackets. */

/** Length of an arrow's head and thickness of its shaft, by its two handles. */
const head = (w: number, h: number, a: number) => Math.min(w * 0.8, lerp(0.15, 1.4, a) * h);
const shaft = (h: number, b: number) => h * lerp(0.1, 0.9, b);

function circleArrow(w: number, h: number, a: number, b: number): string {
  const thick = lerp(0.1, 0.42, a);
  const to = lerp(60, 330, b);
  const [outer, inner, middle] = [1 - thick * 0.35, 1 - thick * 1.35, 1 - thick * 0.85];
  const at = (r: number, degrees: number) => onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, degrees - 90);
  const tip = at(middle, to + 24 + thick * 30);
  const [far, near] = [at(Math.min(1, outer + thick * 0.35), to), at(inner - thick * 0.35, to)];
  return new Pen()
    .arc(w / 2, h / 2, (w / 2) * outer, (h / 2) * outer, -90, to - 90)
    .line(far.x, far.y)
    .line(tip.x, tip.y)
    .line(near.x, near.y)
    .arc(w / 2, h / 2, (w / 2) * inner, (h / 2) * inner, to - 90, -90)
    .close().d;
}

export const WAYS = {
  arrow: {
    name: 'broad arrow',
    ratio: 2,
    start: [0.45, 0.42],
    handles: (w, h, [a, b]) => [
      { x: w - head(w, h, a), y: 0 },
      { x: 0, y: (h - shaft(h, b)) / 2 },
    ],
    path: (w, h, [a, b]) => {
      const [x, y] = [w - head(w, h, a), (h - shaft(h, b)) / 2];
      return polygon([
        [0, y],
        [x, y],
        [x, 0],
        [w, h / 2],
        [x, h],
        [x, h - y],
        [0, h - y],
      ]);
    },
    inside: (w, h, [a, b]) => ({ x: 0, y: (h - shaft(h, b)) / 2, width: w - head(w, h, a) * 0.5, height: shaft(h, b) }),
  },
  'arrow-both': {
    name: 'arrow both ways',
    ratio: 2.2,
    start: [0.4, 0.42],
    handles: (w, h, [a, b]) => [
      { x: w - head(w / 2, h, a), y: 0 },
      { x: w / 2, y: (h - shaft(h, b)) / 2 },
    ],
    path: (w, h, [a, b]) => {
      const [x, y] = [head(w / 2, h, a), (h - shaft(h, b)) / 2];
      return polygon([
        [0, h / 2],
        [x, 0],
        [x, y],
        [w - x, y],
        [w - x, 0],
        [w, h / 2],
        [w - x, h],
        [w - x, h - y],
        [x, h - y],
        [x, h],
      ]);
    },
    inside: (w, h, [, b]) => ({ x: w * 0.15, y: (h - shaft(h, b)) / 2, width: w * 0.7, height: shaft(h, b) }),
  },
  'arrow-notched': {
    name: 'arrow with a notch',
    ratio: 2,
    start: [0.45, 0.42],
    handles: (w, h, [a, b]) => [
      { x: w - head(w, h, a), y: 0 },
      { x: 0, y: (h - shaft(h, b)) / 2 },
    ],
    path: (w, h, [a, b]) => {
      const [x, y] = [w - head(w, h, a), (h - shaft(h, b)) / 2];
      return polygon([
        [0, y],
        [x, y],
        [x, 0],
        [w, h / 2],
        [x, h],
        [x, h - y],
        [0, h - y],
        [Math.min(x, shaft(h, b) * 0.4), h / 2],
      ]);
    },
    inside: (w, h, [a, b]) => ({
      x: w * 0.12,
      y: (h - shaft(h, b)) / 2,
      width: Math.max(0, w * 0.88 - head(w, h, a) * 0.5),
      height: shaft(h, b),
    }),
  },
  'arrow-curved': {
    name: 'curved arrow',
    ratio: 1.6,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w * (1 - lerp(0.12, 0.5, a)), y: h * 0.62 }],
    path: (w, h, [a]) => {
      const t = w * lerp(0.12, 0.5, a) * 0.5;
      const x = w - t * 2;
      return new Pen()
        .move(0, h)
        .curve(0, h * 0.3, w * 0.24, 0, w - t * 1.5 - (w - t) * 0.2, 0)
        .curve(w - t * 1.5, 0, w - t * 0.5, h * 0.24, w - t * 0.5, h * 0.62)
        .line(w, h * 0.62)
        .line(w - t, h)
        .line(x, h * 0.62)
        .line(w - t * 1.5, h * 0.62)
        .curve(w - t * 1.5, h * 0.4, w - t * 2, t * 0.9, w * 0.5, t * 0.9)
        .curve(w * 0.3, t * 0.9, t, h * 0.5, t * 0.9, h)
        .close().d;
    },
    inside: (w, h) => within(w, h, 0.3, 0.3),
  },
  'arrow-corner': {
    name: 'arrow round a corner',
    start: [0.35],
    handles: (w, h, [a]) => [{ x: lerp(0.12, 0.5, a) * Math.min(w, h), y: h }],
    path: (w, h, [a]) => {
      const t = lerp(0.12, 0.5, a) * Math.min(w, h);
      const m = t * 0.45;
      return polygon([
        [0, h],
        [0, m],
        [w - t * 1.2, m],
        [w - t * 1.2, 0],
        [w, m + t / 2],
        [w - t * 1.2, m * 2 + t],
        [w - t * 1.2, m + t],
        [t, m + t],
        [t, h],
      ]);
    },
    inside: (w, h) => within(w, h, 0.3, 0.4, 0.05, 0.05),
  },
  'arrow-circle': {
    name: 'arrow in a circle',
    start: [0.4, 0.8],
    handles: (w, h, [a, b]) => {
      const thick = lerp(0.1, 0.42, a);
      const at = (r: number, degrees: number) => onEllipse(w / 2, h / 2, (w / 2) * r, (h / 2) * r, degrees - 90);
      return [at(1 - thick * 1.35, 0), at(1 - thick * 0.85, lerp(60, 330, b))];
    },
    path: (w, h, [a, b]) => circleArrow(w, h, a, b),
    inside: (w, h) => within(w, h, 0.32),
  },
  'arrow-four': {
    name: 'arrow four ways',
    start: [0.4, 0.3],
    handles: (w, h, [a, b]) => [
      { x: w * (1 - a * 0.42), y: h * (0.5 - a * 0.42) },
      { x: w * (0.5 - b * 0.4), y: h * 0.3 },
    ],
    path: (w, h, [a, b]) => {
      const [s, t] = [a * 0.42, Math.min(a * 0.42, b * 0.4)];
      const arm = [
        [0.5 - t, 0.5 - t],
        [0.5 - t, s],
        [0.5 - s, s],
        [0.5, 0],
        [0.5 + s, s],
        [0.5 + t, s],
      ] as const;
      return polygon(
        [0, 1, 2, 3].flatMap((turn) =>
          arm.map(([x, y]) => {
            let [px, py] = [x - 0.5, y - 0.5];
            for (let i = 0; i < turn; i++) [px, py] = [-py, px];
            return [w * (px + 0.5), h * (py + 0.5)] as const;
          }),
        ),
      );
    },
    inside: (w, h) => within(w, h, 0.2, 0.36),
  },
  chevron: {
    name: 'chevron',
    ratio: 1.3,
    start: [0.5],
    handles: (w, h, [a]) => [{ x: w - Math.min(w * 0.9, a * h), y: 0 }],
    path: (w, h, [a]) => {
      const x = Math.min(w * 0.9, a * h);
      return polygon([
        [0, 0],
        [w - x, 0],
        [w, h / 2],
        [w - x, h],
        [0, h],
        [x, h / 2],
      ]);
    },
    inside: (w, h, [a]) => {
      const x = Math.min(w * 0.45, a * h);
      return { x, y: h * 0.05, width: Math.max(0, w - 2 * x), height: h * 0.9 };
    },
  },
  signpost: {
    name: 'signpost',
    ratio: 2.2,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w - Math.min(w * 0.9, a * h), y: 0 }],
    path: (w, h, [a]) => {
      const x = w - Math.min(w * 0.9, a * h);
      return polygon([
        [0, 0],
        [x, 0],
        [w, h / 2],
        [x, h],
        [0, h],
      ]);
    },
    inside: (w, h, [a]) => ({ x: w * 0.02, y: h * 0.04, width: Math.max(0, w * 0.96 - a * h * 0.5), height: h * 0.92 }),
  },
} satisfies Record<string, ShapeKind>;

/** A brace that opens to the right, its point at a share of its height. */
function brace(pen: Pen, x: number, w: number, h: number, bend: number, at: number): Pen {
  const r = Math.min(Math.abs(w) * 0.5, h * 0.25) * bend * 2;
  const s = Math.sign(w) * Math.min(Math.abs(w) / 2, r);
  const middle = h * at;
  const k = Math.min(r, middle / 2, (h - middle) / 2);
  return pen
    .move(x + w, 0)
    .curve(x + w - s, 0, x + w / 2, k * 0.3, x + w / 2, k)
    .line(x + w / 2, middle - k)
    .curve(x + w / 2, middle - k * 0.3, x + w / 2 - s, middle, x, middle)
    .curve(x + w / 2 - s, middle, x + w / 2, middle + k * 0.3, x + w / 2, middle + k)
    .line(x + w / 2, h - k)
    .curve(x + w / 2, h - k * 0.3, x + w - s, h, x + w, h);
}

const braceKind = (name: string, right: boolean): ShapeKind => ({
  name,
  ratio: 0.24,
  start: [0.6, 0.5],
  handles: (w, h, [a, b]) => [
    { x: right ? w * 0.5 : w * 0.5, y: Math.min(Math.abs(w) * 0.5, h * 0.25) * a * 2 },
    { x: right ? w : 0, y: h * lerp(0.1, 0.9, b) },
  ],
  path: (w, h, [a, b]) =>
    right ? brace(new Pen(), w, -w, h, a, lerp(0.1, 0.9, b)).d : brace(new Pen(), 0, w, h, a, lerp(0.1, 0.9, b)).d,
  inside: (w, h) => within(w, h, 0),
  open: true,
});

const bracketPath = (pen: Pen, x: number, w: number, h: number, r: number): Pen =>
  pen
    .move(x + w, 0)
    .line(x + Math.sign(w) * r, 0)
    .curve(x, 0, x, 0, x, r)
    .line(x, h - r)
    .curve(x, h, x, h, x + Math.sign(w) * r, h)
    .line(x + w, h);

const bracketKind = (name: string, right: boolean): ShapeKind => ({
  name,
  ratio: 0.2,
  start: [0.3],
  handles: (w, h, [a]) => [{ x: right ? w : 0, y: a * Math.min(w, h / 2) }],
  path: (w, h, [a]) => bracketPath(new Pen(), right ? w : 0, right ? -w : w, h, a * Math.min(w, h / 2)).d,
  inside: (w, h) => within(w, h, 0),
  open: true,
});

/** The thickness of a corner piece's arms against its size. */
const arm = (a: number) => lerp(0.04, 0.96, a);

export const HOLDING = {
  frame: {
    name: 'frame',
    ratio: 1.3,
    start: [0.25],
    handles: (w, h, [a]) => [{ x: lerp(0.02, 0.48, a) * Math.min(w, h), y: h / 2 }],
    path: (w, h, [a]) => {
      const t = lerp(0.02, 0.48, a) * Math.min(w, h);
      return (
        polygon([
          [0, 0],
          [w, 0],
          [w, h],
          [0, h],
        ]) +
        polygon([
          [t, t],
          [t, h - t],
          [w - t, h - t],
          [w - t, t],
        ])
      );
    },
    inside: (w, h, [a]) => {
      const t = lerp(0.02, 0.48, a) * Math.min(w, h);
      return { x: t, y: t, width: w - 2 * t, height: h - 2 * t };
    },
  },
  'half-frame': {
    name: 'half frame',
    ratio: 1.3,
    start: [0.3, 0.3],
    handles: (w, h, [a, b]) => [
      { x: w * 0.5, y: a * Math.min(w, h) * 0.5 },
      { x: b * Math.min(w, h) * 0.5, y: h * 0.5 },
    ],
    path: (w, h, [a, b]) => {
      const [t, s] = [a * Math.min(w, h) * 0.5, b * Math.min(w, h) * 0.5];
      return polygon([
        [0, 0],
        [w, 0],
        [w - t, t],
        [s, t],
        [s, Math.max(t, h - s)],
        [0, h],
      ]);
    },
    inside: (w, h, [a, b]) => {
      const [t, s] = [a * Math.min(w, h) * 0.5, b * Math.min(w, h) * 0.5];
      return { x: s, y: t, width: w - s, height: h - t };
    },
  },
  'corner-piece': {
    name: 'corner piece',
    start: [0.35, 0.35],
    handles: (w, h, [a, b]) => [
      { x: w, y: h * (1 - arm(a)) },
      { x: w * arm(b), y: 0 },
    ],
    path: (w, h, [a, b]) =>
      polygon([
        [0, 0],
        [w * arm(b), 0],
        [w * arm(b), h * (1 - arm(a))],
        [w, h * (1 - arm(a))],
        [w, h],
        [0, h],
      ]),
    inside: (w, h, [a]) => ({ x: 0, y: h * (1 - arm(a)), width: w, height: h * arm(a) }),
  },
  'diagonal-band': {
    name: 'diagonal band',
    start: [0.5],
    handles: (w, _h, [a]) => [{ x: w * a, y: 0 }],
    path: (w, h, [a]) =>
      polygon([
        [w * a, 0],
        [w, 0],
        [0, h],
        [0, h * a],
      ]),
    inside: (w, h) => within(w, h, 0.2, 0.2, 0.45, 0.45),
  },
  'brace-left': braceKind('brace, opening right', false),
  'brace-right': braceKind('brace, opening left', true),
  'brace-pair': {
    name: 'pair of braces',
    ratio: 1.6,
    start: [0.6],
    handles: (w, h, [a]) => [{ x: Math.min(w * 0.2, h * 0.25) / 2, y: h * 0.25 * a }],
    path: (w, h, [a]) => {
      const arm = Math.min(w * 0.2, h * 0.25);
      return brace(new Pen(), 0, arm, h, a, 0.5).d + brace(new Pen(), w, -arm, h, a, 0.5).d;
    },
    inside: (w, h) => within(w, h, 0.15, 0.03),
    open: true,
  },
  'bracket-left': bracketKind('bracket, opening right', false),
  'bracket-right': bracketKind('bracket, opening left', true),
  'bracket-pair': {
    name: 'pair of brackets',
    ratio: 1.6,
    start: [0.3],
    handles: (w, h, [a]) => [{ x: 0, y: a * Math.min(w * 0.12, h / 2) }],
    path: (w, h, [a]) => {
      const arm = Math.min(w * 0.12, h / 2);
      return bracketPath(new Pen(), 0, arm, h, a * arm).d + bracketPath(new Pen(), w, -arm, h, a * arm).d;
    },
    inside: (w, h) => within(w, h, 0.06, 0.03),
    open: true,
  },
} satisfies Record<string, ShapeKind>;
