import { contourDensity } from 'd3-contour';
import type { Point } from '../geometry/matrix';

/** What students put where, as dots and heat on a page. A file of its own: screens with it need nothing that draws sheets. */

export type Placed = Point & {
  page: string;
  item: string;
  /** What was put there, in words. */
  what: string;
  /** Whether it is right, as it was counted or ruled; null where no answer key says. */
  right: boolean | null;
};

/** The golden angle, by which seeds lie in a flower: each finds room beside those before it. */
const TURN = Math.PI * (3 - Math.sqrt(5));

/**
 * The same dots, those of one place lying around it rather than on each other; right ones in the middle.
 * @param size the diameter of a dot
 */
export function seeded<D extends Placed>(dots: readonly D[], size: number): D[] {
  const places = new Map<string, D[]>();
  for (const dot of dots) {
    // Nobody places anything twice at the same hair's breadth.
    const key = `${dot.page} ${Math.round(dot.x / size)} ${Math.round(dot.y / size)}`;
    places.set(key, [...(places.get(key) ?? []), dot]);
  }
  const order = (dot: Placed) => (dot.right === true ? 0 : dot.right === null ? 1 : 2);
  return [...places.values()].flatMap((list) => {
    if (list.length === 1) return list;
    const x = list.reduce((sum, dot) => sum + dot.x, 0) / list.length;
    const y = list.reduce((sum, dot) => sum + dot.y, 0) / list.length;
    return list
      .toSorted((a, b) => order(a) - order(b))
      .map((dot, i) => {
        const away = size * 0.62 * Math.sqrt(i);
        return { ...dot, x: x + away * Math.cos(i * TURN), y: y + away * Math.sin(i * TURN) };
      });
  });
}

/** How far one dot warms what is around it, as a share of the page's width; and in how many steps warmth is told. */
const WARMTH = 0.032;
const STEPS = 7;

/** Where dots lie densely: outlines as SVG path data from the mildest to the warmest. Empty for no dots. */
export function heatOf(dots: readonly Point[], { width, height }: { width: number; height: number }): string[] {
  if (dots.length === 0) return [];
  const density = contourDensity<Point>()
    .x(({ x }) => x)
    .y(({ y }) => y)
    .size([width, height])
    .cellSize(4)
    .bandwidth(width * WARMTH)
    .thresholds(STEPS);
  const ring = (points: readonly (readonly number[])[]) =>
    `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
  return density([...dots])
    .map(({ coordinates }) => coordinates.flatMap((polygon) => polygon.map(ring)).join(''))
    .filter(Boolean);
}

/** What was put, how often, and how often it is right there; the most frequent first, those that differ only in capitals together. */
export type What = { what: string; count: number; right: number; wrong: number };
export function whatWasPut(dots: readonly Placed[]): What[] {
  const by = new Map<string, What>();
  for (const { what, right } of dots) {
    const one = by.get(what) ?? { what, count: 0, right: 0, wrong: 0 };
    one.count++;
    if (right !== null) one[right ? 'right' : 'wrong']++;
    by.set(what, one);
  }
  const near = (what: string) => what.toLowerCase();
  const sizes = new Map<string, number>();
  for (const { what, count } of by.values()) sizes.set(near(what), (sizes.get(near(what)) ?? 0) + count);
  return [...by.values()].sort(
    (a, b) =>
      sizes.get(near(b.what))! - sizes.get(near(a.what))! ||
      near(a.what).localeCompare(near(b.what)) ||
      b.count - a.count ||
      (a.what < b.what ? -1 : 1),
  );
}
