import type { Item, TextItem } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import type { Editor } from '../document/editor';
import { all, set } from './steps';
import { fitted } from './word-commands';

/** Setting values of selected items. A file of its own: handing out needs nothing else of the commands. */

export function setValues(editor: Editor, name: string, values: Record<string, unknown>, ids = editor.selection): void {
  setEach(editor, name, () => values, ids);
}

/** Sets values of each selected item from its present ones. Settings its kind doesn't have are ignored. */
export function setEach(
  editor: Editor,
  name: string,
  valuesOf: (item: Item) => Record<string, unknown>,
  ids = editor.selection,
): void {
  const changes = ids.flatMap((id) => {
    const item = findOn(editor.page, id)?.item;
    const own = item && Object.fromEntries(Object.entries(valuesOf(item)).filter(([key]) => key in item));
    if (!item || !own || Object.keys(own).length === 0) return [];
    const change = set(id, own);
    if (item.kind !== 'text') return [change];
    const next = { ...item, ...own } as TextItem;
    return [change, ...fitted(editor, item, next)];
  });
  if (changes.length > 0 && editor.make(name, all(changes))) editor.remember(ids);
}
