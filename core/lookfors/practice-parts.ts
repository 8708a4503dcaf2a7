import type { GroupItem, Item, Sheet } from '../schema/sheet';
import type { PracticeType, RecipeFor } from '../schema/recipes/practice';
import { bodyText } from '../text/body';
import { everyItem } from '../sheet/tree';

/** Practice sheets on a teacher's sheet, and what their parts are. Students' copies no longer tell. */

export type Practice<T extends PracticeType> = { group: GroupItem; recipe: RecipeFor<T> };

export function practicesOn<T extends PracticeType>(sheet: Sheet, type: T): Practice<T>[] {
  return everyItem(sheet).flatMap((item) => {
    if (item.kind !== 'group' || item.maker?.kind !== 'practice') return [];
    const { recipe } = item.maker;
    return recipe.type === type ? [{ group: item, recipe: recipe as RecipeFor<T> }] : [];
  });
}

/** The parts of a kind by their numbers, from 0 and in order; what was taken away by hand is missing. */
export function partsOf({ group }: { group: GroupItem }, kind: string): Map<number, Item> {
  const out = new Map<number, Item>();
  // Front to back on the sheet: the first was made first.
  for (const item of [...group.items].reverse()) {
    const [, number] = new RegExp(`^${kind}(\\d+)$`).exec(item.made?.part ?? '') ?? [];
    if (number !== undefined) out.set(Number(number) - 1, item);
  }
  return out;
}

/** What a thing says or shows, in words. */
export function wordsOf(item: Item): string {
  if (item.kind === 'text' || item.kind === 'shape') return bodyText(item.body).trim();
  return item.kind === 'picture' ? item.alt || item.picture.replace(/^.*\//, '').replace(/[-_]/g, ' ') : '';
}
