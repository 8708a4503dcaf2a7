import type { MakerState } from '../schema/recipes/recipes';
import type { GroupItem, Page, Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';

type Made = GroupItem & { maker: MakerState };

/** Whether another seed gives something else to do, and not only another arrangement of the same. */
const varies = (item: GroupItem): item is Made =>
  item.maker?.kind === 'practice' ||
  (item.maker?.kind === 'labels' &&
    item.maker.recipe.form !== 'traits' &&
    ['some', 'swapped'].includes(item.maker.recipe.edition));

/** The parts of a sheet or a page that versions of it differ in. */
export const variedOn = (source: Sheet | Page): Made[] =>
  everyItem(source).filter((item): item is Made => item.kind === 'group' && varies(item));
