import { withinMargins } from '../../core/placement/on-page';
import { boxOf } from '../../core/items/hit';
import { bodyLength, locate, spliceBody, styleAt } from '../../core/text/body';
import type { Patch } from '../../core/text/body';
import type { Change } from '../../core/changes/change';
import type { TextBody, Item, RunStyle, TextItem, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/fit';
import type { Common } from '../../core/text/common';
import { formatsWithin, inCommon, stylesWithin } from '../../core/text/common';
import type { FullFormat, FullStyle } from '../../core/text/style';
import { roleOf, roleOfItem } from '../../core/text/style';
import { pictureNow } from '../drawing/resources';
import type { Editor, Editing } from '../document/editor';
import { all, set } from './steps';

/** Editing text: style, paragraphs, and boxes that grow with it. */

/** Boxes whose height follows their words. */
const GROWING = new Set<TextItem['fit']>(['grow', 'width', 'lines']);

/** Fits a box to its text: it always grows when more room is needed, and shrinks if it fitted exactly before. */
export function fitted(editor: Editor, before: TextItem, after: TextItem): Change[] {
  if (!GROWING.has(after.fit) || !editor.faces) return [];
  const role = roleOf(editor.sheet, after.role);
  const need = grownHeight(after.body, role, after, editor.faces);
  const tight = Math.abs(before.height - grownHeight(before.body, role, before, editor.faces)) < 0.6;
  return need > after.height + 0.01 || (tight && need < after.height - 0.01)
    ? [set(after.id, { height: Math.round(need * 100) / 100 })]
    : [];
}

/** The text as a body in the style and paragraph format of where it goes. */
function fragmentFor(body: TextBody, position: number, words: string, typing: RunStyle | null): TextBody {
  const style = { ...styleAt(body, position), ...typing };
  const { format } = body[locate(body, position).paragraph];
  return words.split('\n').map((line) => ({ format, runs: line ? [{ text: line, style }] : [] }));
}

export function typeWords(editor: Editor, editing: Editing, at: number, remove: number, words: string): boolean {
  const item = findOn(editor.page, editing.id)?.item;
  if (!item || !isWritten(item)) return false;
  return putWords(editor, item, at, remove, fragmentFor(item.body, at, words, editing.typing));
}

/** Replaces part of an item's text, and fits the box in the same step. */
export function putWords(editor: Editor, item: WrittenItem, at: number, remove: number, insert: TextBody): boolean {
  const splice: Change = { kind: 'splice', id: item.id, at, remove, insert };
  const grown =
    item.kind === 'text' ? fitted(editor, item, { ...item, body: spliceBody(item.body, at, remove, insert) }) : [];
  return editor.make('Type', grown.length > 0 ? { kind: 'all', changes: [splice, ...grown] } : splice);
}

/** The text a setting applies to: the marked words while editing, else all text of the selected boxes. */
function stretches({ editing, page, selection }: Editor): { item: WrittenItem; from: number; to: number }[] {
  return (editing ? [editing.id] : selection).flatMap((id) => {
    const item = findOn(page, id)?.item;
    if (!item || !isWritten(item)) return [];
    const [from, to] = editing
      ? [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)]
      : [0, bodyLength(item.body)];
    return [{ item, from, to }];
  });
}

/** The style of those words. Null for what differs; null altogether where there are none. */
export function settingOfWords(editor: Editor): { style: Common<FullStyle>; format: Common<FullFormat> } | null {
  const all = stretches(editor).map((one) => ({ ...one, role: roleOfItem(editor.sheet, one.item) }));
  if (all.length === 0) return null;
  const style = inCommon(all.flatMap(({ role, item, from, to }) => stylesWithin(role, item.body, from, to)));
  const format = inCommon(all.flatMap(({ role, item, from, to }) => formatsWithin(role, item.body, from, to)));
  return { style: { ...style, ...editor.editing?.typing }, format };
}

/** Styles the words being marked, or all words of the chosen boxes. */
export function styleWords(editor: Editor, name: string, patch: Patch<RunStyle>): void {
  const { editing } = editor;
  if (editing && editing.anchor === editing.focus) {
    const typing = Object.fromEntries(
      Object.entries({ ...editing.typing, ...patch }).filter(([, value]) => value !== null),
    );
    editor.edit({ ...editing, typing });
    return;
  }
  onWords(editor, name, (id, from, to) => ({ kind: 'style', id, from, to, patch }));
}

/** Styles that are on or off. */
export type Toggled = 'bold' | 'italic' | 'underline' | 'super' | 'sub';
const TOGGLE_NAMES: Record<Toggled, string> = {
  bold: 'Bold',
  italic: 'Italic',
  underline: 'Underline',
  super: 'Superscript',
  sub: 'Subscript',
};

/** Whether words have it, all or some of them. */
export const toggled = (style: Common<FullStyle>, what: Toggled): boolean | 'mixed' =>
  what === 'super' || what === 'sub'
    ? style.script === null
      ? 'mixed'
      : style.script === what
    : (style[what] ?? 'mixed');

/** Turns it on for all those words, or off if all of them have it. */
export function toggleStyle(editor: Editor, what: Toggled): void {
  const setting = settingOfWords(editor);
  if (!setting) return;
  const on = toggled(setting.style, what) !== true;
  const patch: Patch<RunStyle> = what === 'super' || what === 'sub' ? { script: on ? what : 'none' } : { [what]: on };
  styleWords(editor, TOGGLE_NAMES[what], patch);
}

export function formatWords(
  editor: Editor,
  name: string,
  patch: Extract<Change, { kind: 'paragraph' }>['patch'],
): void {
  onWords(editor, name, (id, from, to) => ({ kind: 'paragraph', id, from, to, patch }));
}

/** Changes the marked words, or all text of the selected boxes, and fits the boxes. */
function onWords(editor: Editor, name: string, make: (id: string, from: number, to: number) => Change): void {
  const { editing } = editor;
  const changes = stretches(editor).flatMap(({ item, from, to }): Change[] => {
    const change = make(item.id, from, to);
    return [change, ...grownBy(editor, item, change)];
  });
  if (changes.length > 0 && editor.make(name, all(changes))) editor.remember(editing ? [editing.id] : editor.selection);
}

function grownBy(editor: Editor, item: Item, change: Change): Change[] {
  if (item.kind !== 'text') return [];
  const after = editor.tried(change);
  const next = after && findOn(after, item.id)?.item;
  return next?.kind === 'text' ? fitted(editor, item, next) : [];
}

/** Makes lettering as wide as the page, the margin, or the nearest item below it, such as a banner. */
export function fitToWidth(editor: Editor, item: TextItem, as: 'page' | 'margin' | 'next'): void {
  const { page } = editor;
  let span = as === 'page' ? { x: 0, width: page.width } : withinMargins(page);
  if (as === 'next') {
    const box = boxOf(page, item, pictureNow);
    const below = page.items
      .filter((other) => other.id !== item.id && !other.hidden && other.kind !== 'line')
      .map((other) => boxOf(page, other, pictureNow))
      .filter((other) => other.width > 20 && other.y + other.height > box.y + box.height / 2)
      // An item right under the lettering, such as a banner, comes before one further down.
      .sort((a, b) => Math.max(0, a.y - box.y) - Math.max(0, b.y - box.y) || a.width - b.width);
    if (below.length === 0) return editor.say('There is nothing below it to match the width of.');
    span = below[0];
  }
  const next: TextItem = {
    ...item,
    ...span,
    angle: 0,
    fit: item.fit === 'lines' ? 'lines' : 'width',
    padding: as === 'page' ? 0 : item.padding,
  };
  const { x, width, angle, fit, padding } = next;
  const height = editor.faces
    ? grownHeight(next.body, roleOf(editor.sheet, next.role), next, editor.faces)
    : next.height;
  editor.make('Fit to width', set(item.id, { x, width, angle, fit, padding, height: Math.round(height * 100) / 100 }));
}
