import { contains } from '../../../core/geometry/box';
import { pageMatrix } from '../../../core/placement/on-page';
import type { Point } from '../../../core/geometry/matrix';
import { inverse, transform } from '../../../core/geometry/matrix';
import type { Spot } from '../../../core/schema/recipes/labels';
import { DRAWING } from '../../../core/schema/recipes/labels';
import type { GroupItem } from '../../../core/schema/sheet';
import { isFramed } from '../../../core/schema/sheet';
import { find } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';

/** Setting a label's spot on the sheet: a press for a point, a drag for a region. */

/** Where a label points, and how large its region is, as shares of the picture. */
export type Place = Pick<Spot, 'x' | 'y' | 'wide' | 'high' | 'target'>;

/** The share of the picture that a drag has to cover to be a region. */
const REGION = 0.03;

/** Where a point of the page is on the picture, as shares. Null beside it. */
function onBase(editor: Editor, group: GroupItem, point: Point): Point | null {
  const live = find(editor.sheet, group.id)?.item;
  // Spots can be set on a drawing at once, also before it has been made the base.
  const parts = live?.kind === 'group' ? live.items : [];
  const base = parts.find(({ made }) => made?.part === 'base') ?? parts.find(({ made }) => made?.part === DRAWING);
  if (!base || !isFramed(base)) return null;
  const local = transform(inverse(pageMatrix(editor.page, base)), point);
  const box = { x: 0, y: 0, width: base.width, height: base.height };
  return contains(box, local) ? { x: local.x / base.width, y: local.y / base.height } : null;
}

const rounded = (share: number) => Math.round(share * 10_000) / 10_000;

/** The next press or drag on the picture says where. */
export function pointOn(editor: Editor, group: GroupItem, taken: (place: Place) => void): void {
  const take = (from: Point, to: Point) => {
    const [a, b] = [onBase(editor, group, from), onBase(editor, group, to)];
    if (!a) return editor.say('Press on the picture itself, where the label is to point.');
    const [wide, high] = b ? [Math.abs(a.x - b.x), Math.abs(a.y - b.y)] : [0, 0];
    if (!b || Math.max(wide, high) <= REGION)
      return taken({ x: rounded(a.x), y: rounded(a.y), wide: 0, high: 0, target: null });
    const middle = { x: rounded((a.x + b.x) / 2), y: rounded((a.y + b.y) / 2) };
    taken({ ...middle, wide: rounded(wide), high: rounded(high), target: null });
  };
  editor.put({ tool: { kind: 'spot', taken: take } });
}
