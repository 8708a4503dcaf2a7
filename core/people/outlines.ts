import { hundredths } from '../values/hundredths';

/** Paths that figures are drawn with, on paper: y down. */

export type Spot = readonly [x: number, y: number];

const at = ([x, y]: Spot) => `${hundredths(x)} ${hundredths(y)}`;

/** An ellipse: a place on it, and which way it goes there, by an angle in radians. */
type Round = { c: Spot; rx: number; ry: number; turn: number };
const onRound = ({ c, rx, ry, turn }: Round, angle: number): Spot => {
  const [x, y] = [rx * Math.cos(angle), ry * Math.sin(angle)];
  return [c[0] + x * Math.cos(turn) - y * Math.sin(turn), c[1] + x * Math.sin(turn) + y * Math.cos(turn)];
};

/** Along an ellipse from one angle to a larger one, by curves of a quarter at most. */
function arc(round: Round, from: number, to: number): string {
  const pieces = Math.max(1, Math.ceil((to - from) / (Math.PI / 2) - 1e-9));
  const step = (to - from) / pieces;
  const reach = (4 / 3) * Math.tan(step / 4);
  let d = '';
  for (let i = 0; i < pieces; i++) {
    const [a, b] = [from + i * step, from + (i + 1) * step];
    const handle = (angle: number, by: number): Spot => {
      const [p, q] = [onRound(round, angle), onRound({ ...round, c: [0, 0] }, angle + Math.PI / 2)];
      return [p[0] + q[0] * by, p[1] + q[1] * by];
    };
    d += `C${at(handle(a, reach))} ${at(handle(b, -reach))} ${at(onRound(round, b))}`;
  }
  return d;
}

export const circle = (c: Spot, rx: number, ry = rx, degrees = 0): string => {
  const round = { c, rx, ry, turn: (degrees * Math.PI) / 180 };
  return `M${at(onRound(round, 0))}${arc(round, 0, 2 * Math.PI)}Z`;
};

/** Two circles and what lies between them. */
export function capsule(a: Spot, ra: number, b: Spot, rb: number): string {
  const d = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (d <= Math.abs(ra - rb) + 0.01) return ra > rb ? circle(a, ra) : circle(b, rb);
  const along = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const off = Math.acos((ra - rb) / d);
  const [one, other] = [
    { c: a, rx: ra, ry: ra, turn: 0 },
    { c: b, rx: rb, ry: rb, turn: 0 },
  ];
  return (
    `M${at(onRound(one, along + off))}${arc(one, along + off, along - off + 2 * Math.PI)}` +
    `L${at(onRound(other, along - off))}${arc(other, along - off, along + off)}Z`
  );
}

export const polygon = (points: readonly Spot[]): string => `M${points.map(at).join('L')}Z`;
export const line = (points: readonly Spot[]): string => `M${points.map(at).join('L')}`;

/** Through points, smoothly. */
export function smooth(points: readonly Spot[], closed = true): string {
  const n = points.length;
  const get = (i: number) => (closed ? points[(i + n) % n] : points[Math.max(0, Math.min(n - 1, i))]);
  let d = `M${at(points[0])}`;
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [get(i - 1), get(i), get(i + 1), get(i + 2)];
    const [c1, c2] = [0, 1].map((k): Spot =>
      k === 0
        ? [p1[0] + (p2[0] - p0[0]) / 6, p1[1] + (p2[1] - p0[1]) / 6]
        : [p2[0] - (p3[0] - p1[0]) / 6, p2[1] - (p3[1] - p1[1]) / 6],
    );
    d += `C${at(c1)} ${at(c2)} ${at(p2)}`;
  }
  return closed ? `${d}Z` : d;
}

/** What a string around some circles would enclose. */
export function around(circles: readonly { c: Spot; r: number }[]): string {
  const all = circles.flatMap(({ c, r }) =>
    Array.from({ length: 20 }, (_, i): Spot => [
      c[0] + r * Math.cos((i * Math.PI) / 10),
      c[1] + r * Math.sin((i * Math.PI) / 10),
    ]),
  );
  return polygon(hull(all));
}

/** Andrew's monotone chain. */
function hull(points: readonly Spot[]): Spot[] {
  const sorted = points.toSorted((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly Spot[]) => {
    const out: Spot[] = [];
    for (const p of list) {
      for (;;) {
        const [a, b] = [out.at(-2), out.at(-1)];
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.toReversed())];
}
