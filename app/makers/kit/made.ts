import { useCallback } from 'react';
import type { MakerKind, MakerStateOf, RecipeOf } from '../../../core/schema/recipes/recipes';
import type { GroupItem, Item, Page } from '../../../core/schema/sheet';
import { findOn } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';
import { useEditor } from '../../document/editor';

/** What panels of makers share. */

const NO_NOTES: readonly string[] = [];

/** The made group that is selected or contains the selection. Null when there is none, or several. */
export function madeGroupOf(page: Page, items: readonly Item[]): GroupItem | null {
  const [item] = items;
  if (items.length !== 1) return null;
  const place = findOn(page, item.id);
  const around = [...(place?.groups ?? []), item].findLast((one) => one.kind === 'group' && one.maker);
  return around?.kind === 'group' ? around : null;
}

/** Some settings of a recipe, or a function of the present recipe. */
export type Values<R> = Partial<R> | ((recipe: R) => Partial<R>);

/** The recipe of a made group while it is edited, and how to change it. */
export function useMade<K extends MakerKind>(editor: Editor, group: GroupItem, _kind: K) {
  const { id } = group;
  const state = useEditor(
    editor,
    useCallback((now: Editor) => now.making?.state(id) ?? null, [id]),
  ) as MakerStateOf<K> | null;
  const notes = useEditor(
    editor,
    useCallback((now: Editor) => now.making?.notes.get(id) ?? NO_NOTES, [id]),
  );
  const edit = useCallback(
    (name: string, recipe: RecipeOf<K>, keep: 'soon' | 'now' = 'now', then?: () => void) => {
      const now = editor.making?.state(id);
      if (now) editor.making?.edit(id, name, { ...now, recipe } as unknown as MakerStateOf<K>, keep, then);
    },
    [editor, id],
  );
  /** The recipe at the moment of asking. */
  const now = useCallback(() => (editor.making?.state(id)?.recipe ?? null) as RecipeOf<K> | null, [editor, id]);
  /** Sets values of the recipe as it is at that moment. */
  const put = useCallback(
    (name: string, values: Values<RecipeOf<K>>, keep: 'soon' | 'now' = 'now') => {
      const recipe = now();
      if (recipe) edit(name, { ...recipe, ...(typeof values === 'function' ? values(recipe) : values) }, keep);
    },
    [now, edit],
  );
  const reseed = useCallback(
    (name: string, seed: number) => {
      const now = editor.making?.state(id);
      if (now) editor.making?.edit(id, name, { ...now, seed });
    },
    [editor, id],
  );
  const recipe = (state ?? group.maker!).recipe as RecipeOf<K>;
  return { recipe, seed: (state ?? group.maker!).seed, notes, now, edit, put, reseed };
}
