import type { GroupItem } from '../schema/sheet';
import { CALENDAR } from './calendar/make';
import { CHART } from './chart/make';
import { CLOUD } from './cloud/make';
import { LABELS } from './labels/make';
import type { Asked, Hand, Kit, Made, Maker } from './kit/maker';
import { MAP } from './map/make';
import { PRACTICE } from './practice/make';
import type { MakerKind, MakerState } from '../schema/recipes/recipes';
import type { Forget } from './remake';
import { TABLE } from './table/make';
import { handOf, partsByName, remade, wasOf, withGiven } from './remake';

/** All makers. A new one is a folder and a row. */
const MAKERS = [MAP, LABELS, PRACTICE, CLOUD, CHART, TABLE, CALENDAR] as unknown as readonly Maker<unknown>[];
const byKind = new Map(MAKERS.map((maker) => [maker.kind, maker]));
const makerOf = (kind: MakerKind): Maker<unknown> => byKind.get(kind)!;

export type Remake = {
  group: GroupItem;
  /** The recipe and seed to make from. By default the group's own, with changes made by hand taken in. */
  state?: Pick<MakerState, 'kind' | 'recipe' | 'seed'>;
  forget?: Forget;
  /** Identities in use elsewhere on the sheet that begin with the group's. */
  taken?: readonly string[];
};

const typeOf = (recipe: MakerState['recipe']) => ('type' in recipe ? recipe.type : null);

/** Makes a group again: with another recipe, at another size, or after something was done to its parts by hand. */
export async function remake(
  { group, state, forget: asked = 'nothing', taken = [] }: Remake,
  kit: Kit,
): Promise<{ group: GroupItem; notes: string[] }> {
  const from = state ?? group.maker;
  if (!from) throw new Error('this group was not made by a maker');
  const { kind, seed } = from;
  // On another type of sheet no part corresponds to an earlier one.
  const sameType = typeOf(from.recipe) === typeOf(group.maker?.recipe ?? from.recipe);
  const maker = makerOf(kind);
  const forget = !sameType ? 'all' : maker.loose && asked === 'nothing' ? 'places' : asked;
  const recipe =
    state || !group.maker
      ? from.recipe
      : (maker.absorb?.(from.recipe, partsByName(group), group.maker.parts) ?? from.recipe);
  const hand = forget === 'all' ? new Map<string, Hand>() : handOf(group);
  if (forget === 'places') for (const [part, done] of hand) hand.set(part, { ...done, dx: 0, dy: 0 });
  const wanted: Asked<unknown> = { recipe, seed, width: group.width, height: group.height, hand, was: wasOf(group) };
  const made: Made = await maker.make(wanted, kit);
  const inUse = new Set(taken);
  const fresh = remade(group, { kind, recipe, seed } as Omit<MakerState, 'parts'>, made, forget, (id) => inUse.has(id));
  return { group: made.given ? withGiven(fresh, made.given, kit.roles) : fresh, notes: made.notes };
}
