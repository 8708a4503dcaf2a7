import { z } from 'zod';
import { CALENDAR } from './calendar';
import { CHART } from './chart';
import { CLOUD } from './cloud';
import type { RecipeKind } from './kind';
import { LABELS } from './labels';
import { MAP } from './map';
import { PRACTICE } from './practice';
import { TABLE } from './table';

/** What each maker makes from: adding a maker begins with a file here and a row. */
const KINDS = [MAP, LABELS, PRACTICE, CLOUD, CHART, TABLE, CALENDAR] as const;

type AnyKind = (typeof KINDS)[number];
export type MakerKind = AnyKind['kind'];
export type RecipeOf<K extends MakerKind> = z.infer<Extract<AnyKind, { kind: K }>['recipe']>;

/** What a made group holds besides its parts. */
export type MakerStateOf<K extends MakerKind> = {
  [One in K]: {
    kind: One;
    recipe: RecipeOf<One>;
    seed: number;
    /** The names of the parts that were made: one that is missing was taken away by hand. */
    parts: string[];
  };
}[K];
export type MakerState = MakerStateOf<MakerKind>;

const [first, ...others] = KINDS.map(({ kind, recipe }) =>
  z.strictObject({
    kind: z.literal(kind),
    recipe,
    seed: z.number().int().min(0).max(4_294_967_295),
    parts: z.array(z.string().max(40)).max(5000),
  }),
);
export const MakerState = z.discriminatedUnion('kind', [first, ...others]) as unknown as z.ZodType<MakerState>;

const byKind = new Map(KINDS.map((one) => [one.kind as string, one as unknown as RecipeKind<MakerKind, z.ZodType>]));
/** What documents know of a maker, for callers that know its kind only at run time. */
export const recipeKindOf = (kind: MakerKind): RecipeKind<MakerKind, z.ZodType> => byKind.get(kind)!;

/** The pictures that a recipe brings along. */
export const recipePictures = ({ kind, recipe }: Pick<MakerState, 'kind' | 'recipe'>): string[] =>
  recipeKindOf(kind).pictures?.(recipe) ?? [];
