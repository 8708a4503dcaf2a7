import { MakerState } from '../schema/recipes/recipes';
import type { GroupItem } from '../schema/sheet';

/** Versions of a made group: the same recipe with other seeds. */

/** After this many tries without a new version there is none. */
export const MOST_ALIKE = 40;

/** A version's content, without its letter. */
export const lookOf = ({ items }: GroupItem): string =>
  JSON.stringify(
    items.flatMap((item) =>
      /^(?:edition|version)\d*$/.test(item.made?.part ?? '')
        ? []
        : [{ ...item, id: '', made: null, ...(item.kind === 'line' && { from: 0, to: 0 }) }],
    ),
  );

/** What a group is made from as its version `offset` seeds on; practice sheets bear a letter. */
export const stateAt = (maker: MakerState, offset: number, letter: string | undefined): MakerState =>
  MakerState.parse({
    ...maker,
    seed: (maker.seed + offset) % 4_294_967_296,
    ...(maker.kind === 'practice' && letter !== undefined && { recipe: { ...maker.recipe, version: letter } }),
  });
