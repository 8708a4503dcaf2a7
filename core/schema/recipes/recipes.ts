import { z } from 'zod';
import { CalendarRecipe } from './calendar';
import { ChartRecipe } from './chart';
import { CloudRecipe } from './cloud';
import { LabelsRecipe } from './labels';
import { MapRecipe } from './map';
import { PracticeRecipe } from './practice';
import { TableRecipe } from './table';

/** What each maker makes from. Adding a maker is adding a folder and a row here; the compiler points at the rest. */
export const RECIPES = {
  map: MapRecipe,
  labels: LabelsRecipe,
  practice: PracticeRecipe,
  cloud: CloudRecipe,
  chart: ChartRecipe,
  table: TableRecipe,
  calendar: CalendarRecipe,
};
/** What is made, as a person calls it. */
export const MAKER_NAMES: Record<MakerKind, string> = {
  map: 'concept map',
  labels: 'labelled diagram',
  practice: 'practice sheet',
  cloud: 'word cloud',
  chart: 'chart',
  table: 'table',
  calendar: 'calendar',
};

/** Those that may come to students with their recipes: they hold no answers. */
export const OPEN_MAKERS: ReadonlySet<MakerKind> = new Set<MakerKind>(['map']);

/** Those that follow what is done to their parts by hand; the others only follow their frame. */
export const FOLLOWS_PARTS: ReadonlySet<MakerKind> = new Set<MakerKind>(['map', 'labels', 'table']);

export type MakerKind = keyof typeof RECIPES;
export type RecipeOf<K extends MakerKind> = z.infer<(typeof RECIPES)[K]>;

const stateOf = <K extends MakerKind>(kind: K) =>
  z.strictObject({
    kind: z.literal(kind),
    recipe: RECIPES[kind],
    seed: z.number().int().min(0).max(4_294_967_295),
    /** The names of the parts that were made: one that is missing was taken away by hand. */
    parts: z.array(z.string().max(40)).max(5000),
  });

/** What a made group holds besides its parts. */
export const MakerState = z.discriminatedUnion('kind', [
  stateOf('map'),
  stateOf('labels'),
  stateOf('practice'),
  stateOf('cloud'),
  stateOf('chart'),
  stateOf('table'),
  stateOf('calendar'),
]);
export type MakerState = z.infer<typeof MakerState>;
export type MakerStateOf<K extends MakerKind> = Extract<MakerState, { kind: K }>;
