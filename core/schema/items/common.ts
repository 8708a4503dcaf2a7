import { z } from 'zod';
import { Coordinate, Id, Length, Shadow, Share } from '../../values/primitives';
import { MadeMark } from './made';

/** What the kinds of items have in common. */

export const base = {
  id: Id,
  opacity: Share,
  locked: z.boolean(),
  hidden: z.boolean(),
  /** What a student may do with it: nothing, fill it in, or anything. */
  touch: z.enum(['fixed', 'fill', 'free']),
  role: z.string().max(40).nullable(),
  alt: z.string().max(1000),
  shadow: Shadow.nullable().default(null),
  /** Which part of what a maker made it is, and as what it was made; null for what was put down by hand. */
  made: MadeMark.nullable().default(null),
};
export const frame = {
  x: Coordinate,
  y: Coordinate,
  width: Length,
  height: Length,
  angle: z.number().min(-360).max(360),
  flipX: z.boolean(),
  flipY: z.boolean(),
};
export const writing = {
  padding: z.number().min(0).max(200),
  vertical: z.enum(['top', 'middle', 'bottom']),
};
