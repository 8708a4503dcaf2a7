import type { MakerKind, MakerState } from '../../core/schema/recipes/recipes';
import type { GroupItem, Item } from '../../core/schema/sheet';
import type { Point } from '../../core/geometry/matrix';

/** Things that span several groups, and are brought in step after one of them was made. */
export type Together = {
  /** How many are being brought in step. */
  readonly busy: number;
  share(id: string): Promise<void>;
};

type Clip = Pick<DataTransfer, 'getData'>;

/** What a maker adds to the sheet. Each returns whether it handled the request. */
export type OnSheet<Editor> = {
  kind: MakerKind;
  /** The frame settings after which it is made again; width and height by default. */
  frame?: readonly string[];
  /** What of a recipe shows at once while it is typed. */
  ahead?(group: GroupItem, recipe: MakerState['recipe']): GroupItem | null;
  together?(editor: Editor, finished: () => void): Together;
  /** Tab while words of a part are written. */
  tab?(editor: Editor, by: 1 | -1): boolean;
  /** Ctrl+Enter: adds something under or beside the selected part. */
  beside?(editor: Editor, as: 'child' | 'sibling'): boolean;
  /** Pasted while words of a part are written, or onto the page. */
  pasteInto?(editor: Editor, clip: Clip): boolean;
  paste?(editor: Editor, clip: Clip): boolean;
  /** An item was dropped on a point of the page. */
  drop?(editor: Editor, item: Item, point: Point): boolean;
};
