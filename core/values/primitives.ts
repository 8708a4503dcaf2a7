import { z } from 'zod';

/** What documents are made of: identities, colours, paints, words. Lengths are points, angles degrees clockwise. */

/** Largest coordinate accepted: 100 in each way holds every poster and keeps absurd numbers out. */
export const FAR = 7200;

export const Id = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,40}$/)
  .refine((id) => id !== '__proto__');
export const Hex = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour is written as # and six hex digits');
export const Coordinate = z.number().min(-FAR).max(FAR);
export const Length = z.number().min(0).max(FAR);
export const Share = z.number().min(0).max(1);

export const Stop = z.object({ offset: Share, colour: Hex, opacity: Share });
export const Paint = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('solid'), colour: Hex, opacity: Share }),
  z.object({ kind: z.literal('linear'), angle: z.number().min(-360).max(360), stops: z.array(Stop).min(2).max(12) }),
  z.object({
    kind: z.literal('radial'),
    stops: z.array(Stop).min(2).max(12),
    /** Its middle as shares of the box, and how far it reaches as a share of half the diagonal. */
    x: Share.default(0.5),
    y: Share.default(0.5),
    reach: z.number().min(0.02).max(3).default(1),
  }),
]);
export const Shadow = z.strictObject({
  dx: z.number().min(-200).max(200),
  dy: z.number().min(-200).max(200),
  blur: z.number().min(0).max(100),
  colour: Hex,
  opacity: Share,
});
export const Outline = z.object({
  colour: Hex,
  width: z.number().min(0.1).max(100),
  dash: z.enum(['solid', 'dashed', 'dotted']),
});

export const RunStyle = z.strictObject({
  font: z.string().max(40).optional(),
  size: z.number().min(1).max(1000).optional(),
  bold: z.boolean().optional(),
  italic: z.boolean().optional(),
  underline: z.boolean().optional(),
  colour: Hex.optional(),
  /** Added after each character, in points. */
  letterSpacing: z.number().min(-20).max(200).optional(),
  /** Raised or lowered, and smaller. */
  script: z.enum(['none', 'super', 'sub']).optional(),
});
export const ParagraphFormat = z.strictObject({
  align: z.enum(['left', 'centre', 'right', 'justify']).optional(),
  list: z.enum(['none', 'bullet', 'number', 'letter']).optional(),
  level: z.number().int().min(0).max(5).optional(),
  /** A multiple of the face's own line height. */
  lineSpacing: z.number().min(0.5).max(5).optional(),
  /** Points of room before the paragraph. */
  before: z.number().min(0).max(500).optional(),
});
export const Run = z.strictObject({
  text: z.string().regex(/^[^\n\r]*$/, 'a run holds no line break'),
  style: RunStyle,
});
export const Paragraph = z.strictObject({ format: ParagraphFormat, runs: z.array(Run) });
export const TextBody = z.array(Paragraph).min(1);

export type Paint = z.infer<typeof Paint>;
export type Outline = z.infer<typeof Outline>;
export type Shadow = z.infer<typeof Shadow>;
export type RunStyle = z.infer<typeof RunStyle>;
export type ParagraphFormat = z.infer<typeof ParagraphFormat>;
export type Run = z.infer<typeof Run>;
export type Paragraph = z.infer<typeof Paragraph>;
export type TextBody = z.infer<typeof TextBody>;
