import type { Point } from '../matrix';
import type { Corner, ShapeKind } from './pen';
import { lerp, onEllipse, Pen, polygon, starCorners, within } from './pen';
import { cloudPath } from './round';

/** Balloons with a tail to drag, ribbons and banners. */

/** Where a tail's tip is: 0 to 1 reaches a little out of the box, and what lies beyond to any speaker on the page. */
const tipAt = (w: number, h: number, a: number, b: number): Point => ({
  x: lerp(-w * 0.6, w * 1.6, a),
  y: lerp(-h * 0.6, h * 1.9, b),
});
const valuesAt = (w: number, h: number, tip: Point): number[] => [
  (tip.x / Math.max(0.01, w) + 0.6) / 2.2,
  (tip.y / Math.max(0.01, h) + 0.6) / 2.5,
];
/** Tail values for a tip below on the left, the usual place of a speaker. */
const TAIL = [0.36, 0.76] as const;

/** A box with round corners from one side of which a tail runs to its tip. */
function boxBalloon(w: number, h: number, radius: number, tip: Point): string {
  const r = Math.min(radius, w / 2, h / 2);
  const [dx, dy] = [(tip.x - w / 2) / Math.max(1, w), (tip.y - h / 2) / Math.max(1, h)];
  const side = Math.abs(dx) > Math.abs(dy) ? (dx > 0 ? 1 : 3) : dy > 0 ? 2 : 0;
  const long = side % 2 === 0 ? w : h;
  const root = Math.min(long * 0.22, 40);
  const along = Math.max(r, Math.min(long - r - root, (side % 2 === 0 ? tip.x : tip.y) * 0.6 + long * 0.2 - root / 2));
  const pen = new Pen().move(r, 0);
  const inside = tip.x > 0 && tip.x < w && tip.y > 0 && tip.y < h;
  const tail = (s: number, from: Corner, to: Corner) => {
    if (side === s && !inside)
      pen
        .line(...from)
        .line(tip.x, tip.y)
        .line(...to);
  };
  tail(0, [along, 0], [along + root, 0]);
  pen.arc(w - r, r, r, r, -90, 0);
  tail(1, [w, along], [w, along + root]);
  pen.arc(w - r, h - r, r, r, 0, 90);
  tail(2, [along + root, h], [along, h]);
  pen.arc(r, h - r, r, r, 90, 180);
  tail(3, [0, along + root], [0, along]);
  return pen.arc(r, r, r, r, 180, 270).close().d;
}

/** An oval from whose edge a tail runs to its tip. */
function ovalBalloon(w: number, h: number, tip: Point): string {
  const [dx, dy] = [(tip.x - w / 2) / (w / 2 || 1), (tip.y - h / 2) / (h / 2 || 1)];
  const at = (Math.atan2(dy, dx) * 180) / Math.PI;
  if (Math.hypot(dx, dy) <= 1) return new Pen().arc(w / 2, h / 2, w / 2, h / 2, 0, 360).close().d;
  return new Pen()
    .arc(w / 2, h / 2, w / 2, h / 2, at + 11, at + 349)
    .line(tip.x, tip.y)
    .close().d;
}

/** Bubbles that get smaller towards a tip. */
function bubbles(w: number, h: number, tip: Point): string {
  const from = onEllipse(w / 2, h / 2, w * 0.46, h * 0.46, (Math.atan2(tip.y - h / 2, tip.x - w / 2) * 180) / Math.PI);
  const size = Math.min(w, h) * 0.09;
  return [0.3, 0.65, 1]
    .map((t, i) => {
      const r = size * (1 - i * 0.28);
      return new Pen().arc(lerp(from.x, tip.x, t), lerp(from.y, tip.y, t), r, r, 0, 360).close().d;
    })
    .join('');
}

const tailed = (
  name: string,
  ratio: number,
  path: (w: number, h: number, tip: Point, a: readonly number[]) => string,
  inside: ShapeKind['inside'],
): ShapeKind => ({
  name,
  ratio,
  start: TAIL,
  handles: (w, h, [a, b]) => [tipAt(w, h, a, b)],
  reached: valuesAt,
  path: (w, h, a) => path(w, h, tipAt(w, h, a[0], a[1]), a),
  inside,
});

export const SPOKEN = {
  balloon: tailed(
    'speech balloon',
    1.5,
    (w, h, tip) => boxBalloon(w, h, Math.min(w, h) * 0.28, tip),
    (w, h) => within(w, h, 0.06),
  ),
  'balloon-square': tailed(
    'square balloon',
    1.5,
    (w, h, tip) => boxBalloon(w, h, 0, tip),
    (w, h) => within(w, h, 0.02),
  ),
  'balloon-oval': tailed(
    'oval balloon',
    1.5,
    (w, h, tip) => ovalBalloon(w, h, tip),
    (w, h) => within(w, h, 0.15),
  ),
  thought: tailed(
    'thought balloon',
    1.5,
    (w, h, tip) => cloudPath(w, h) + bubbles(w, h, tip),
    (w, h) => within(w, h, 0.15, 0.24, 0.15, 0.14),
  ),
  shout: tailed(
    'shout',
    1.4,
    (w, h, tip) => {
      const corners = starCorners(w, h, 14, 0.78);
      const angle = (Math.atan2(tip.y - h / 2, tip.x - w / 2) * 180) / Math.PI + 90;
      const nearest = (((Math.round((angle / 360) * 14) % 14) + 14) % 14) * 2;
      return polygon(corners.map((corner, i) => (i === nearest ? ([tip.x, tip.y] as const) : corner)));
    },
    (w, h) => within(w, h, 0.2),
  ),
  caption: tailed(
    'caption with a pointer',
    2,
    (w, h, tip) => {
      const from = tip.x < w / 2 ? 0 : w;
      return (
        polygon([
          [0, 0],
          [w, 0],
          [w, h],
          [0, h],
        ]) +
        new Pen()
          .move(from, h / 2)
          .line(tip.x, tip.y)
          .line(from, h / 2).d
      );
    },
    (w, h) => within(w, h, 0.02),
  ),
} satisfies Record<string, ShapeKind>;

/** How far a ribbon's ends stand off, in height and width. */
const drape = (h: number, a: number) => h * lerp(0.05, 0.4, a);

export const RIBBONS = {
  ribbon: {
    name: 'ribbon',
    ratio: 4,
    start: [0.5, 0.5],
    handles: (w, h, [a, b]) => [
      { x: w / 2, y: h - drape(h, a) },
      { x: w * lerp(0.06, 0.3, b), y: 0 },
    ],
    path: (w, h, [a, b]) => ribbonPath(w, h, drape(h, a), w * lerp(0.06, 0.3, b)),
    inside: (w, h, [a, b]) => {
      const x = w * lerp(0.06, 0.3, b);
      return { x, y: 0, width: w - 2 * x, height: h - drape(h, a) };
    },
  },
  'ribbon-arched': {
    name: 'arched ribbon',
    ratio: 3.4,
    start: [0.5],
    handles: (w, h, [a]) => [{ x: w / 2, y: arched(h, a).low - arched(h, a).rise }],
    path: (w, h, [a]) => {
      const { rise, top, low } = arched(h, a);
      // A cubic's middle goes three quarters of the way to its handles.
      const lift = rise / 0.75;
      const tail = Math.min(h * 0.86, top + h * 0.24);
      return new Pen()
        .move(0, tail)
        .line(w * 0.17, tail)
        .line(w * 0.17, top)
        .curve(w * 0.35, top - lift, w * 0.65, top - lift, w * 0.83, top)
        .line(w * 0.83, tail)
        .line(w, tail)
        .line(w * 0.93, (tail + h) / 2)
        .line(w, h)
        .line(w * 0.76, h)
        .line(w * 0.76, low)
        .curve(w * 0.6, low - lift, w * 0.4, low - lift, w * 0.24, low)
        .line(w * 0.24, h)
        .line(0, h)
        .line(w * 0.07, (tail + h) / 2)
        .close().d;
    },
    inside: (w, h) => within(w, h, 0.22, 0.06, 0.22, 0.36),
  },
  banner: {
    name: 'waving banner',
    ratio: 2.6,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w * 0.25, y: h * 0.3 * a * 0.2 }],
    path: (w, h, [a]) => wavePath(w, h, h * 0.3 * a, 1),
    inside: (w, h, [a]) => within(w, h, 0.04, 0.04 + a * 0.28),
  },
  wave: {
    name: 'wave',
    ratio: 2.6,
    start: [0.5],
    handles: (w, h, [a]) => [{ x: w * 0.125, y: h * 0.3 * a * 0.2 }],
    path: (w, h, [a]) => wavePath(w, h, h * 0.3 * a, 2),
    inside: (w, h, [a]) => within(w, h, 0.04, 0.04 + a * 0.28),
  },
  scroll: {
    name: 'scroll',
    ratio: 1.4,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w, y: h * lerp(0.06, 0.2, a) * 2 }],
    path: (w, h, [a]) => {
      const r = h * lerp(0.06, 0.2, a);
      return (
        new Pen()
          .move(r, r * 2)
          .arc(r, r, r, r, 90, 270)
          .line(w - r, 0)
          .arc(w - r, r, r, r, -90, 90)
          .line(w - r * 2, r * 2)
          .line(w - r * 2, h - r)
          .arc(w - r * 3, h - r, r, r, 0, 90)
          .line(r, h)
          .arc(r, h - r, r, r, 90, 270)
          .line(r * 2, h - r * 2)
          .line(r * 2, r)
          .close().d +
        new Pen().move(r * 2, r).arc(r, r, r, r, 0, 90).d +
        new Pen().move(r * 2, r * 2).line(w - r * 2, r * 2).d
      );
    },
    inside: (w, h, [a]) => {
      const r = h * lerp(0.06, 0.2, a);
      return { x: r * 2.2, y: r * 2, width: Math.max(0, w - r * 4.4), height: Math.max(0, h - r * 3.2) };
    },
  },
  pennant: {
    name: 'pennant',
    ratio: 2.2,
    start: [0.3],
    handles: (w, h, [a]) => [{ x: w, y: h * (0.5 - a * 0.5) }],
    path: (w, h, [a]) =>
      polygon([
        [0, 0],
        [w, h * (0.5 - a * 0.5)],
        [w, h * (0.5 + a * 0.5)],
        [0, h],
      ]),
    inside: (w, h) => within(w, h, 0.04, 0.22, 0.3, 0.22),
  },
  swallowtail: {
    name: 'swallowtail flag',
    ratio: 2.2,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w * (1 - a * 0.5), y: h / 2 }],
    path: (w, h, [a]) =>
      polygon([
        [0, 0],
        [w, 0],
        [w * (1 - a * 0.5), h / 2],
        [w, h],
        [0, h],
      ]),
    inside: (w, h, [a]) => within(w, h, 0.03, 0.05, Math.max(0.05, a * 0.45), 0.05),
  },
  bookmark: {
    name: 'bookmark',
    ratio: 0.6,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: w / 2, y: h - a * w * 0.5 }],
    path: (w, h, [a]) =>
      polygon([
        [0, 0],
        [w, 0],
        [w, h],
        [w / 2, Math.max(0, h - a * w * 0.5)],
        [0, h],
      ]),
    inside: (w, h) => within(w, h, 0.06, 0.05, 0.06, 0.26),
  },
  tag: {
    name: 'tag with a hole',
    ratio: 1.9,
    start: [0.4],
    handles: (w, h, [a]) => [{ x: Math.min(w * 0.6, a * h), y: 0 }],
    path: (w, h, [a]) => {
      const x = Math.min(w * 0.6, a * h);
      const r = Math.min(h * 0.09, w * 0.06);
      return (
        polygon([
          [x, 0],
          [w, 0],
          [w, h],
          [x, h],
          [0, h * 0.66],
          [0, h * 0.34],
        ]) + new Pen().arc(Math.max(r * 2, x * 0.55), h / 2, r, r, 360, 0).close().d
      );
    },
    inside: (w, h, [a]) => {
      const x = Math.min(w * 0.6, a * h);
      return { x, y: h * 0.05, width: w - x - w * 0.04, height: h * 0.9 };
    },
  },
} satisfies Record<string, ShapeKind>;

/** How far the middle of an arched ribbon stands above its ends, and where its band begins and ends there. */
function arched(h: number, a: number) {
  const rise = h * lerp(-0.3, 0.3, a);
  const top = Math.max(0, rise) + h * 0.02;
  return { rise, top, low: top + h * 0.5 };
}

function ribbonPath(w: number, h: number, drop: number, end: number): string {
  const low = h - drop;
  const fold = end * 0.55;
  const front = polygon([
    [end - fold, 0],
    [w - end + fold, 0],
    [w - end + fold, low],
    [end - fold, low],
  ]);
  const tail = (flip: boolean) => {
    const x = (v: number) => (flip ? w - v : v);
    return (
      polygon([
        [x(end - fold), drop],
        [x(0), drop],
        [x(end * 0.35), drop + low / 2],
        [x(0), h],
        [x(end), h],
        [x(end), low],
        [x(end - fold), low],
      ]) + new Pen().move(x(end), h).line(x(end - fold), low).d
    );
  };
  return front + tail(false) + tail(true);
}

function wavePath(w: number, h: number, swing: number, count: number): string {
  const pen = new Pen().move(0, swing / 2);
  const step = w / (count * 2);
  for (let i = 0; i < count * 2; i++) {
    const up = i % 2 === 0 ? -1 : 1;
    const y = swing / 2;
    pen.curve(
      i * step + step * 0.37,
      y + up * swing * 0.67,
      (i + 1) * step - step * 0.37,
      y + up * swing * 0.67,
      (i + 1) * step,
      y,
    );
  }
  pen.line(w, h - swing / 2);
  for (let i = count * 2; i > 0; i--) {
    const up = (i - 1) % 2 === 0 ? -1 : 1;
    const y = h - swing / 2;
    pen.curve(
      i * step - step * 0.37,
      y + up * swing * 0.67,
      (i - 1) * step + step * 0.37,
      y + up * swing * 0.67,
      (i - 1) * step,
      y,
    );
  }
  return pen.close().d;
}
