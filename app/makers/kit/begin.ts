import { withinMargins } from '../../../core/placement/on-page';
import type { Point } from '../../../core/geometry/matrix';
import { group } from '../../../core/schema/defaults';
import type { MakerKind, MakerState, RecipeOf } from '../../../core/schema/recipes/recipes';
import { add, newId, placeFor, touch } from '../../commands/steps';
import type { Editor } from '../../document/editor';

/** A made item as it is first added. */

export type Beginning<K extends MakerKind = MakerKind> = {
  kind: K;
  recipe: (palette: readonly string[]) => RecipeOf<K> | Promise<RecipeOf<K>>;
  /** As students begin it, where it differs: with nothing in it yet. */
  empty?: (palette: readonly string[]) => RecipeOf<K>;
  /** Its frame as shares of the page within its margins. */
  width: number;
  height: number;
};

/** Adds a made item in the middle of the page or at a point, and opens its recipe. */
export async function addMade<K extends MakerKind>(
  editor: Editor,
  begun: Beginning<K>,
  at?: Point,
  recipe?: RecipeOf<K>,
): Promise<void> {
  const { page, sheet } = editor;
  const { kind } = begun;
  const room = withinMargins(page);
  const width = Math.round(room.width * begun.width);
  const height = Math.round(room.height * begun.height);
  const begin = editor.rights.kind === 'all' ? begun.recipe : (begun.empty ?? begun.recipe);
  const state = { kind, recipe: recipe ?? (await begin(sheet.palette)), seed: 1, parts: [] };
  const id = newId();
  const item = group({
    id,
    ...placeFor(editor, width, height, at),
    width,
    height,
    maker: state as unknown as MakerState,
    touch: touch(editor),
    items: [],
  });
  editor.put({ tab: 'make' });
  if (add(editor, 'Make', [item])) editor.making?.begin(id);
}
