import type { InkItem } from '../schema/sheet';
import { around } from '../geometry/box';
import { frameMatrix } from '../geometry/frame';
import { distanceTo } from './line';
import type { Point } from '../geometry/matrix';
import { inverse, transform } from '../geometry/matrix';

/** Pen strokes from the points that a pen went through, and what an eraser leaves of them. */

/** x, y and pressure 0 to 1, in the coordinates of the page or group. */
export type PenPoint = [x: number, y: number, pressure: number];
const round = (value: number) => Math.round(value * 1e5) / 1e5;
/** A stroke of no extent still has a box. */
const THIN = 0.5;
/** The schema holds so many points; a longer stroke is thinned out. */
const MOST = 3000;

/** The frame and points of a stroke. */
export function strokeOf(given: readonly PenPoint[]): Pick<InkItem, 'x' | 'y' | 'width' | 'height' | 'points'> {
  const every = Math.ceil(given.length / MOST);
  const points = every > 1 ? given.filter((_, i) => i % every === 0 || i === given.length - 1) : given;
  const box = around(points.map(([x, y]) => ({ x, y })));
  const [width, height] = [Math.max(THIN, box.width), Math.max(THIN, box.height)];
  return {
    x: box.x,
    y: box.y,
    width,
    height,
    points: points.flatMap(([x, y, pressure]) => [
      round((x - box.x) / width),
      round((y - box.y) / height),
      round(Math.max(0, Math.min(1, pressure))),
    ]),
  };
}

/** The points of a stroke in the coordinates of what it lies in. */
export function pointsOf(item: InkItem): PenPoint[] {
  const matrix = frameMatrix(item);
  const out: PenPoint[] = [];
  for (let i = 0; i < item.points.length; i += 3) {
    const { x, y } = transform(matrix, { x: item.points[i] * item.width, y: item.points[i + 1] * item.height });
    out.push([x, y, item.points[i + 2]]);
  }
  return out;
}

/**
 * What is left of a stroke when an eraser of some radius went along `path`: the pieces beyond it, or null when it was not
 * touched. Long spans are cut where the eraser's edge meets them.
 */
export function erased(item: InkItem, path: readonly Point[], radius: number): PenPoint[][] | null {
  const reach = radius + item.weight / 2;
  const touched = ([x, y]: PenPoint) => {
    const at = { x, y };
    return path.length === 1 ? Math.hypot(path[0].x - x, path[0].y - y) <= reach : distanceTo(path, at) <= reach;
  };
  const dense = densified(pointsOf(item), Math.max(0.5, reach / 3));
  const pieces: PenPoint[][] = [];
  let piece: PenPoint[] = [];
  let any = false;
  for (const point of dense) {
    if (touched(point)) {
      any = true;
      if (piece.length > 0) pieces.push(piece);
      piece = [];
    } else piece.push(point);
  }
  if (piece.length > 0) pieces.push(piece);
  if (!any) return null;
  // Crumbs that the eye would not see go with the rest.
  return pieces.filter((one) => one.length > 1);
}

function densified(points: readonly PenPoint[], step: number): PenPoint[] {
  const out: PenPoint[] = points.length > 0 ? [points[0]] : [];
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    const count = Math.min(400, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / step));
    for (let k = 1; k <= count; k++) {
      const t = k / count;
      out.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]);
    }
  }
  return out;
}

/** Whether an eraser could meet a stroke at all: a quick look at boxes before the exact one. */
export function mayTouch(item: InkItem, at: Point, radius: number): boolean {
  const local = transform(inverse(frameMatrix(item)), at);
  const reach = radius + item.weight;
  return local.x > -reach && local.y > -reach && local.x < item.width + reach && local.y < item.height + reach;
}
