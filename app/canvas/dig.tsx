import { itemName } from '../../core/items/name';
import { findOn } from '../../core/sheet/tree';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { lightUp } from './light';

const dugOf = (bench: Bench) => bench.dug;
const selectionOf = (bench: Bench) => bench.selection;
const pageOf = (bench: Bench) => bench.page;

/** The small list of what lies under the pointer, front to back. */
export function DigList({ bench, scale }: { bench: Bench; scale: number }) {
  const dug = useBench(bench, dugOf);
  const selection = useBench(bench, selectionOf);
  const page = useBench(bench, pageOf);
  if (!dug) return null;
  const items = dug.ids.flatMap((id) => findOn(page, id)?.item ?? []);
  // It opens towards the middle of the sheet, so that it is never cut off.
  const left = dug.x > page.width * 0.7;
  const up = dug.y > page.height * 0.65;
  return (
    <div
      className="dig-list"
      role="listbox"
      aria-label="What lies here, front to back"
      style={{
        [left ? 'right' : 'left']: (left ? page.width - dug.x : dug.x) * scale + 14,
        [up ? 'bottom' : 'top']: (up ? page.height - dug.y : dug.y) * scale + 8,
      }}
    >
      <small>lies here, front to back</small>
      {items.map((item) => (
        <button
          key={item.id}
          type="button"
          role="option"
          aria-selected={selection.includes(item.id)}
          aria-current={selection.includes(item.id)}
          onPointerEnter={() => lightUp(item.id, true)}
          onPointerLeave={() => lightUp(item.id, false)}
          onClick={() => {
            lightUp(item.id, false);
            const { dug } = bench;
            bench.select([item.id]);
            bench.put({ dug });
          }}
        >
          {itemName(item)}
        </button>
      ))}
    </div>
  );
}
