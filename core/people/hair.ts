import type { Spot } from './outlines';
import { capsule, circle, line, polygon, smooth } from './outlines';
import type { HeadLook, Layers, Piece, Skull } from './skull';
import { RADIANS } from './space';

/** Hair of all kinds, and scarves. */

export const coversEars = ({ hair, scarf }: HeadLook) =>
  scarf !== null || ['bob', 'long', 'long and wavy', 'curly', 'round and full', 'braids'].includes(hair);

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
function cap(begins: Line, { on, flat, seen, c, unit, half, high, lean }: Skull, out: number, parting = 0): string {
  const whole = [
    ...begins
      .slice(1)
      .toReversed()
      .map(([a, e]): [number, number] => [-a, e]),
    ...begins,
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

export function hairLayers({ hair, hairColour: fill, scarf }: HeadLook, skull: Skull): Layers {
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
      const behind = shift * Math.min(1, t * 1.6);
      left.push([c[0] + behind - w * (1 - 0.24 * Math.max(0, -ahead[0])), y]);
      right.push([c[0] + behind + w * (1 - 0.24 * Math.max(0, ahead[0])), y]);
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
