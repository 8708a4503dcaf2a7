import { useCallback, useEffect, useLayoutEffect, useRef } from 'react';
import { wordsOf } from '../../core/items/words';
import { bodyLength, bodyText, locate, runLength, styleAt } from '../../core/text/body';
import type { TextBody, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { caretAt, lineEdge, vertical } from '../../core/text/caret';
import type { Editor, Editing } from '../document/editor';
import { useEditor } from '../document/editor';
import { asMuchAsFits, CLIP } from '../commands/clipboard';
import { bodyFrom } from '../commands/paste';
import { putWords, toggleStyle, typeWords } from '../commands/word-commands';
import type { Toggled } from '../commands/word-commands';

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

/** Enter in an empty list item ends the list. */
function endsList(editor: Editor, editing: Editing): boolean {
  const item = findOn(editor.page, editing.id)?.item;
  if (!item || !isWritten(item) || editing.anchor !== editing.focus) return false;
  const { paragraph } = locate(item.body, editing.focus);
  const { format, runs } = item.body[paragraph];
  if (!format.list || format.list === 'none' || runLength(runs) > 0) return false;
  return editor.make('End list', {
    kind: 'paragraph',
    id: item.id,
    from: editing.focus,
    to: editing.focus,
    patch: { list: null, level: null },
  });
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
  if (begun && node)
    return (
      <textarea
        ref={area}
        className="words-input"
        aria-label="Words of the new node"
        autoCapitalize="sentences"
        spellCheck={false}
        onChange={(event) => editor.put({ begun: { ...begun, words: event.currentTarget.value } })}
        onBlur={() => editor.begun?.node === node && editor.put({ begun: { ...editor.begun, left: true } })}
        onKeyDown={(event) => {
          event.stopPropagation();
          const beside = event.key === 'Enter' && (event.ctrlKey || event.metaKey);
          if (beside || event.key === 'Tab' || event.key === 'Escape') event.preventDefault();
          if (beside) besideChosen(editor, event.shiftKey);
          else if (event.key === 'Escape') toStage();
        }}
      />
    );
  if (!editing || !item || !isWritten(item) || !editor.faces) return null;
  const { layout } = wordsOf(item, { faces: editor.faces, roles: editor.sheet.roles });

  return (
    <textarea
      ref={area}
      className="words-input"
      data-item={item.id}
      aria-label={`Words of ${item.role ?? item.kind}`}
      autoCapitalize="sentences"
      spellCheck={false}
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
        const now = editor.editing ?? editing;
        const moveTo = (focus: number, extend: boolean) =>
          editor.edit({ ...now, anchor: extend ? now.anchor : focus, focus, typing: null });
        const command = event.ctrlKey || event.metaKey;
        const key = event.key.toLowerCase();
        if (event.key === 'Escape') {
          event.preventDefault();
          editor.edit(null);
          toStage();
        } else if (command && !event.altKey && (key === 'z' || key === 'y')) {
          event.preventDefault();
          if (key === 'y' || event.shiftKey) editor.redo();
          else editor.undo();
        } else if (command && event.key === 'Enter') {
          event.preventDefault();
          besideChosen(editor, event.shiftKey);
        } else if (command && key === 'f') {
          event.preventDefault();
          editor.put({ finding: true });
        } else if (command && key in STYLE_KEYS) {
          event.preventDefault();
          toggleStyle(editor, STYLE_KEYS[key]);
        } else if (event.key === 'Enter' && !event.shiftKey && endsList(editor, now)) event.preventDefault();
        else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          column.current ??= caretAt(layout, now.focus).x;
          const keep = column.current;
          moveTo(vertical(layout, now.focus, event.key === 'ArrowUp' ? -1 : 1, keep), event.shiftKey);
        } else if ((event.key === 'Home' || event.key === 'End') && !command) {
          event.preventDefault();
          moveTo(lineEdge(layout, now.focus, event.key === 'Home' ? 'start' : 'end'), event.shiftKey);
        } else if (event.key === 'Tab') {
          event.preventDefault();
          const { paragraph } = locate(item.body, now.focus);
          const { list, level = 0 } = item.body[paragraph].format;
          if (list && list !== 'none')
            editor.make('List level', {
              kind: 'paragraph',
              id: item.id,
              from: now.focus,
              to: now.focus,
              patch: { level: Math.max(0, Math.min(5, level + (event.shiftKey ? -1 : 1))) },
            });
          else {
            const by = event.shiftKey ? -1 : 1;
            if (!editor.onSheet.some((maker) => maker.tab?.(editor, by))) editor.onTab?.(by);
          }
        }
      }}
    />
  );
}

const STYLE_KEYS: Record<string, Toggled> = {
  b: 'bold',
  i: 'italic',
  u: 'underline',
  '.': 'super',
  ',': 'sub',
};

const wordsOfItem = (editor: Editor, id: string) => {
  const item = findOn(editor.page, id)?.item;
  return item && isWritten(item) ? bodyText(item.body) : '';
};

const besideChosen = (editor: Editor, shift: boolean) =>
  editor.onSheet.some((maker) => maker.beside?.(editor, shift ? 'sibling' : 'child'));
