import type { WrittenItem } from '../../core/schema/sheet';
import { locate, runLength } from '../../core/text/body';
import { caretAt, lineEdge, vertical } from '../../core/text/caret';
import type { Layout } from '../../core/text/lines';
import type { Editor, Editing } from '../document/editor';
import { toggleStyle } from '../commands/word-commands';
import type { Toggled } from '../commands/word-commands';

/** What keys do while a text is edited on the sheet. */

const STYLE_KEYS: Record<string, Toggled> = { b: 'bold', i: 'italic', u: 'underline', '.': 'super', ',': 'sub' };

export type Writing = {
  editor: Editor;
  item: WrittenItem;
  layout: Layout;
  /** The caret and the selection as they are now. */
  now: Editing;
  /** The x position that the up and down keys keep from one press to the next. */
  column: { current: number | null };
  /** Moves the focus from the text to the sheet. */
  leave: () => void;
};

type Press = Pick<KeyboardEvent, 'key' | 'shiftKey' | 'altKey' | 'ctrlKey' | 'metaKey'>;

/** Does what a key stands for. False for keys that the text area itself takes. */
export function pressInText(writing: Writing, press: Press): boolean {
  const { editor, layout, now, column, leave } = writing;
  const { key, shiftKey: shift } = press;
  const command = press.ctrlKey || press.metaKey;
  const moveTo = (focus: number) => {
    editor.edit({ ...now, anchor: shift ? now.anchor : focus, focus, typing: null });
    return true;
  };
  if (key === 'ArrowUp' || key === 'ArrowDown') {
    column.current ??= caretAt(layout, now.focus).x;
    return moveTo(vertical(layout, now.focus, key === 'ArrowUp' ? -1 : 1, column.current));
  }
  if (key === 'Escape') {
    editor.edit(null);
    leave();
    return true;
  }
  if (key === 'Tab') {
    tab(writing, shift ? -1 : 1);
    return true;
  }
  if (command) return !press.altKey && pressWithCommand(editor, key, shift);
  if (key === 'Enter') return !shift && endsList(writing);
  if (key === 'Home' || key === 'End') return moveTo(lineEdge(layout, now.focus, key === 'Home' ? 'start' : 'end'));
  return false;
}

function pressWithCommand(editor: Editor, pressed: string, shift: boolean): boolean {
  const key = pressed.toLowerCase();
  if (key === 'y' || (key === 'z' && shift)) editor.redo();
  else if (key === 'z') editor.undo();
  else if (key === 'enter') besideChosen(editor, shift);
  else if (key === 'f') editor.put({ finding: true });
  else if (key in STYLE_KEYS) toggleStyle(editor, STYLE_KEYS[key]);
  else return false;
  return true;
}

/** Adds something beside what is selected: for a node of a map, its child or its sibling. */
export const besideChosen = (editor: Editor, shift: boolean) =>
  editor.onSheet.some((maker) => maker.beside?.(editor, shift ? 'sibling' : 'child'));

/** Enter in an empty list item ends the list. */
function endsList({ editor, item, now }: Writing): boolean {
  if (now.anchor !== now.focus) return false;
  const { format, runs } = item.body[locate(item.body, now.focus).paragraph];
  if (!format.list || format.list === 'none' || runLength(runs) > 0) return false;
  return paragraphSet(editor, 'End list', item, now.focus, { list: null, level: null });
}

/** Indents a list item; anywhere else it goes to the next text. */
function tab({ editor, item, now }: Writing, by: 1 | -1): void {
  const { list, level = 0 } = item.body[locate(item.body, now.focus).paragraph].format;
  if (list && list !== 'none')
    paragraphSet(editor, 'List level', item, now.focus, { level: Math.max(0, Math.min(5, level + by)) });
  else if (!editor.onSheet.some((maker) => maker.tab?.(editor, by))) editor.onTab?.(by);
}

const paragraphSet = (editor: Editor, name: string, { id }: WrittenItem, at: number, patch: Record<string, unknown>) =>
  editor.make(name, { kind: 'paragraph', id, from: at, to: at, patch });
