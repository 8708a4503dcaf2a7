import type { MakerState } from '../schema/recipes/recipes';
import type { GroupItem, Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';

type Made = GroupItem & { maker: MakerState };

/** Whether another seed gives something else to do, and not only another arrangement of the same. */
export const varies = (item: GroupItem): item is Made =>
  item.maker?.kind === 'practice' ||
  (item.maker?.kind === 'labels' &&
    item.maker.recipe.form !== 'traits' &&
    ['some', 'swapped'].includes(item.maker.recipe.edition));

/** The parts of a sheet that versions of it differ in. */
export const variedOn = (sheet: Sheet): Made[] =>
  [...everyItem(sheet)].filter((item): item is Made => item.kind === 'group' && varies(item));
