import { getStroke } from 'perfect-freehand';
import { ink } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import { distanceTo } from '../placement/line';
import type { InkItem } from '../schema/sheet';
import { hundredths as f } from '../values/hundredths';
import type { ItemKind } from './kind';
import { tidy, within } from './measures';

/** The outline of a pen stroke at the size of its frame; its weight stays as it is. */
export function inkPath({ points, width, height, weight }: InkItem): string {
  const list: [number, number, number][] = [];
  for (let i = 0; i < points.length; i += 3) list.push([points[i] * width, points[i + 1] * height, points[i + 2]]);
  const edge = getStroke(list, {
    size: weight,
    thinning: 0.35,
    smoothing: 0.5,
    streamline: 0.25,
    simulatePressure: false,
  });
  if (edge.length < 3) return '';
  const middle = ([ax, ay]: number[], [bx, by]: number[]) => `${f((ax + bx) / 2)} ${f((ay + by) / 2)}`;
  let d = `M${middle(edge[edge.length - 1], edge[0])}`;
  edge.forEach((p, i) => (d += `Q${f(p[0])} ${f(p[1])} ${middle(p, edge[(i + 1) % edge.length])}`));
  return `${d}Z`;
}

/** Whether a point in the frame of a stroke meets it. */
export function inkTouched({ points, width, height, weight }: InkItem, local: Point, reach: number): boolean {
  const chain: Point[] = [];
  for (let i = 0; i < points.length; i += 3) chain.push({ x: points[i] * width, y: points[i + 1] * height });
  const near = chain.length === 1 ? Math.hypot(chain[0].x - local.x, chain[0].y - local.y) : distanceTo(chain, local);
  return near <= reach + weight / 2;
}

export const INK: ItemKind<InkItem> = {
  kind: 'ink',
  name: 'pen stroke',
  called: (item) => item.alt || 'pen stroke',
  look: ['opacity', 'shadow', 'colour', 'weight'],
  filled: () => [],
  pointedAt: true,
  seenIn: ({ colour }) => colour,
  draw(item) {
    const d = inkPath(item);
    return d ? [{ kind: 'path', d, fill: ink(item.colour) }] : [];
  },
  meets: (item, { at, reach }) => inkTouched(item, at, reach),
  grown: (item, { weight }) =>
    weight === 1 ? item : { ...item, weight: tidy(within(item.weight * weight, 0.3, 120)) },
  recoloured: (item, to) => ({ ...item, colour: to(item.colour) }),
};
