import { useMemo, useState } from 'react';
import { between } from '../../core/changes/between';
import type { Keep, Way } from '../../core/items/page-size';
import { resized } from '../../core/items/page-size';
import type { Page, Sheet } from '../../core/schema/sheet';
import { sizeName } from '../../core/sheet/units';
import { SmallPicture } from '../drawing/small-picture';
import type { Bench } from '../document/bench';
import { Toggle } from '../fields/fields';

/** Another page size is never taken silently: both ways are shown as small pictures, and one is chosen. */

/** A size in points. */
export type Wanted = { width: number; height: number };
type Props = { bench: Bench; sheet: Sheet; page: Page; wanted: Wanted; onDone: () => void };
const SIDES = [0, 0.5, 1] as const;
const names = (x: number, y: number) =>
  `${['top', 'middle', 'bottom'][y * 2]} ${['left', 'centre', 'right'][x * 2]}`.replace('middle centre', 'middle');

export default function SizeChoice({ bench, sheet, page, wanted, onDone }: Props) {
  const [keep, setKeep] = useState<Pick<Keep, 'x' | 'y'>>({ x: 0, y: 0 });
  const [whole, setWhole] = useState(sheet.pages.length > 1);
  const ids = useMemo(() => (whole ? sheet.pages.map((one) => one.id) : [page.id]), [whole, sheet.pages, page.id]);
  const ways = useMemo(() => {
    const made: { id: string; name: string; way: Way }[] = [
      { id: 'keep', name: 'keep sizes, add space', way: { how: 'keep', ...keep } },
      { id: 'scale', name: 'scale everything, text too', way: { how: 'scale' } },
    ];
    return made.map((one) => ({ ...one, after: resized(sheet, ids, wanted.width, wanted.height, one.way) }));
  }, [keep, sheet, ids, wanted]);
  return (
    <div className="size-choice" role="group" aria-label="How the page changes its size">
      <p>
        To <b>{sizeName(wanted.width, wanted.height, sheet.unit)}</b>. What happens to what is on it?
      </p>
      <div className="size-ways">
        {ways.map(({ id, name, way, after: seen }) => (
          <button
            key={id}
            type="button"
            className="look"
            onClick={() => {
              const after = resized(bench.sheet, ids, wanted.width, wanted.height, way);
              if (bench.make('Page size', between(bench.sheet, after))) onDone();
            }}
          >
            <SmallPicture sheet={seen} page={seen.pages.find((one) => one.id === page.id)!} faces={bench.faces} />
            <span>{name}</span>
          </button>
        ))}
      </div>
      <div className="size-keep">
        <div className="size-spots" role="group" aria-label="Where things stay when space is added">
          {SIDES.map((y) =>
            SIDES.map((x) => (
              <button
                key={`${x} ${y}`}
                type="button"
                className={`size-spot${keep.x === x && keep.y === y ? ' on' : ''}`}
                aria-pressed={keep.x === x && keep.y === y}
                aria-label={`Things stay at the ${names(x, y)}`}
                title={`Things stay at the ${names(x, y)}`}
                onClick={() => setKeep({ x, y })}
              />
            )),
          )}
        </div>
        <span className="quiet">where things stay when space is added</span>
      </div>
      {sheet.pages.length > 1 && (
        <Toggle on={whole} label="Apply to all pages" onClick={() => setWhole(!whole)}>
          all {sheet.pages.length} pages
        </Toggle>
      )}
      <button type="button" className="chip apricot" onClick={onDone}>
        cancel
      </button>
    </div>
  );
}
