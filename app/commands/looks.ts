import { kindOf } from '../../core/items/all';
import { lookOf, withLook } from '../../core/items/look';
import type { Item, TextItem } from '../../core/schema/sheet';
import { roleOf } from '../../core/text/style';
import { itemChanges } from './arrange';
import type { Editor } from '../document/editor';
import { all, movable } from './steps';
import { fitted } from './word-commands';

/** Looks: copied from one item to others, and items selected by their look. */

const GIVEN = 'Apply look';

export function copyLook(editor: Editor): void {
  const item = editor.chosen ?? editor.selectedItems[0];
  if (!item) return;
  editor.put({ copiedLook: lookOf(item) });
  editor.say(
    'Look copied. Select other things and press Ctrl+Alt+V to apply it.',
    ({ history }) => history.past.at(-1)?.name === GIVEN,
  );
}

export function giveLook(editor: Editor): void {
  const look = editor.copiedLook;
  if (!look)
    return editor.say(
      'Copy a look first: select a thing and press Ctrl+Alt+C.',
      ({ copiedLook }) => copiedLook !== null,
    );
  const items = movable(editor);
  const changes = items.flatMap((item) => {
    const next = withLook(item, look);
    return [...itemChanges(item, next), ...(item.kind === 'text' ? fitted(editor, item, next as TextItem) : [])];
  });
  if (changes.length > 0) editor.make(GIVEN, all(changes));
}

export type Alike = 'kind' | 'colour' | 'role';

const colourOf = (editor: Editor, item: Item): string | null =>
  kindOf(item).seenIn?.(item, (role) => roleOf(editor.sheet, role)) ?? null;

/** Selects everything on the page that is like the selected item. */
export function chooseAlike(editor: Editor, by: Alike): void {
  const model = editor.chosen ?? editor.selectedItems[0];
  if (!model) return;
  const same: Record<Alike, (item: Item) => boolean> = {
    kind: (item) =>
      item.kind === model.kind && (item.kind !== 'shape' || model.kind !== 'shape' || item.shape === model.shape),
    colour: (item) => colourOf(editor, item) !== null && colourOf(editor, item) === colourOf(editor, model),
    role: (item) => item.role !== null && item.role === model.role,
  };
  const ids = (editor.enteredGroup ?? editor.page).items
    .filter(
      (item) =>
        !item.hidden && !item.locked && (editor.rights.kind === 'all' || item.touch === 'free') && same[by](item),
    )
    .map((item) => item.id);
  if (ids.length > 0) editor.select(ids);
}
