import { memo, useDeferredValue, useMemo } from 'react';
import { warpOfItem, wordsOf } from '../../core/drawing/item';
import { pageMatrix } from '../../core/geometry/frame';
import type { Point } from '../../core/geometry/matrix';
import { compose, scaling, transform } from '../../core/geometry/matrix';
import type { Page, Sheet, WrittenItem } from '../../core/sheet/schema';
import { isEmpty } from '../../core/sheet/body';
import { isWritten } from '../../core/sheet/schema';
import { everyItem, findOn } from '../../core/sheet/tree';
import { selectionBoxes } from '../../core/text/caret';
import type { Faces } from '../../core/text/faces';
import type { Bench } from './bench';
import { useBench } from './bench';
import { misspelt } from './spelling';

/** Marks under words that no dictionary has, and over the words that a search stands at. */

const sheetOf = (bench: Bench) => bench.sheet;
const facesOf = (bench: Bench) => bench.faces;
const checkedOf = (bench: Bench) => bench.checked;
const litOf = (bench: Bench) => bench.lit;

/** Boxes that grow hold whatever is in them. */
const mayOverflow = (item: WrittenItem) =>
  !isEmpty(item.body) && (item.kind === 'shape' || item.fit === 'keep' || item.fit === 'shrink');

type Stretch = { from: number; to: number };

/** The boxes of stretches of an item's words, as corners on the page, in pixels. */
function boxesOf(page: Page, item: WrittenItem, roles: Sheet['roles'], faces: Faces, scale: number, list: Stretch[]) {
  if (list.length === 0) return [];
  const { layout, origin } = wordsOf(item, { faces, roles });
  const warp = warpOfItem(item, layout);
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
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

type ItemProps = {
  page: Page;
  item: WrittenItem;
  roles: Sheet['roles'];
  faces: Faces;
  scale: number;
  own: readonly string[];
  checked: number;
};

const ItemSquiggles = memo(
  function ItemSquiggles({ page, item, roles, faces, scale, own }: ItemProps) {
    const wrong = misspelt(item, own);
    const d = boxesOf(page, item, roles, faces, scale, wrong)
      .map(([, , right, left]) => wave(left, right))
      .join('');
    const over = mayOverflow(item) && wordsOf(item, { faces, roles }).layout.overflows;
    if (!over && !d) return null;
    const foot = transform(compose(scaling(scale, scale), pageMatrix(page, item)), {
      x: item.width / 2,
      y: item.height,
    });
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
  },
  // The page is there for the place of the item in it: while that and the item are the same, so are its marks.
  (a, b) =>
    a.item === b.item &&
    a.roles === b.roles &&
    a.scale === b.scale &&
    a.own === b.own &&
    a.checked === b.checked &&
    a.faces === b.faces &&
    findOn(a.page, a.item.id)?.groups.at(-1) === findOn(b.page, b.item.id)?.groups.at(-1),
);

export const Squiggles = memo(function Squiggles({
  bench,
  page: now,
  scale,
}: {
  bench: Bench;
  page: Page;
  scale: number;
}) {
  // A moment later than the page itself: a key typed must not wait for the marks.
  const page = useDeferredValue(now);
  const { roles, ownWords } = useBench(bench, sheetOf);
  const faces = useBench(bench, facesOf);
  const checked = useBench(bench, checkedOf);
  const lit = useBench(bench, litOf);
  const written = useMemo(
    () => [...everyItem(page)].filter((item): item is WrittenItem => isWritten(item) && !item.hidden),
    [page],
  );
  if (!faces) return null;
  const found = lit && written.find((item) => item.id === lit.item);
  return (
    <g>
      {found &&
        boxesOf(page, found, roles, faces, scale, [lit]).map((corners, i) => (
          <polygon key={i} className="mark-found" points={corners.map((p) => `${p.x},${p.y}`).join(' ')} />
        ))}
      {written.map((item) => (
        <ItemSquiggles
          key={item.id}
          page={page}
          item={item}
          roles={roles}
          faces={faces}
          scale={scale}
          own={ownWords}
          checked={checked}
        />
      ))}
    </g>
  );
});
