import { z } from 'zod';
import { Coordinate, Hex, Id, Outline, Share } from '../../values/primitives';
import { base } from './common';

export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** Where a line ends: x, y in its parent's coordinates, and what it holds on to there. */
export const End = z.strictObject({
  x: Coordinate,
  y: Coordinate,
  /** The item it is attached to, or null when free. */
  item: Id.nullable(),
  /** A named target of a diagram, or null for the nearest point of the item's edge. */
  target: z.string().max(60).nullable(),
  /** The side of the item in whose middle it ends; null for the nearest point of its edge. */
  side: z.enum(SIDES).nullable().default(null),
});
export const CAPS = ['none', 'arrow', 'open', 'dot', 'ring', 'bar', 'square'] as const;
const Cap = z.enum(CAPS);
export const LineItem = z.strictObject({
  kind: z.literal('line'),
  ...base,
  from: End,
  to: End,
  route: z.enum(['straight', 'stepped', 'curved']),
  /** Where the step stands, or how much the curve bends. */
  bend: Share.default(0.5),
  /** Points that it is led through on its way, in its parent's coordinates. */
  via: z
    .array(z.strictObject({ x: Coordinate, y: Coordinate }))
    .max(60)
    .default([]),
  outline: Outline,
  /** A light edge on both sides, so that it is seen over dark pictures. */
  edge: Hex.nullable().default(null),
  startCap: Cap,
  endCap: Cap,
});

export type End = z.infer<typeof End>;
export type Cap = z.infer<typeof Cap>;
export type LineItem = z.infer<typeof LineItem>;
