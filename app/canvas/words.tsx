import type { ComponentProps } from 'react';
import { useCallback, useEffect, useLayoutEffect, useRef } from 'react';
import { wordsOf } from '../../core/items/words';
import { bodyLength, bodyText, locate, styleAt } from '../../core/text/body';
import type { TextBody, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import type { Editor, Editing } from '../document/editor';
import { useEditor } from '../document/editor';
import { asMuchAsFits, CLIP } from '../commands/clipboard';
import { bodyFrom } from '../commands/paste';
import { putWords, typeWords } from '../commands/word-commands';
import { besideChosen, pressInText } from './text-keys';

/**
 * Editing text in place. Glyphs, caret and selection are drawn from the core's layout, so nothing jumps. Typing goes through a
 * hidden text area with the same text, so that input methods, dictation, the clipboard and screen readers work as usual.
 */

/**
 * What was typed: the part of the old text that was replaced, and what replaced it. Everything after the caret is unchanged,
 * which decides between several possible places for a doubled letter.
 */
export function difference(
  before: string,
  after: string,
  caret: number,
): { at: number; remove: number; insert: string } {
  let tail = after.length - caret;
  if (tail > before.length || before.slice(before.length - tail) !== after.slice(caret)) tail = 0;
  const end = before.length - tail;
  const limit = Math.min(end, after.length - tail);
  let at = 0;
  while (at < limit && before[at] === after[at]) at++;
  return { at, remove: end - at, insert: after.slice(at, after.length - tail) };
}

/** Pastes text over the selection. Its paragraphs, lists, bold and italic stay; the rest is set as here. */
function pasteInto(editor: Editor, editing: Editing, pasted: TextBody): void {
  const item = findOn(editor.page, editing.id)?.item;
  if (!item || !isWritten(item)) return;
  const { body, cut } = asMuchAsFits(pasted);
  const [from, to] = [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)];
  const style = { ...styleAt(item.body, from), ...editing.typing };
  const { format } = item.body[locate(item.body, from).paragraph];
  const insert = body.map((p) => ({
    format: { ...format, ...p.format },
    runs: p.runs.map((run) => ({ text: run.text, style: { ...style, ...run.style } })),
  }));
  if (!putWords(editor, item, from, to - from, insert)) return;
  const end = from + bodyLength(insert);
  editor.edit({ id: item.id, anchor: end, focus: end, typing: null });
  if (cut) editor.say(cut);
}

export function WordsInput({ editor, scale }: { editor: Editor; scale: number }) {
  const editing = useEditor(editor, 'editing');
  const area = useRef<HTMLTextAreaElement>(null);
  /** The x position that the up and down keys keep. */
  const column = useRef<number | null>(null);
  const page = useEditor(editor, 'page');
  const item = editing ? (findOn(page, editing.id)?.item as WrittenItem | undefined) : undefined;
  const words = item && isWritten(item) ? bodyText(item.body) : '';
  const id = editing?.id;
  const begun = useEditor(editor, 'begun');
  const node = begun?.left ? undefined : begun?.node;

  useEffect(() => {
    if (id || node) area.current?.focus({ preventScroll: true });
  }, [id, node]);

  useEffect(() => {
    if (node && area.current) area.current.value = '';
  }, [node]);

  // At once, and never through React: a selection reported in between would be taken for the person's.
  useLayoutEffect(() => {
    const element = area.current;
    if (!element || !editing) return;
    if (element.value !== words) element.value = words;
    const [start, end] = [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)];
    if (element.selectionStart !== start || element.selectionEnd !== end)
      element.setSelectionRange(start, end, editing.focus < editing.anchor ? 'backward' : 'forward');
  }, [editing, words]);

  /** Takes over the text area's selection: keys and assistive technology may have moved it. */
  const follow = useCallback(() => {
    const element = area.current;
    const now = editor.editing;
    if (!element || !now || document.activeElement !== element || element.value !== wordsOfItem(editor, now.id)) return;
    const back = element.selectionDirection === 'backward';
    const anchor = back ? element.selectionEnd : element.selectionStart;
    const focus = back ? element.selectionStart : element.selectionEnd;
    if (anchor === now.anchor && focus === now.focus) return;
    column.current = null;
    editor.edit({ ...now, anchor, focus, typing: null });
  }, [editor]);

  useEffect(() => {
    if (!id) return;
    document.addEventListener('selectionchange', follow);
    return () => document.removeEventListener('selectionchange', follow);
  }, [follow, id]);

  const toStage = () => area.current?.closest<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });

  // The same text area as below, so that typing goes on in it.
  if (begun && node) return <textarea ref={area} {...ALWAYS} {...nodeInput(editor, begun, toStage)} />;
  if (!editing || !item || !isWritten(item) || !editor.faces) return null;
  const { layout } = wordsOf(item, { faces: editor.faces, roles: editor.sheet.roles });

  return (
    <textarea
      ref={area}
      {...ALWAYS}
      data-item={item.id}
      aria-label={`Words of ${item.role ?? item.kind}`}
      style={{ fontSize: 16 * Math.min(1, scale) }}
      onChange={(event) => {
        const element = event.currentTarget;
        const caret = element.selectionEnd;
        const { at, remove, insert } = difference(words, element.value, caret);
        const now = editor.editing ?? editing;
        if (typeWords(editor, now, at, remove, insert))
          editor.edit({ id: now.id, anchor: caret, focus: caret, typing: remove === 0 ? now.typing : null });
        else {
          element.value = words;
          element.setSelectionRange(now.anchor, now.focus);
        }
      }}
      onPaste={(event) => {
        event.preventDefault();
        if (editor.onSheet.some((maker) => maker.pasteInto?.(editor, event.clipboardData))) return;
        const pasted = bodyFrom(event.clipboardData);
        if (pasted && !event.clipboardData.getData('text/plain').startsWith(CLIP))
          pasteInto(editor, editor.editing ?? editing, pasted);
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        // The event for a moved selection may still be on its way.
        follow();
        const writing = { editor, item, layout, now: editor.editing ?? editing, column, leave: toStage };
        if (pressInText(writing, event)) event.preventDefault();
      }}
    />
  );
}

const ALWAYS = { className: 'words-input', autoCapitalize: 'sentences', spellCheck: false };

/** The text of a map's new node, until the map has been laid out anew and the node can be written in. */
const nodeInput = (
  editor: Editor,
  begun: NonNullable<Editor['begun']>,
  leave: () => void,
): ComponentProps<'textarea'> => ({
  'aria-label': 'Words of the new node',
  onChange: (event) => editor.put({ begun: { ...begun, words: event.currentTarget.value } }),
  onBlur: () => editor.begun?.node === begun.node && editor.put({ begun: { ...editor.begun, left: true } }),
  onKeyDown: (event) => {
    event.stopPropagation();
    const beside = event.key === 'Enter' && (event.ctrlKey || event.metaKey);
    if (beside || event.key === 'Tab' || event.key === 'Escape') event.preventDefault();
    if (beside) besideChosen(editor, event.shiftKey);
    else if (event.key === 'Escape') leave();
  },
});

const wordsOfItem = (editor: Editor, id: string) => {
  const item = findOn(editor.page, id)?.item;
  return item && isWritten(item) ? bodyText(item.body) : '';
};
