import { z } from 'zod';
import { Hex, Share } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** What a word cloud is made from: words with weights, and what they fill. */

export const ANGLES = ['level', 'crossed', 'slight', 'any'] as const;
export type Angles = (typeof ANGLES)[number];

/** More words than these can't be told apart on a page. */
export const MOST_WORDS = 400;

export const Weighted = z.strictObject({
  text: z
    .string()
    .min(1)
    .max(120)
    .regex(/^[^\n\r]*$/, 'a word or phrase is one line'),
  weight: z.number().min(0.01).max(1_000_000),
});

export const CloudShape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('frame') }),
  z.strictObject({ kind: z.literal('round') }),
  /** SET/NAME of a picture whose outline is filled. */
  z.strictObject({ kind: z.literal('picture'), picture: z.string().max(90) }),
  z.strictObject({ kind: z.literal('letters'), letters: z.string().min(1).max(6), font: z.string().max(40) }),
]);

export const CloudRecipe = z.strictObject({
  words: z.array(Weighted).max(MOST_WORDS, `at most ${MOST_WORDS} words`),
  shape: CloudShape,
  angles: z.enum(ANGLES),
  /** The faces that words are set in, one each in turn. */
  font: z.array(z.string().max(40)).min(1).max(6),
  bold: z.boolean(),
  colours: z.array(Hex).min(1).max(10),
  /** Whether a colour tells the weight, or colours are mixed. */
  tint: z.enum(['mixed', 'weight']),
  /** How much larger a heavier word is: 0 all alike, 1 as the weights say. */
  spread: Share,
  /** Words are set again, small, until the shape is full. */
  repeat: z.boolean(),
  /** Long phrases stand in lines. */
  wrap: z.boolean(),
  /** Room around words, as a share of their size. */
  air: z.number().min(0).max(0.5),
  /** No word is smaller than this, in points. */
  size: z.number().min(5).max(120),
});

export type Weighted = z.infer<typeof Weighted>;
export type CloudShape = z.infer<typeof CloudShape>;
export type CloudRecipe = z.infer<typeof CloudRecipe>;

export const CLOUD: RecipeKind<'cloud', typeof CloudRecipe> = {
  kind: 'cloud',
  name: 'word cloud',
  recipe: CloudRecipe,
};
