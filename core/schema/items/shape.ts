import { z } from 'zod';
import { FARTHEST, SHAPES } from '../../geometry/shapes/shapes';
import { TextBody, Outline, Paint } from '../../values/primitives';
import { base, frame, writing } from './common';

export const ShapeItem = z.strictObject({
  kind: z.literal('shape'),
  ...base,
  ...frame,
  ...writing,
  shape: z.enum(SHAPES),
  /** The values of the shape's own handles; those that are missing are as the shape starts. The corners of a free figure. */
  adjust: z.preprocess(
    (value) => (typeof value === 'number' ? [value] : value),
    z.array(z.number().min(-FARTHEST).max(FARTHEST)).max(800),
  ),
  fill: Paint.nullable(),
  outline: Outline.nullable(),
  body: TextBody,
});
export type ShapeItem = z.infer<typeof ShapeItem>;
