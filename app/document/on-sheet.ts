import type { MakerKind, MakerState } from '../../core/schema/recipes/recipes';
import type { GroupItem, Item } from '../../core/schema/sheet';
import type { Point } from '../../core/geometry/matrix';

/** What belongs together over several groups, and is brought in step after one of them was made. */
export type Together = {
  /** How many are being brought in step. */
  readonly busy: number;
  share(id: string): Promise<void>;
};

type Clip = Pick<DataTransfer, 'getData'>;

/** What a maker adds to the sheet itself. Each answers whether it dealt with what was asked. */
export type OnSheet<Bench> = {
  kind: MakerKind;
  /** The settings of its frame after which it is made anew; width and height where none are said. */
  frame?: readonly string[];
  /** What shows at once of a recipe that is being typed, until it is made. */
  ahead?(group: GroupItem, recipe: MakerState['recipe']): GroupItem | null;
  together?(bench: Bench, finished: () => void): Together;
  /** Tab while words of a part are written. */
  tab?(bench: Bench, by: 1 | -1): boolean;
  /** Ctrl+Enter: something new under or beside what is chosen or written. */
  beside?(bench: Bench, as: 'child' | 'sibling'): boolean;
  /** Pasted while words of a part are written, or onto the page. */
  pasteInto?(bench: Bench, clip: Clip): boolean;
  paste?(bench: Bench, clip: Clip): boolean;
  /** A thing was let go over a point of the page. */
  drop?(bench: Bench, item: Item, point: Point): boolean;
};
