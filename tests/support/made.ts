import type { Box } from '../../core/geometry/matrix';
import type { Remake } from '../../core/makers/all';
import { remake } from '../../core/makers/all';
import type { Kit } from '../../core/makers/kit/maker';
import type { MakerKind, MakerState, RecipeOf } from '../../core/schema/recipes/recipes';
import { defaultRoles, group } from '../../core/schema/defaults';
import type { GroupItem, Item } from '../../core/schema/sheet';
import { openPictures } from '../../server/art/shipped';
import { allFaces } from './fonts';

/** Makers in tests: with every shipped face and picture. */

export const shippedPicture = openPictures();

export const testKit = async (): Promise<Kit> => ({
  faces: await allFaces(),
  pictures: shippedPicture,
  roles: defaultRoles(),
});

/** A group that a maker fills from a recipe. */
export async function madeFrom<K extends MakerKind>(
  kind: K,
  recipe: RecipeOf<K>,
  kit: Kit,
  { width = 600, height = 400, seed = 1 } = {},
): Promise<{ group: GroupItem; notes: string[] }> {
  const empty = group({ id: 'g', width, height, items: [] });
  return remake({ group: empty, state: { kind, recipe, seed } as unknown as MakerState }, kit);
}

export const again = (asked: Remake, kit: Kit) => remake(asked, kit);

export const partOf = <T extends Item['kind']>(made: GroupItem, part: string): Extract<Item, { kind: T }> =>
  made.items.find((item) => item.made?.part === part) as Extract<Item, { kind: T }>;

export const withPart = (made: GroupItem, part: string, values: Partial<Item>): GroupItem => ({
  ...made,
  items: made.items.map((item) => (item.made?.part === part ? ({ ...item, ...values } as Item) : item)),
});
export const withoutPart = (made: GroupItem, part: string): GroupItem => ({
  ...made,
  items: made.items.filter((item) => item.made?.part !== part),
});

/** Whether two boxes are apart, or only touch. */
export const apart = (a: Box, b: Box): boolean =>
  a.x + a.width <= b.x + 0.1 ||
  b.x + b.width <= a.x + 0.1 ||
  a.y + a.height <= b.y + 0.1 ||
  b.y + b.height <= a.y + 0.1;
