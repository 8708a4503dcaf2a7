import styles from './size-choice.module.css';
import { Chip } from '../parts/action';
import { useMemo, useState } from 'react';
import { between } from '../../core/changes/between';
import type { Keep, Way } from '../../core/items/page-size';
import { resized } from '../../core/items/page-size';
import type { Page, Sheet } from '../../core/schema/sheet';
import { sizeName } from '../../core/sheet/units';
import { SmallPicture } from '../drawing/small-picture';
import type { Editor } from '../document/editor';
import { Toggle } from '../fields/toggle';

/** A new page size asks what happens to the content: both ways are shown as small pictures. */

/** A size in points. */
export type Wanted = { width: number; height: number };
type Props = { editor: Editor; sheet: Sheet; page: Page; wanted: Wanted; onDone: () => void };
const SIDES = [0, 0.5, 1] as const;
const names = (x: number, y: number) =>
  `${['top', 'middle', 'bottom'][y * 2]} ${['left', 'centre', 'right'][x * 2]}`.replace('middle centre', 'middle');

export default function SizeChoice({ editor, sheet, page, wanted, onDone }: Props) {
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
    <div className={styles.choice} role="group" aria-label="How the page changes its size">
      <p>
        To <b>{sizeName(wanted.width, wanted.height, sheet.unit)}</b>. What happens to what is on it?
      </p>
      <div className={styles.ways}>
        {ways.map(({ id, name, way, after: seen }) => (
          <button
            key={id}
            type="button"
            className={styles.way}
            onClick={() => {
              const after = resized(editor.sheet, ids, wanted.width, wanted.height, way);
              if (editor.make('Page size', between(editor.sheet, after))) onDone();
            }}
          >
            <SmallPicture sheet={seen} page={seen.pages.find((one) => one.id === page.id)!} faces={editor.faces} />
            <span>{name}</span>
          </button>
        ))}
      </div>
      <div className={styles.keep}>
        <div className={styles.spots} role="group" aria-label="Where things stay when space is added">
          {SIDES.map((y) =>
            SIDES.map((x) => (
              <button
                key={`${x} ${y}`}
                type="button"
                className={`${styles.spot} ${keep.x === x && keep.y === y ? styles.on : ''}`}
                aria-pressed={keep.x === x && keep.y === y}
                aria-label={`Things stay at the ${names(x, y)}`}
                title={`Things stay at the ${names(x, y)}`}
                onClick={() => setKeep({ x, y })}
              />
            )),
          )}
        </div>
        <span className="quiet">Where things stay when space is added</span>
      </div>
      {sheet.pages.length > 1 && (
        <Toggle on={whole} label="Apply to all pages" onClick={() => setWhole(!whole)}>
          all {sheet.pages.length} pages
        </Toggle>
      )}
      <Chip tone="apricot" onClick={onDone}>
        cancel
      </Chip>
    </div>
  );
}
