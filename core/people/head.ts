import type { Joints } from './skeleton';
import type { Vec } from './space';
import { add, turned } from './space';
import type { Spot } from './outlines';
import { capsule, circle, line, polygon, smooth } from './outlines';

/** Heads: face, ears, hair, what is worn on them. All of it lies on a rounded form, so each view comes of the same places. */

export const EXPRESSIONS = [
  'calm',
  'smiling',
  'laughing',
  'sad',
  'surprised',
  'angry',
  'worried',
  'asleep',
  'unsure',
  'proud',
] as const;
export type Expression = (typeof EXPRESSIONS)[number];
export const HAIRS = [
  'short',
  'side parting',
  'crew cut',
  'fringe',
  'bob',
  'long',
  'long and wavy',
  'ponytail',
  'bun',
  'two buns',
  'plaits',
  'braids',
  'curly',
  'round and full',
  'receding',
  'none',
] as const;
export type Hair = (typeof HAIRS)[number];

export type Piece = { d: string; fill: string | null; stroke?: string; width?: number; opacity?: number };
export type Layers = { back: Piece[]; front: Piece[] };

export type HeadLook = {
  expression: Expression;
  hair: Hair;
  hairColour: string;
  skin: string;
  shade: string;
  ink: string;
  lips: string;
  blush: string;
  glasses: string | null;
  hearingAid: string | null;
  scarf: string | null;
  old: boolean;
};

/** A point on the head: how far to its left (of the figure) and up, in degrees, and how far out, 1 being the skin. */
type On = (azimuth: number, elevation: number, out?: number) => Vec;
const RADIANS = Math.PI / 180;

/** @param tall the head's height; @param flat from space to paper */
export function headLayers(joints: Joints, tall: number, flat: (v: Vec) => Spot, look: HeadLook): Layers {
  const [rx, ry, rz] = [tall * 0.43, tall * 0.5, tall * 0.46];
  const centre = joints.head;
  const on: On = (azimuth, elevation, out = 1) => {
    const [a, e] = [azimuth * RADIANS, elevation * RADIANS];
    const local: Vec = [
      rx * out * Math.sin(a) * Math.cos(e),
      -ry * out * Math.sin(e),
      rz * out * Math.cos(a) * Math.cos(e),
    ];
    return add(centre, turned(joints.face, local));
  };
  const ahead = turned(joints.face, [0, 0, 1]);
  const across = turned(joints.face, [1, 0, 0]);
  const up = turned(joints.face, [0, -1, 0]);
  const seen = (v: Vec) => v[2] - centre[2];
  const spot = (azimuth: number, elevation: number, out = 1) => flat(on(azimuth, elevation, out));
  const c = flat(centre);
  /** The head's own way up on paper, in degrees. */
  const lean = (Math.atan2(up[0], -up[1]) * 180) / Math.PI;
  // How far the head reaches along a direction on paper.
  const reach = (x: number, y: number) =>
    Math.hypot(rx * (across[0] * x + across[1] * y), ry * (up[0] * x + up[1] * y), rz * (ahead[0] * x + ahead[1] * y));
  const way = lean * RADIANS;
  const half = reach(Math.cos(way), Math.sin(way));
  const high = reach(-Math.sin(way), Math.cos(way));
  const skull = (by = 1): string => circle(c, half * by, high * by, lean);
  const back: Piece[] = [];
  const front: Piece[] = [];
  /** Over the hair. */
  const ears: Piece[] = [];
  const { skin, shade } = look;
  const unit = tall / 100;

  // Ears, behind the face where they are on the far side.
  for (const side of [1, -1]) {
    const ear = on(side * 88, -2, 1.02);
    const wide = Math.max(3.4, 8.5 * Math.abs(ahead[2] * 0.35 + Math.abs(across[2]) * 0.9)) * unit;
    if (seen(ear) > -0.24 * tall) {
      const to = seen(ear) > 0.02 * tall ? (coversEars(look) ? front : ears) : back;
      to.push({ d: circle(flat(ear), wide, 10 * unit, lean), fill: skin });
      if (seen(ear) > 0.05 * tall) to.push({ d: circle(flat(ear), wide * 0.5, 6 * unit, lean), fill: shade });
      if (look.hearingAid && seen(ear) > -0.1 * tall)
        to.push({
          d: smooth(
            [flat(on(side * 84, 14, 1.05)), flat(on(side * 100, 10, 1.08)), flat(on(side * 100, -8, 1.08))],
            false,
          ),
          fill: null,
          stroke: look.hearingAid,
          width: 4 * unit,
        });
    }
  }
  const face: Piece[] = [{ d: skull(), fill: skin }];
  // The jaw.
  const chin = spot(0, -78, 0.98);
  face.push({
    d: capsule(c, half * 0.98, [chin[0] * 0.55 + c[0] * 0.45, chin[1] * 0.55 + c[1] * 0.45], half * 0.62),
    fill: skin,
  });
  const nose = on(0, -9, 1.1);
  if (seen(nose) > -0.2 * tall)
    face.push({
      d: capsule(spot(0, 6, 0.99), 2.2 * unit, flat(nose), 4.6 * unit),
      fill: Math.abs(ahead[0]) > 0.8 ? skin : shade,
    });
  face.push(...features(look, on, spot, seen, unit, lean, across));

  const layers = hairLayers(look, { on, flat, spot, seen, c, half, high, lean, skull, unit, ahead, across });
  return {
    back: [...layers.back, ...back],
    front: [...face, ...front, ...layers.front, ...ears, ...glassesOf(look, spot, on, seen, unit, ahead)],
  };
}

const coversEars = ({ hair, scarf }: HeadLook) =>
  scarf !== null || ['bob', 'long', 'long and wavy', 'curly', 'round and full', 'braids'].includes(hair);

function features(
  { expression, ink, lips, blush, old, shade, hair, hairColour }: HeadLook,
  on: On,
  spot: (a: number, e: number, out?: number) => Spot,
  seen: (v: Vec) => number,
  unit: number,
  lean: number,
  across: Vec,
): Piece[] {
  const out: Piece[] = [];
  const wide = expression === 'surprised';
  const shut = expression === 'asleep' || expression === 'laughing';
  const brow: Record<Expression, [inner: number, outer: number]> = {
    calm: [21, 20],
    smiling: [22, 21],
    laughing: [25, 23],
    sad: [27, 19],
    surprised: [30, 28],
    angry: [15, 25],
    worried: [27, 20],
    asleep: [20, 18],
    unsure: [22, 20],
    proud: [24, 22],
  };
  for (const side of [1, -1]) {
    const eye = on(side * 25, 4);
    if (seen(eye) < 0.04 * 100 * unit) continue;
    const thin = Math.max(0.45, Math.abs(across[0]) * 0.75 + 0.25);
    if (shut)
      out.push({
        d: smooth(
          [
            spot(side * 19, expression === 'asleep' ? 2 : 3),
            spot(side * 25, expression === 'asleep' ? -1.5 : 7),
            spot(side * 31, expression === 'asleep' ? 2 : 3),
          ],
          false,
        ),
        fill: null,
        stroke: ink,
        width: 2.6 * unit,
      });
    else {
      const r = (wide ? 5.6 : 4.6) * unit;
      out.push({ d: circle(spot(side * 25, 3), r * thin, r * 1.25, lean), fill: ink });
      out.push({ d: circle(spot(side * 25 - 2, 6.5), r * 0.3 * thin, r * 0.32), fill: '#ffffff' });
    }
    const [inner, outer] = brow[expression];
    const lift = expression === 'unsure' && side === 1 ? 6 : 0;
    out.push({
      d: smooth(
        [
          spot(side * 17, inner + lift),
          spot(side * 25, (inner + outer) / 2 + 2.5 + lift),
          spot(side * 33, outer + lift),
        ],
        false,
      ),
      fill: null,
      stroke: hair === 'none' || hair === 'receding' ? (old ? hairColour : ink) : hairColour,
      width: 3.2 * unit,
    });
    if (seen(on(side * 42, -17)) > 13 * unit)
      out.push({ d: circle(spot(side * 36, -17), 6.5 * unit * thin, 4.6 * unit, lean), fill: blush, opacity: 0.55 });
    if (old && seen(on(side * 42, 2)) > 0)
      out.push({ d: line([spot(side * 40, 5), spot(side * 46, 8)]), fill: null, stroke: shade, width: 1.6 * unit });
  }
  const mouth = (points: readonly [number, number][]) =>
    points.filter(([a]) => seen(on(a, -32)) > -4 * unit).map(([a, e]) => spot(a, e));
  const curve = (bow: number, half = 14, height = -31, slant = 0) => {
    const points = mouth(
      [-1, -0.5, 0, 0.5, 1].map((t): [number, number] => [t * half, height - bow * (1 - t * t) + slant * t]),
    );
    if (points.length > 1) out.push({ d: smooth(points, false), fill: null, stroke: lips, width: 3 * unit });
  };
  const open = (top: number, bottom: number, half: number, teeth: boolean) => {
    const upper = mouth([-1, -0.5, 0, 0.5, 1].map((t): [number, number] => [t * half, top]));
    const lower = mouth(
      [1, 0.6, 0, -0.6, -1].map((t): [number, number] => [t * half * 0.96, top - (top - bottom) * (1 - t * t)]),
    );
    if (upper.length < 2 || lower.length < 2) return;
    out.push({ d: polygon([...upper, ...densely(lower)]), fill: '#6e2b2b' });
    if (teeth)
      out.push({
        d: polygon([
          ...upper,
          ...mouth([
            [half * 0.8, top - 4.2],
            [-half * 0.8, top - 4.2],
          ]),
        ]),
        fill: '#ffffff',
      });
  };
  switch (expression) {
    case 'calm':
      curve(2.5, 11);
      break;
    case 'proud':
      curve(5, 13);
      break;
    case 'smiling':
      curve(8.5, 17, -27);
      break;
    case 'laughing':
      open(-25, -46, 19, true);
      break;
    case 'sad':
      curve(-6.5, 13, -37);
      break;
    case 'surprised': {
      if (seen(on(0, -34)) > -4 * unit)
        out.push({ d: circle(spot(0, -35), 4.6 * unit * Math.max(0.5, across[0]), 6.4 * unit), fill: '#6e2b2b' });
      break;
    }
    case 'angry':
      curve(-3.5, 12, -33);
      break;
    case 'worried':
      curve(-3, 10, -33);
      break;
    case 'asleep':
      curve(2, 7);
      break;
    case 'unsure':
      curve(1, 11, -32, 3.5);
  }
  return out;
}

/** Points between, so that a polygon is round. */
const densely = (points: readonly Spot[]): Spot[] =>
  points.flatMap((p, i): Spot[] =>
    i === 0 ? [p] : [[(p[0] + points[i - 1][0]) / 2, (p[1] + points[i - 1][1]) / 2], p],
  );

function glassesOf(
  look: HeadLook,
  spot: (a: number, e: number, out?: number) => Spot,
  on: On,
  seen: (v: Vec) => number,
  unit: number,
  ahead: Vec,
): Piece[] {
  if (!look.glasses) return [];
  const stroke = { fill: null, stroke: look.glasses, width: 2.4 * unit };
  const out: Piece[] = [];
  for (const side of [1, -1]) {
    if (seen(on(side * 26, 3)) < 3 * unit) continue;
    const ring = Array.from({ length: 12 }, (_, i): Spot =>
      spot(side * 26 + 12.5 * Math.cos((i * Math.PI) / 6), 3 + 12.5 * Math.sin((i * Math.PI) / 6), 1.06),
    );
    out.push({ d: smooth(ring), ...stroke });
    if (seen(on(side * 84, 4)) > 0)
      out.push({ d: line([spot(side * 39, 5, 1.06), spot(side * 84, 4, 1.03)]), ...stroke });
  }
  if (Math.abs(ahead[0]) < 0.95) out.push({ d: line([spot(-13, 5, 1.08), spot(13, 5, 1.08)]), ...stroke });
  return out;
}

type Skull = {
  on: On;
  flat: (v: Vec) => Spot;
  spot: (a: number, e: number, out?: number) => Spot;
  seen: (v: Vec) => number;
  c: Spot;
  half: number;
  high: number;
  lean: number;
  skull: (by?: number) => string;
  unit: number;
  ahead: Vec;
  across: Vec;
};

/** Where hair begins, from the middle of the forehead to the nape, as azimuth and elevation. */
type Line = readonly (readonly [azimuth: number, elevation: number])[];
const USUAL: Line = [
  [0, 44],
  [20, 42],
  [42, 36],
  [60, 24],
  [74, 8],
  [82, -6],
  [98, -8],
  [112, -26],
  [140, -40],
  [180, -46],
];
const FRINGE: Line = [
  [0, 20],
  [22, 19],
  [42, 18],
  [58, 10],
  [72, -4],
  [84, -14],
  [100, -18],
  [116, -34],
  [140, -46],
  [180, -50],
];
const SHORT: Line = [
  [0, 46],
  [22, 45],
  [46, 40],
  [60, 30],
  [76, 14],
  [84, 2],
  [100, 0],
  [114, -16],
  [140, -32],
  [180, -38],
];
const HIGH: Line = [
  [0, 74],
  [24, 70],
  [46, 58],
  [62, 34],
  [76, 14],
  [84, 0],
  [100, -2],
  [114, -20],
  [140, -36],
  [180, -42],
];
/** To the jaw. */
const LOW: Line = [
  [0, 42],
  [18, 40],
  [38, 34],
  [52, 18],
  [60, -6],
  [66, -30],
  [84, -48],
  [112, -58],
  [140, -62],
  [180, -64],
];

/** Hair from its line up to the crown, on the skull blown up by so much. */
function cap(line_: Line, { on, flat, seen, c, unit, half, high, lean }: Skull, out: number, parting = 0): string {
  const whole = [
    ...line_
      .slice(1)
      .toReversed()
      .map(([a, e]): [number, number] => [-a, e]),
    ...line_,
  ].map(([a, e]): [number, number] => [
    a,
    // A parting raises the line on one side of it.
    parting && Math.abs(a) < 60 ? e + parting * (a > 8 ? -9 : 4) * (1 - Math.abs(a) / 60) : e,
  ]);
  const fine = whole.flatMap(([a, e], i): [number, number][] => {
    const next = whole[i + 1];
    return next
      ? Array.from({ length: 4 }, (_, k): [number, number] => [
          a + ((next[0] - a) * k) / 4,
          e + ((next[1] - e) * k) / 4,
        ])
      : [[a, e]];
  });
  // Of the head as it is seen, whatever lies above the line: from spots all over it.
  const points: Spot[] = [];
  for (const [a, e] of longestRun(fine, ([az, el]) => seen(on(az, el, out)) > -1 * unit))
    points.push(flat(on(a, e, out)));
  if (points.length < 2) return '';
  const [first, last] = [points[0], points[points.length - 1]];
  // Closed along the edge of the head, over the crown.
  const way = lean * RADIANS;
  const edge = edgeOver(last, first, c, (angle) => {
    const r =
      (half * out * high * out) / Math.hypot(high * out * Math.cos(angle - way), half * out * Math.sin(angle - way));
    return [c[0] + r * Math.cos(angle), c[1] + r * Math.sin(angle)];
  });
  return polygon([...points, ...edge]);
}

/** The longest stretch of a ring that is seen. */
function longestRun<T>(ring: readonly T[], isSeen: (one: T) => boolean): T[] {
  let [best, run]: [T[], T[]] = [[], []];
  for (const one of [...ring, ...ring]) {
    if (isSeen(one) && run.length < ring.length) run.push(one);
    else run = [];
    if (run.length > best.length) best = [...run];
  }
  return best;
}

function edgeOver(from: Spot, to: Spot, c: Spot, at: (angle: number) => Spot): Spot[] {
  const a = Math.atan2(from[1] - c[1], from[0] - c[0]);
  let b = Math.atan2(to[1] - c[1], to[0] - c[0]);
  // Over the crown: backwards from the right to the left.
  while (b > a) b -= 2 * Math.PI;
  const steps = 24;
  return Array.from({ length: steps - 1 }, (_, i) => at(a + ((b - a) * (i + 1)) / steps));
}

function hairLayers({ hair, hairColour: fill, scarf }: HeadLook, skull: Skull): Layers {
  const { c, half, high, unit, on, flat, ahead, lean } = skull;
  const back: Piece[] = [];
  const front: Piece[] = [];
  const put = (to: Piece[], d: string, more: Partial<Piece> = {}) => d && to.push({ d, fill, ...more });
  const way = (az: number, el: number, out: number) => flat(on(az, el, out));
  /** Below the head, as wide as this. */
  const fall = (to: number, wide: number, wavy = 0) => {
    const shift = -ahead[0] * half * 0.42;
    const left: Spot[] = [];
    const right: Spot[] = [];
    const steps = 8;
    for (let i = 0; i <= steps; i++) {
      const t = i / steps;
      const y = c[1] - high * 0.86 + (to * high + high * 0.86) * t;
      const w =
        half * wide * Math.min(1, 0.36 + Math.sqrt(t) * 1.16) * (t > 0.86 ? 0.96 : 1) +
        wavy * half * 0.07 * Math.sin(t * 17) * t;
      const back_ = shift * Math.min(1, t * 1.6);
      left.push([c[0] + back_ - w * (1 - 0.24 * Math.max(0, -ahead[0])), y]);
      right.push([c[0] + back_ + w * (1 - 0.24 * Math.max(0, ahead[0])), y]);
    }
    return smooth([...left, [c[0] + shift, c[1] + to * high + 5 * unit], ...right.toReversed()]);
  };
  if (scarf) {
    const veil: Piece = { d: '', fill: scarf };
    const drop = c[1] + high * 1.42;
    back.push({
      ...veil,
      d: smooth([
        [c[0] - half * 1.14, c[1]],
        [c[0] - half * 1.5, drop],
        [c[0], drop + high * 0.16],
        [c[0] + half * 1.5, drop],
        [c[0] + half * 1.14, c[1]],
        [c[0], c[1] - high * 1.14],
      ]),
    });
    const lines: Line = [
      [0, 40],
      [20, 38],
      [38, 28],
      [48, 8],
      [50, -14],
      [48, -34],
      [40, -52],
      [30, -64],
      [180, -80],
    ];
    front.push({ ...veil, d: cap(lines, skull, 1.12) });
    front.push({
      ...veil,
      d: smooth([
        way(48, -30, 1.1),
        way(30, -60, 1.06),
        [c[0], c[1] + high * 1.06],
        way(-30, -60, 1.06),
        way(-48, -30, 1.1),
        [c[0] - half * 1.16, c[1] + high * 0.9],
        [c[0] - half * 1.3, drop],
        [c[0], drop + high * 0.12],
        [c[0] + half * 1.3, drop],
        [c[0] + half * 1.16, c[1] + high * 0.9],
      ]),
    });
    return { back, front };
  }
  const nape = way(180, 6, 1.08);
  const tail = (from: Spot, wide: number, long: number, bow: number): string => {
    const end: Spot = [from[0] - ahead[0] * long * 0.5 + bow, from[1] + long];
    const mid: Spot = [from[0] - ahead[0] * long * 0.62 + bow * 0.6, from[1] + long * 0.34];
    return smooth([
      [from[0] - wide * 0.5, from[1]],
      [mid[0] - wide, mid[1]],
      [end[0] - wide * 0.5, end[1] - wide],
      end,
      [end[0] + wide * 0.5, end[1] - wide],
      [mid[0] + wide, mid[1]],
      [from[0] + wide * 0.5, from[1]],
    ]);
  };
  const puffs = (list: readonly (readonly [number, number, number])[], r: number, to: Piece[]) => {
    for (const [az, el, size] of list) put(to, circle(way(az, el, 1.06), r * size * unit));
  };
  switch (hair) {
    case 'none':
      break;
    case 'short':
      put(front, cap(SHORT, skull, 1.07));
      break;
    case 'crew cut':
      put(front, cap(SHORT, skull, 1.02), { opacity: 0.82 });
      break;
    case 'side parting':
      put(front, cap(USUAL, skull, 1.1, 1));
      break;
    case 'fringe':
      put(front, cap(FRINGE, skull, 1.08));
      break;
    case 'receding':
      put(front, cap(HIGH, skull, 1.04));
      break;
    case 'bob':
      put(back, fall(0.86, 1.16));
      put(front, cap(LOW, skull, 1.12));
      break;
    case 'long':
      put(back, fall(1.9, 1.14));
      put(front, cap(USUAL, skull, 1.1, 1));
      break;
    case 'long and wavy':
      put(back, fall(1.7, 1.24, 1));
      put(front, cap(USUAL, skull, 1.12));
      break;
    case 'ponytail':
      put(back, tail(nape, 13 * unit, 78 * unit, ahead[2] > 0.6 ? 26 * unit : 0));
      put(front, cap(USUAL, skull, 1.05));
      break;
    case 'bun':
      put(back, circle(way(180, 62, 1.3), 21 * unit));
      put(front, cap(USUAL, skull, 1.05));
      break;
    case 'two buns':
      for (const side of [1, -1]) put(back, circle(way(side * 96, 56, 1.26), 18 * unit));
      put(front, cap(USUAL, skull, 1.05));
      break;
    case 'plaits':
      for (const side of [1, -1]) {
        const root = way(side * 96, -24, 1.08);
        for (let i = 0; i < 6; i++)
          put(
            seenFront(skull, side) ? front : back,
            circle(
              [root[0] - ahead[0] * i * 1.4 * unit, root[1] + (8 + i * 13) * unit],
              (9.5 - i * 0.7) * unit,
              9 * unit,
            ),
          );
      }
      put(front, cap(USUAL, skull, 1.06));
      break;
    case 'braids':
      for (let i = -5; i <= 5; i++) {
        const root = way(180 + i * 16, -20, 1.08);
        put(
          back,
          capsule(root, 6 * unit, [root[0] - ahead[0] * 12 * unit + i * 1.6 * unit, root[1] + 74 * unit], 4.6 * unit),
        );
      }
      put(front, cap(USUAL, skull, 1.07));
      for (let i = -4; i <= 4; i++)
        if (seenFront(skull, 0))
          front.push({
            d: line([way(i * 15, 46, 1.07), way(i * 24, 78, 1.07)]),
            fill: null,
            stroke: '#00000033',
            width: 1.6 * unit,
          });
      break;
    case 'curly': {
      put(front, cap(USUAL, skull, 1.08));
      const ring: [number, number, number][] = [];
      for (let a = -180; a < 180; a += 30)
        ring.push([a, Math.abs(a) < 75 ? 52 : Math.abs(a) < 110 ? 18 : -14, 1], [a + 15, 66, 1.1]);
      ring.push([0, 88, 1.2]);
      puffs(
        ring.filter(([a, e]) => skull.seen(on(a, e)) > -6 * unit),
        14,
        front,
      );
      puffs(ring, 15, back);
      break;
    }
    case 'round and full': {
      const middle: Spot = [c[0] - ahead[0] * half * 0.3, c[1] - high * 0.3];
      put(back, circle(middle, half * 1.62, half * 1.5, lean));
      put(front, cap(USUAL, skull, 1.12));
      const rim = Array.from({ length: 18 }, (_, i): Spot => [
        middle[0] + half * 1.5 * Math.cos((i * Math.PI) / 9),
        middle[1] + half * 1.38 * Math.sin((i * Math.PI) / 9),
      ]);
      for (const p of rim) put(back, circle(p, half * 0.2));
    }
  }
  return { back, front };
}

const seenFront = ({ seen, on, unit }: Skull, side: number) =>
  side === 0 ? true : seen(on(side * 96, -24)) > -20 * unit;
