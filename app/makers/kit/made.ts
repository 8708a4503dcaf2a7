import { useCallback } from 'react';
import type { MakerKind, MakerStateOf, RecipeOf } from '../../../core/schema/recipes/recipes';
import type { GroupItem, Item, Page } from '../../../core/schema/sheet';
import { findOn } from '../../../core/sheet/tree';
import type { Bench } from '../../document/bench';
import { useBench } from '../../document/bench';

/** What panels of makers share. */

const NO_NOTES: readonly string[] = [];

/** The made group that is chosen, or that holds what is chosen; null when there is none, or when several are. */
export function madeGroupOf(page: Page, items: readonly Item[]): GroupItem | null {
  const [item] = items;
  if (items.length !== 1) return null;
  const place = findOn(page, item.id);
  const around = [...(place?.groups ?? []), item].findLast((one) => one.kind === 'group' && one.maker);
  return around?.kind === 'group' ? around : null;
}

/** Some settings of a recipe, or what they are from how it stands. */
export type Values<R> = Partial<R> | ((recipe: R) => Partial<R>);

/** A made group's recipe as it is being edited, and how to edit it. */
export function useMade<K extends MakerKind>(bench: Bench, group: GroupItem, _kind: K) {
  const { id } = group;
  const state = useBench(
    bench,
    useCallback((now: Bench) => now.making?.state(id) ?? null, [id]),
  ) as MakerStateOf<K> | null;
  const notes = useBench(
    bench,
    useCallback((now: Bench) => now.making?.notes.get(id) ?? NO_NOTES, [id]),
  );
  const edit = useCallback(
    (name: string, recipe: RecipeOf<K>, keep: 'soon' | 'now' = 'now', then?: () => void) => {
      const now = bench.making?.state(id);
      if (now) bench.making?.edit(id, name, { ...now, recipe } as unknown as MakerStateOf<K>, keep, then);
    },
    [bench, id],
  );
  /** The recipe at the moment of asking. */
  const now = useCallback(() => (bench.making?.state(id)?.recipe ?? null) as RecipeOf<K> | null, [bench, id]);
  /** Some settings of the recipe as it stands when they are set. */
  const put = useCallback(
    (name: string, values: Values<RecipeOf<K>>, keep: 'soon' | 'now' = 'now') => {
      const recipe = now();
      if (recipe) edit(name, { ...recipe, ...(typeof values === 'function' ? values(recipe) : values) }, keep);
    },
    [now, edit],
  );
  const reseed = useCallback(
    (name: string, seed: number) => {
      const now = bench.making?.state(id);
      if (now) bench.making?.edit(id, name, { ...now, seed });
    },
    [bench, id],
  );
  const recipe = (state ?? group.maker!).recipe as RecipeOf<K>;
  return { recipe, seed: (state ?? group.maker!).seed, notes, now, edit, put, reseed };
}
