import type { Point } from '../matrix';
import type { ShapeKind } from './pen';
import { polygon, within } from './pen';
import { PLAIN } from './plain';
import { ROUND } from './round';
import { RIBBONS, SPOKEN } from './spoken';
import { HOLDING, WAYS } from './ways';

export { roundedBox } from './plain';

/** A figure of any corners, as makers draw it: x and y of each as shares of the box. It is not offered by itself. */
const FREE = {
  free: {
    name: 'figure',
    corners: true,
    start: [0, 0, 1, 0, 1, 1, 0, 1],
    path: (w, h, a) =>
      polygon(Array.from({ length: a.length >> 1 }, (_, i) => [a[2 * i] * w, a[2 * i + 1] * h] as const)),
    inside: (w, h) => within(w, h, 0),
  },
} satisfies Record<string, ShapeKind>;

/** As far as a value goes for a handle that reaches anywhere. */
export const FARTHEST = 1000;

/** The outlines of shapes in their local box. A new shape is one row in a file of shapes/, and shows up everywhere. */

const KINDS = { ...PLAIN, ...ROUND, ...SPOKEN, ...RIBBONS, ...WAYS, ...HOLDING, ...FREE };
export type ShapeName = keyof typeof KINDS;
export const OUTLINES: Record<ShapeName, ShapeKind> = KINDS;
export const SHAPES = Object.keys(KINDS) as [ShapeName, ...ShapeName[]];

/** How shapes are offered: by what they are for. */
export const FAMILIES: { name: string; shapes: ShapeName[] }[] = [
  { name: 'plain', shapes: Object.keys(PLAIN) as ShapeName[] },
  { name: 'round and outdoors', shapes: Object.keys(ROUND) as ShapeName[] },
  { name: 'spoken', shapes: Object.keys(SPOKEN) as ShapeName[] },
  { name: 'ribbons', shapes: Object.keys(RIBBONS) as ShapeName[] },
  { name: 'ways', shapes: Object.keys(WAYS) as ShapeName[] },
  { name: 'holding', shapes: Object.keys(HOLDING) as ShapeName[] },
];

/** The values of a shape's handles, those that are missing as the shape starts with. */
export function valuesOf(shape: ShapeName, adjust: readonly number[]): number[] {
  const { corners, start = [], reached } = OUTLINES[shape];
  const values = corners && adjust.length >= 6 ? adjust : start.map((value, i) => adjust[i] ?? value);
  return reached ? [...values] : values.map((value) => Math.max(0, Math.min(1, value)));
}

export const shapePath = (shape: ShapeName, width: number, height: number, adjust: readonly number[]) =>
  OUTLINES[shape].path(width, height, valuesOf(shape, adjust));

export const shapeInside = (shape: ShapeName, width: number, height: number, adjust: readonly number[]) =>
  OUTLINES[shape].inside(width, height, valuesOf(shape, adjust));

export type ShapeHandle = { point: Point };

/** Where a shape's handles stand: one for each value, or one for all where it reaches anywhere. */
export const shapeHandles = (
  shape: ShapeName,
  width: number,
  height: number,
  adjust: readonly number[],
): ShapeHandle[] =>
  (OUTLINES[shape].handles?.(width, height, valuesOf(shape, adjust)) ?? []).map((point) => ({ point }));

const rounded = (value: number) => Math.round(value * 1e4) / 1e4;

/** The values at which a handle stands nearest to a point: a coarse search, then a fine one about its best. */
export function adjusted(
  shape: ShapeName,
  width: number,
  height: number,
  adjust: readonly number[],
  handle: number,
  point: Point,
): number[] {
  const kind = OUTLINES[shape];
  if (kind.reached)
    return kind.reached(width, height, point).map((value) => rounded(Math.max(-FARTHEST, Math.min(FARTHEST, value))));
  const now = valuesOf(shape, adjust);
  const miss = (value: number) => {
    const tried = now.with(handle, value);
    const at = kind.handles!(width, height, tried)[handle];
    return Math.hypot(at.x - point.x, at.y - point.y);
  };
  let best = 0;
  let step = 1 / 40;
  for (let i = 0; i <= 40; i++) if (miss(i / 40) < miss(best)) best = i / 40;
  while (step > 1e-4) {
    step /= 2;
    for (const value of [best - step, best + step])
      if (value >= 0 && value <= 1 && miss(value) < miss(best)) best = value;
  }
  return now.with(handle, rounded(best));
}
