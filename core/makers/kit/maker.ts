import type { MakerKind } from '../../schema/recipes/recipes';
import type { ElkNode } from 'elkjs/lib/elk-api.js';
import type { Pictures } from '../../pictures/picture';
import type { Box } from '../../geometry/matrix';
import type { Item, Sheet } from '../../schema/sheet';
import type { Faces } from '../../text/faces';

/** What makers have in common. */

/** What a maker works with. */
export type Kit = {
  faces: Faces;
  pictures: Pictures;
  roles: Sheet['roles'];
  /**
   * Slow makers await this with the share that is done, so that a message to stop can arrive. What it throws ends the
   * making.
   */
  rest?: (share: number) => Promise<void>;
  /** Lays networks out in another thread; without it they are laid out in this one. */
  layered?: (graph: ElkNode) => Promise<ElkNode>;
};

/** What was done to a part by hand since it was made: it was moved, hidden, or taken away. */
export type Hand = { dx: number; dy: number; hidden: boolean; gone: boolean };

/** What is to be made, and in what frame (points). */
export type Asked<R> = {
  recipe: R;
  seed: number;
  width: number;
  height: number;
  hand: ReadonlyMap<string, Hand>;
  /** Where parts stood as they were made last, by their names. */
  was?: ReadonlyMap<string, Box>;
};

/**
 * What a maker gives: items in the coordinates of the frame, front to back, each with the name of its part as its identity;
 * line ends name parts too. The same recipe, seed and frame give the same items everywhere.
 */
export type Made = {
  items: Item[];
  /** What could not be done, and what would help: plain sentences. */
  notes: string[];
  /** The frame that it needs where it does not keep to the one it was asked for. */
  size?: { width: number; height: number };
  /** Parts that were moved by hand, by their names: how far from where they are made now, where that is not as far as before. */
  moved?: ReadonlyMap<string, { dx: number; dy: number }>;
  /**
   * Things of the group that were not made but given to the maker, by the names of their parts: the box that each is to fill,
   * behind all that is made; null takes one out.
   */
  given?: Readonly<Record<string, Box | null>>;
};

export type Maker<R> = {
  kind: MakerKind;
  /** All places are computed together: what was moved by hand goes back among the others when it is made again. */
  loose?: boolean;
  make(asked: Asked<R>, kit: Kit): Made | Promise<Made>;
  /**
   * What was done by hand to parts, taken into the recipe where it belongs there: words that were typed into a part, a part
   * that was taken away. `parts` are those of the item as they are now, by name; `made` names all that were made.
   */
  absorb?(recipe: R, parts: ReadonlyMap<string, Item>, made: readonly string[]): R;
};
