import { mayOverflow } from '../../core/proof/small';
import { memo, useDeferredValue, useMemo } from 'react';
import { warpOfItem, wordsOf } from '../../core/items/words';
import { frameMatrix } from '../../core/geometry/frame';
import { parentMatrix } from '../../core/placement/on-page';
import type { Matrix, Point } from '../../core/geometry/matrix';
import { compose, scaling, transform } from '../../core/geometry/matrix';
import type { GroupItem, Page, Sheet, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { everyItem, findOn } from '../../core/sheet/tree';
import { selectionBoxes } from '../../core/text/caret';
import type { Faces } from '../../core/text/faces';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { misspelt } from '../commands/spelling';

/** Marks under words that are in no dictionary, and over the words that a search has found. */

type Stretch = { from: number; to: number };

type Spot = {
  item: WrittenItem;
  /** The transform of the groups around an item, as numbers in a text so that equal ones are the same. */
  outer: string;
  roles: Sheet['roles'];
  faces: Faces;
  scale: number;
};

/** From an item's own coordinates to pixels of the page as it is shown. */
const onScreen = (outer: string, item: WrittenItem, scale: number) =>
  compose(scaling(scale, scale), outer.split(' ').map(Number) as unknown as Matrix, frameMatrix(item));

/** The boxes of stretches of an item's words, as corners on the page, in pixels. */
function boxesOf({ outer, item, roles, faces, scale }: Spot, list: Stretch[]) {
  if (list.length === 0) return [];
  const { layout, origin } = wordsOf(item, { faces, roles });
  const warp = warpOfItem(item, layout);
  const matrix = onScreen(outer, item, scale);
  const at = (p: Point) => transform(matrix, warp ? warp(p).point : { x: p.x + origin.x, y: p.y + origin.y });
  return list.flatMap(({ from, to }) =>
    selectionBoxes(layout, from, to).map(({ x, y, width, height }) =>
      [
        { x, y },
        { x: x + width, y },
        { x: x + width, y: y + height },
        { x, y: y + height },
      ].map(at),
    ),
  );
}

/** A wavy line from one point to another. */
function wave(a: Point, b: Point): string {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const count = Math.max(1, Math.round(length / 4));
  const [nx, ny] = length === 0 ? [0, 0] : [-(b.y - a.y) / length, (b.x - a.x) / length];
  let d = `M${a.x.toFixed(1)} ${a.y.toFixed(1)}`;
  for (let i = 1; i <= count; i++) {
    const t = i / count;
    const side = i % 2 ? 1.1 : -1.1;
    d += `L${(a.x + (b.x - a.x) * t + nx * side).toFixed(1)} ${(a.y + (b.y - a.y) * t + ny * side).toFixed(1)}`;
  }
  return d;
}

type ItemProps = Spot & {
  own: readonly string[];
  /** Grows when more words were looked up. */
  checked: number;
};

const ItemSquiggles = memo(function ItemSquiggles({ own, checked: _, ...spot }: ItemProps) {
  const { item, outer, roles, faces, scale } = spot;
  const d = boxesOf(spot, misspelt(item, own))
    .map(([, , right, left]) => wave(left, right))
    .join('');
  const over = mayOverflow(item) && wordsOf(item, { faces, roles }).layout.overflows;
  if (!over && !d) return null;
  const foot = transform(onScreen(outer, item, scale), { x: item.width / 2, y: item.height });
  return (
    <>
      {d && <path className="squiggle" d={d} />}
      {over && (
        <path className="overflow-mark" d={`M${foot.x - 9} ${foot.y - 3}h18l-9 9Z`}>
          <title>There are more words than the box holds</title>
        </path>
      )}
    </>
  );
});

/** The text items of a page, each with the transform of the groups around it. */
function writtenOn(page: Page): { item: WrittenItem; outer: string }[] {
  const outers = new Map<GroupItem | undefined, string>();
  return everyItem(page).flatMap((item) => {
    if (!isWritten(item) || item.hidden) return [];
    const group = findOn(page, item.id)?.groups.at(-1);
    const outer = outers.get(group) ?? parentMatrix(page, item.id).join(' ');
    outers.set(group, outer);
    return { item, outer };
  });
}

export const Squiggles = memo(function Squiggles({
  editor,
  page: now,
  scale,
}: {
  editor: Editor;
  page: Page;
  scale: number;
}) {
  // Drawn a moment after the page: typing must not wait for the marks.
  const page = useDeferredValue(now);
  const { roles, ownWords } = useEditor(editor, 'sheet');
  const faces = useEditor(editor, 'faces');
  const checked = useEditor(editor, 'checked');
  const lit = useEditor(editor, 'lit');
  const written = useMemo(() => writtenOn(page), [page]);
  if (!faces) return null;
  const found = lit && written.find(({ item }) => item.id === lit.item);
  return (
    <g>
      {found &&
        boxesOf({ ...found, roles, faces, scale }, [lit]).map((corners, i) => (
          <polygon key={i} className="mark-found" points={corners.map((p) => `${p.x},${p.y}`).join(' ')} />
        ))}
      {editor.shut === null &&
        written.map(({ item, outer }) => (
          <ItemSquiggles key={item.id} {...{ item, outer, roles, faces, scale, checked }} own={ownWords} />
        ))}
    </g>
  );
});
