import type { Box, Matrix, Point } from './matrix';
import { transform } from './matrix';

/** Upright boxes. */

export const corners = ({ x, y, width, height }: Box): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

export const centre = ({ x, y, width, height }: Box): Point => ({ x: x + width / 2, y: y + height / 2 });

/** The middle of a box's right edge, where threads to the margin begin. */
export const rightMiddle = ({ x, y, width, height }: Box): Point => ({ x: x + width, y: y + height / 2 });

/** The smallest upright box around some points; a box of no size at the origin for none. */
export function around(points: readonly Point[]): Box {
  if (points.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** Two opposite corners of each tell as much as all four. */
export const union = (boxes: readonly Box[]): Box =>
  around(
    boxes.flatMap(({ x, y, width, height }) => [
      { x, y },
      { x: x + width, y: y + height },
    ]),
  );
export const mapped = (box: Box, matrix: Matrix): Box => around(corners(box).map((point) => transform(matrix, point)));
export const grown = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});
export const contains = (box: Box, { x, y }: Point) =>
  x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height;
export const encloses = (outer: Box, inner: Box) =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width &&
  inner.y + inner.height <= outer.y + outer.height;
export const overlaps = (a: Box, b: Box) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** The part that two boxes have in common; null where they don't overlap. */
export function common(a: Box, b: Box): Box | null {
  if (!overlaps(a, b)) return null;
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  return {
    x,
    y,
    width: Math.min(a.x + a.width, b.x + b.width) - x,
    height: Math.min(a.y + a.height, b.y + b.height) - y,
  };
}

/** The area that two boxes have in common. */
export const overlapArea = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** The box that two opposite corners span, whichever way they lie. */
export const spanned = (a: Point, b: Point): Box => around([a, b]);
