import { z } from 'zod';
import type { Tone as ToneSettings } from '../../colour/tone';
import type { Clearing as ClearingRecipe } from '../../raster/recipe';
import { CLEARING } from '../../raster/limits';
import { SHAPES } from '../../geometry/shapes/shapes';
import { CROP } from '../../pictures/frame';
import { PICTURE_ID } from '../../pictures/picture';
import type { Patch as PatchSettings } from '../../pictures/patch';
import { Hex, Share } from '../../values/primitives';
import { base, frame } from './common';

const Change = z.number().min(-1).max(1);

/** See core/colour/tone.ts. */
const Tone: z.ZodType<ToneSettings> = z.strictObject({
  brightness: Change,
  contrast: Change,
  twoColours: z.strictObject({ dark: Hex, light: Hex }).nullable(),
  tint: z.strictObject({ colour: Hex, share: Share }).nullable(),
});

/** In shares of the picture's width and height; it may reach beyond the picture. */
const Crop = z.strictObject({
  x: z.number().min(-CROP.farthest).max(CROP.farthest),
  y: z.number().min(-CROP.farthest).max(CROP.farthest),
  width: z.number().min(CROP.least).max(CROP.most),
  height: z.number().min(CROP.least).max(CROP.most),
});

const Within = z.number().min(-0.5).max(1.5);

/** See core/raster/clearing.ts. */
export const Clearing: z.ZodType<ClearingRecipe> = z.strictObject({
  border: z.boolean(),
  spots: z.array(z.strictObject({ x: Share, y: Share })).max(CLEARING.spots),
  tolerance: Share,
  soft: Share,
  strokes: z
    .array(
      z.strictObject({
        erases: z.boolean(),
        size: z.number().min(0.001).max(1),
        points: z
          .array(Within)
          .min(2)
          .max(2 * CLEARING.points)
          .refine(({ length }) => length % 2 === 0),
      }),
    )
    .max(CLEARING.strokes),
});

/** See core/pictures/patch.ts. */
const Patch: z.ZodType<PatchSettings> = z.strictObject({
  x: Within,
  y: Within,
  width: Share,
  height: Share,
  round: z.boolean(),
  from: Hex,
  to: Hex,
  across: z.boolean(),
});
const MOST_PATCHES = 30;

/** More colours than any drawing has. */
const MOST_COLOURS = 200;

export const PictureItem = z.strictObject({
  kind: z.literal('picture'),
  ...base,
  ...frame,
  /** SET/NAME of a shipped picture. */
  picture: z.string().regex(PICTURE_ID),
  credit: z.string().max(300),
  /** In its colours, or as clean outlines to be coloured in. */
  form: z.enum(['colour', 'outline']).default('colour'),
  /** How far its colours are washed out towards white. */
  soften: Share.default(0),
  /** The height of its mirror image below, as a share of its own. */
  reflection: Share.default(0),
  /** The part of it that shows in its frame; null for the whole. */
  crop: Crop.nullable().default(null),
  /** The shape that it is cut to; null for its frame. */
  cut: z.enum(SHAPES).nullable().default(null),
  /** Other colours in place of those of a drawing. */
  colours: z
    .record(Hex, Hex)
    .refine((colours) => Object.keys(colours).length <= MOST_COLOURS, `at most ${MOST_COLOURS} colours`)
    .default({}),
  tone: Tone.nullable().default(null),
  /** How its background is taken away. */
  clearing: Clearing.nullable().default(null),
  patches: z.array(Patch).max(MOST_PATCHES).default([]),
});
export type PictureItem = z.infer<typeof PictureItem>;
