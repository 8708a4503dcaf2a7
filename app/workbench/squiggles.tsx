import { memo, useMemo } from 'react';
import { warpOfItem, wordsOf } from '../../core/drawing/item';
import { pageMatrix } from '../../core/geometry/frame';
import type { Point } from '../../core/geometry/matrix';
import { compose, scaling, transform } from '../../core/geometry/matrix';
import type { Page, Sheet, WrittenItem } from '../../core/sheet/schema';
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

type Stretch = { from: number; to: number };

/** The boxes of stretches of an item's words, as corners on the page, in pixels. */
function boxesOf(page: Page, item: WrittenItem, roles: Sheet['roles'], faces: Faces, scale: number, list: Stretch[]) {
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
    if (wrong.length === 0) return null;
    const d = boxesOf(page, item, roles, faces, scale, wrong)
      .map(([, , right, left]) => wave(left, right))
      .join('');
    return <path className="squiggle" d={d} />;
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

export const Squiggles = memo(function Squiggles({ bench, page, scale }: { bench: Bench; page: Page; scale: number }) {
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
      {checked > 0 &&
        written.map((item) => (
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
