import { itemName } from '../../core/items/name';
import { findOn } from '../../core/sheet/tree';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { lightUp } from './light';

/** The small list of what lies under the pointer, front to back. */
export function DigList({ editor, scale }: { editor: Editor; scale: number }) {
  const dug = useEditor(editor, 'dug');
  const selection = useEditor(editor, 'selection');
  const page = useEditor(editor, 'page');
  if (!dug) return null;
  const items = dug.ids.flatMap((id) => findOn(page, id)?.item ?? []);
  // Opens towards the middle of the sheet, so that it is never cut off.
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
            const { dug } = editor;
            editor.select([item.id]);
            editor.put({ dug });
          }}
        >
          {itemName(item)}
        </button>
      ))}
    </div>
  );
}
