import type { Box, Point } from './matrix';

/** Paths taken apart into corners, to ask what lies in them. */

/** Closed chains of x, y, x, y …; and the box around them all. */
export type Rings = { rings: Float64Array[]; box: Box };

/** How many straight pieces stand for one curve: enough for a hit, or for a sample of a colour. */
const PIECES = 8;
const known = new Map<string, Rings>();
const REMEMBERED = 6000;

/** Reads path data of absolute M, L, H, V, C, Q and Z commands; others are passed over. */
export function flatten(d: string): Rings {
  const had = known.get(d);
  if (had) return had;
  const rings: Float64Array[] = [];
  let ring: number[] = [];
  let [x, y] = [0, 0];
  const end = () => {
    if (ring.length >= 4) rings.push(Float64Array.from(ring));
    ring = [];
  };
  for (const [, command, list] of d.matchAll(/([MLHVCQZ])([^A-Za-z]*)/g)) {
    const n = (list.match(/-?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);
    if (command === 'M') {
      end();
      ring = [...n];
    } else if (command === 'L') ring.push(...n);
    else if (command === 'H') for (const value of n) ring.push(value, y);
    else if (command === 'V') for (const value of n) ring.push(x, value);
    else if (command === 'C' || command === 'Q') {
      const step = command === 'C' ? 6 : 4;
      for (let i = 0; i + step <= n.length; i += step) {
        const c =
          step === 6
            ? n.slice(i, i + 6)
            : [
                x + ((n[i] - x) * 2) / 3,
                y + ((n[i + 1] - y) * 2) / 3,
                n[i + 2] + ((n[i] - n[i + 2]) * 2) / 3,
                n[i + 3] + ((n[i + 1] - n[i + 3]) * 2) / 3,
                n[i + 2],
                n[i + 3],
              ];
        for (let k = 1; k <= PIECES; k++) {
          const t = k / PIECES;
          const u = 1 - t;
          ring.push(
            u * u * u * x + 3 * u * u * t * c[0] + 3 * u * t * t * c[2] + t * t * t * c[4],
            u * u * u * y + 3 * u * u * t * c[1] + 3 * u * t * t * c[3] + t * t * t * c[5],
          );
        }
        [x, y] = [c[4], c[5]];
      }
    }
    if (ring.length >= 2 && command !== 'Z') [x, y] = ring.slice(-2);
    if (command === 'Z' && ring.length >= 2) {
      const [startX, startY] = ring;
      end();
      [x, y] = [startX, startY];
      ring = [startX, startY];
    }
  }
  end();
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const points of rings)
    for (let i = 0; i < points.length; i += 2) {
      left = Math.min(left, points[i]);
      right = Math.max(right, points[i]);
      top = Math.min(top, points[i + 1]);
      bottom = Math.max(bottom, points[i + 1]);
    }
  const box =
    rings.length > 0
      ? { x: left, y: top, width: right - left, height: bottom - top }
      : { x: 0, y: 0, width: 0, height: 0 };
  const made = { rings, box };
  if (known.size > REMEMBERED) known.clear();
  known.set(d, made);
  return made;
}

/** Whether a point lies in what the path fills: by the non-zero rule, or the even-odd one. */
export function covers({ rings, box }: Rings, { x, y }: Point, evenOdd = false): boolean {
  if (x < box.x || x > box.x + box.width || y < box.y || y > box.y + box.height) return false;
  let winding = 0;
  let crossings = 0;
  for (const points of rings) {
    let [ax, ay] = points.slice(-2);
    for (let i = 0; i < points.length; i += 2) {
      const [bx, by] = [points[i], points[i + 1]];
      if (ay <= y !== by <= y) {
        const side = (bx - ax) * (y - ay) - (x - ax) * (by - ay);
        if (by > ay ? side > 0 : side < 0) {
          winding += by > ay ? 1 : -1;
          crossings++;
        }
      }
      [ax, ay] = [bx, by];
    }
  }
  return evenOdd ? crossings % 2 === 1 : winding !== 0;
}

/** Where a ray from one point meets the path's edge: the shares of its way to another, 1 being there. */
export function crossings({ rings }: Rings, from: Point, to: Point): number[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const out: number[] = [];
  for (const points of rings) {
    let [ax, ay] = points.slice(-2);
    for (let i = 0; i < points.length; i += 2) {
      const [bx, by] = [points[i], points[i + 1]];
      const across = dx * (by - ay) - dy * (bx - ax);
      if (across !== 0) {
        const t = ((ax - from.x) * (by - ay) - (ay - from.y) * (bx - ax)) / across;
        const u = ((ax - from.x) * dy - (ay - from.y) * dx) / across;
        if (t >= 0 && u >= 0 && u <= 1) out.push(t);
      }
      [ax, ay] = [bx, by];
    }
  }
  return out;
}

/** The distance of a point from the path's edge. */
export function edgeDistance({ rings }: Rings, { x, y }: Point): number {
  let best = Infinity;
  for (const points of rings) {
    let [ax, ay] = points.slice(-2);
    for (let i = 0; i < points.length; i += 2) {
      const [bx, by] = [points[i], points[i + 1]];
      const length = (bx - ax) ** 2 + (by - ay) ** 2;
      const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length));
      best = Math.min(best, Math.hypot(ax + t * (bx - ax) - x, ay + t * (by - ay) - y));
      [ax, ay] = [bx, by];
    }
  }
  return best;
}
