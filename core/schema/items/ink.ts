import { z } from 'zod';
import { Hex } from '../../values/primitives';
import { base, frame } from './common';

/** One stroke of the pen. */
export const InkItem = z.strictObject({
  kind: z.literal('ink'),
  ...base,
  ...frame,
  /** x, y as shares of the box and the pressure, one after the other. */
  points: z
    .array(z.number().min(-0.01).max(1.01))
    .min(3)
    .max(9000)
    .refine((list) => list.length % 3 === 0, 'three numbers a point'),
  colour: Hex,
  /** In points. */
  weight: z.number().min(0.3).max(120),
});
export type InkItem = z.infer<typeof InkItem>;
