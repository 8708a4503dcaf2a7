import { z } from 'zod';
import { TextBody, Hex, Outline, Paint, Share } from '../../values/primitives';
import { base, frame, writing } from './common';

/** Words drawn large: along a curve, with a fill and an outline of their own. They stay words. */
export const Lettering = z.strictObject({
  curve: z.enum(['straight', 'arch', 'circle', 'wave', 'slope']),
  /** How much, and which way round. */
  amount: z.number().min(-1).max(1),
  /** Painted across all letters together; null: each word keeps its colour. */
  fill: Paint.nullable(),
  /** Lies behind the letters, so that they keep their form. */
  outline: Outline.nullable(),
});
/** A backing behind the words alone, line by line. */
export const Plate = z.strictObject({
  colour: Hex,
  opacity: Share,
  /** How far it reaches beyond the words, in points, and the radius of its corners. */
  spread: z.number().min(0).max(60),
  corner: z.number().min(0).max(60),
});

export const TextItem = z.strictObject({
  kind: z.literal('text'),
  ...base,
  ...frame,
  ...writing,
  body: TextBody,
  /**
   * grow: the box is as high as its words; shrink: the words get smaller until they fit; keep: what is over is reported;
   * width: the longest line is made just as wide as the box; lines: each line is.
   */
  fit: z.enum(['grow', 'shrink', 'keep', 'width', 'lines']),
  /** The size in points below which words never shrink. */
  least: z.number().min(1).max(200).default(7),
  plate: Plate.nullable().default(null),
  lettering: Lettering.nullable().default(null),
  fill: Paint.nullable(),
  outline: Outline.nullable(),
  corner: z.number().min(0).max(500),
  /** Shown faintly while the box is empty; never printed. */
  prompt: z.string().max(200),
  /** Given out empty: its words are then the answer, and never leave the server towards a student. */
  blank: z.boolean(),
  /** Other words that count as right where it is blank; kept from students likewise. */
  also: z.array(z.string().min(1).max(200)).max(20),
  /** Its words are kept in step with the page: the sources of its pictures. */
  follows: z.enum(['credits']).nullable().default(null),
});

export type Lettering = z.infer<typeof Lettering>;
export type Plate = z.infer<typeof Plate>;
export type TextItem = z.infer<typeof TextItem>;
