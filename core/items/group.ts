import { recipeKindOf } from '../schema/recipes/recipes';
import type { GroupItem } from '../schema/sheet';
import type { ItemKind } from './kind';

export const GROUP: ItemKind<GroupItem> = {
  kind: 'group',
  name: 'group',
  called: (item) => (item.maker ? item.alt || recipeKindOf(item.maker.kind).name : `group of ${item.items.length}`),
  look: ['opacity', 'shadow'],
  filled: () => [],
  pointedAt: false,
  draw: (item, _, parts) => parts(item.items),
  meets: (item, { part }) => item.items.some(part),
  grown: (item) => item,
  recoloured: (item, _, part) => ({ ...item, items: item.items.map(part) }),
};
