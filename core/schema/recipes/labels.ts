import { z } from 'zod';
import { Hex, Id, Share } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** What a labelled diagram is made from: a picture, spots on it with what they are called, and which edition of it. */

export const EDITIONS = ['filled', 'first', 'some', 'blank', 'bank', 'swapped', 'explain', 'numbers'] as const;
export type Edition = (typeof EDITIONS)[number];
export const LABEL_SIDES = ['both', 'left', 'right'] as const;

/** The part of the group that was drawn by hand. */
export const DRAWING = 'drawing';

/** More than these have no room around any picture. */
export const MOST_LABELS = 60;

export const Spot = z.strictObject({
  id: Id.max(16),
  words: z.string().max(200),
  /** Other words that count as right. */
  also: z.array(z.string().min(1).max(200)).max(19).default([]),
  /** Where it is, as shares of the picture. */
  x: Share,
  y: Share,
  /** A region instead of a point: its width and height, as shares of the picture. */
  wide: Share.default(0),
  high: Share.default(0),
  /** The named part of the picture that it is; its place is that part's then. */
  target: z.string().max(60).nullable().default(null),
  /** The two lines of a call-out. */
  definition: z.string().max(400).default(''),
  reason: z.string().max(400).default(''),
});

const CallOutLine = z.strictObject({ name: z.string().min(1).max(40), role: z.string().min(1).max(40) });
export type CallOutLine = z.infer<typeof CallOutLine>;

export const LabelsRecipe = z.strictObject({
  /** SET/NAME of the picture. */
  picture: z.string().max(90),
  /** Instead of the picture: what was drawn by hand, as the group's own part `drawing`; its width over its height. */
  drawing: z
    .strictObject({ ratio: z.number().min(0.02).max(50) })
    .nullable()
    .default(null),
  spots: z.array(Spot).max(MOST_LABELS, `at most ${MOST_LABELS} labels`),
  /** A word, or a call-out: a title with two lines. */
  form: z.enum(['word', 'traits']),
  /** What the two lines of a call-out hold, and the roles of the sheet that they are set in. */
  lines: z.tuple([CallOutLine, CallOutLine]).default([
    { name: 'Definition', role: 'definition' },
    { name: 'Reason', role: 'reason' },
  ]),
  edition: z.enum(EDITIONS),
  /** How many are blank, or swapped, where the edition leaves only some. */
  some: z.number().int().min(1).max(MOST_LABELS),
  /** Words in the bank that belong nowhere. */
  decoys: z.array(z.string().min(1).max(200)).max(20),
  sides: z.enum(LABEL_SIDES),
  /** The size of words in points. */
  size: z.number().min(5).max(120),
  fill: Hex.nullable(),
  edge: Hex,
  line: Hex,
});
export type Spot = z.infer<typeof Spot>;
export type LabelsRecipe = z.infer<typeof LabelsRecipe>;

export const LABELS: RecipeKind<'labels', typeof LabelsRecipe> = {
  kind: 'labels',
  name: 'labelled diagram',
  recipe: LabelsRecipe,
  followsParts: true,
};
