import { withinMargins } from '../../../core/placement/on-page';
import type { Point } from '../../../core/geometry/matrix';
import { group } from '../../../core/schema/defaults';
import type { MakerKind, MakerState, RecipeOf } from '../../../core/schema/recipes/recipes';
import { add, newId, placeFor, touch } from '../../commands/steps';
import type { Bench } from '../../document/bench';

/** What is made as it is first put down. */

export type Beginning<K extends MakerKind = MakerKind> = {
  kind: K;
  recipe: (palette: readonly string[]) => RecipeOf<K> | Promise<RecipeOf<K>>;
  /** Its frame as shares of the page within its margins. */
  width: number;
  height: number;
};

/** Puts down something made, in the middle of the page or at a point, and opens its recipe. */
export async function addMade<K extends MakerKind>(
  bench: Bench,
  begun: Beginning<K>,
  at?: Point,
  recipe?: RecipeOf<K>,
): Promise<void> {
  const { page, sheet } = bench;
  const { kind } = begun;
  const room = withinMargins(page);
  const width = Math.round(room.width * begun.width);
  const height = Math.round(room.height * begun.height);
  const state = { kind, recipe: recipe ?? (await begun.recipe(sheet.palette)), seed: 1, parts: [] };
  const id = newId();
  const item = group({
    id,
    ...placeFor(bench, width, height, at),
    width,
    height,
    maker: state as unknown as MakerState,
    touch: touch(bench),
    items: [],
  });
  bench.put({ tab: 'make' });
  if (add(bench, 'Make', [item])) bench.making?.begin(id);
}
