import { z } from 'zod';
import { Hex } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** What practice sheets are made from: what all have, and what each type has of its own. */

export const Thing = z.strictObject({
  /** SET/NAME of a picture, or none. */
  picture: z.string().max(90).nullable(),
  word: z.string().max(80),
  /** What belongs to it: a second word, an answer, a clue. */
  other: z.string().max(200).default(''),
});
export type Thing = z.infer<typeof Thing>;
export const Things = z.array(Thing).max(60, 'at most 60 things');
const Named = z.strictObject({ name: z.string().max(60), things: Things });
const whole = (least: number, most: number) => z.number().int().min(least).max(most);

const common = {
  title: z.string().max(120),
  instruction: z.string().max(300),
  /** Whether there is a line for the student's name. */
  nameLine: z.boolean(),
  /** The letter of one of several versions, on the sheet and on its key. */
  version: z.string().max(3).optional(),
  face: z.string().max(40),
  /** The size of words in points. */
  size: z.number().min(5).max(120),
  ink: Hex,
  tint: Hex,
};
const type = <T extends string, S extends z.ZodRawShape>(name: T, shape: S) =>
  z.strictObject({ type: z.literal(name), ...common, ...shape });

export const SHOWN = ['picture', 'word', 'other'] as const;
export const OPERATIONS = ['+', '−', '×', '÷'] as const;
/** Which words of a text are left out. */
export const GAP_KINDS = ['every', 'chosen', 'long', 'numbers', 'joining', 'placing'] as const;
export type GapKind = (typeof GAP_KINDS)[number];
export const CLOCK_STEPS = [60, 30, 15, 5, 1] as const;

export const PracticeRecipe = z.discriminatedUnion('type', [
  type('matching', {
    things: Things,
    count: whole(2, 12),
    left: z.enum(SHOWN),
    right: z.enum(SHOWN),
    outline: z.boolean(),
  }),
  type('counting', { things: Things, rows: whole(2, 10), most: whole(2, 20), same: z.boolean(), outline: z.boolean() }),
  type('sorting', { groups: z.array(Named).min(2).max(4), count: whole(2, 24), outline: z.boolean() }),
  type('odd', { groups: z.array(Named).min(2).max(8), rows: whole(1, 10), across: whole(3, 6), outline: z.boolean() }),
  type('sequence', { things: Things, outline: z.boolean() }),
  type('tracing', { words: z.array(z.string().min(1).max(40)).max(20), ways: whole(0, 8), copies: whole(1, 4) }),
  type('colouring', { things: Things, count: whole(1, 6), key: z.boolean() }),
  type('cutouts', { things: Things, count: whole(1, 30), tabs: z.boolean(), outline: z.boolean() }),
  type('numberline', {
    from: z.number().min(-1000).max(1000),
    step: z.number().min(0.01).max(1000),
    marks: whole(3, 31),
    lines: whole(1, 8),
    missing: whole(1, 30),
  }),
  type('sums', {
    operations: z.array(z.enum(OPERATIONS)).min(1),
    most: whole(2, 10_000),
    carry: z.enum(['any', 'never', 'always']),
    form: z.enum(['row', 'column']),
    count: whole(1, 60),
    gap: z.enum(['result', 'any']),
  }),
  type('tables', {
    tables: z.array(whole(1, 20)).min(1).max(20),
    to: whole(2, 20),
    count: whole(1, 60),
    gap: z.enum(['result', 'any']),
    divide: z.boolean(),
  }),
  type('bars', { count: whole(1, 8), parts: whole(2, 4), most: whole(5, 1000), gap: z.enum(['whole', 'part', 'any']) }),
  type('clocks', {
    count: whole(1, 16),
    step: z.union(CLOCK_STEPS.map((n) => z.literal(n))),
    task: z.enum(['read', 'draw']),
  }),
  type('money', {
    count: whole(1, 10),
    sign: z.string().max(3),
    coins: z.array(whole(1, 1000)).min(1).max(12),
    most: whole(2, 8),
  }),
  type('wordsearch', {
    words: z.array(z.string().min(1).max(40)).max(40),
    across: whole(4, 26),
    down: whole(4, 26),
    diagonal: z.boolean(),
    backwards: z.boolean(),
    /** Words that must not come about by chance, beside those that never may. */
    unwanted: z.array(z.string().min(2).max(40)).max(200),
    list: z.boolean(),
  }),
  type('crossword', { things: Things }),
  type('gaps', {
    text: z.string().max(6000),
    kind: z.enum(GAP_KINDS),
    every: whole(2, 30),
    chosen: z.array(z.string().min(1).max(60)).max(60),
    bank: z.boolean(),
  }),
  type('bingo', { things: Things, across: whole(2, 6), shows: z.enum(SHOWN), free: z.boolean() }),
  type('dominoes', { things: Things, left: z.enum(SHOWN), right: z.enum(SHOWN) }),
]);
export type PracticeRecipe = z.infer<typeof PracticeRecipe>;
export type PracticeType = PracticeRecipe['type'];
export type RecipeFor<T extends PracticeType> = Extract<PracticeRecipe, { type: T }>;

export const PRACTICE: RecipeKind<'practice', typeof PracticeRecipe> = {
  kind: 'practice',
  name: 'practice sheet',
  recipe: PracticeRecipe,
};
