import { withinMargins } from '../../core/placement/on-page';
import { boxOf } from '../../core/items/hit';
import { bodyLength, locate, spliceBody, styleAt } from '../../core/text/body';
import type { Patch } from '../../core/text/body';
import type { Change } from '../../core/changes/change';
import type { Body, Item, RunStyle, TextItem, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/fit';
import type { Common } from '../../core/text/common';
import { formatsWithin, inCommon, stylesWithin } from '../../core/text/common';
import type { FullFormat, FullStyle } from '../../core/text/style';
import { roleOf, roleOfItem } from '../../core/text/style';
import { pictureNow } from '../drawing/resources';
import type { Bench, Editing } from '../document/bench';
import { all, set } from './steps';

/** What is done to words: their style, their paragraphs, and boxes that grow with them. */

/** Boxes whose height follows their words. */
const GROWING = new Set<TextItem['fit']>(['grow', 'width', 'lines']);

/** Grows a box with its words: always when they need more, and back when it was just as high as they were. */
export function fitted(bench: Bench, before: TextItem, after: TextItem): Change[] {
  if (!GROWING.has(after.fit) || !bench.faces) return [];
  const role = roleOf(bench.sheet, after.role);
  const need = grownHeight(after.body, role, after, bench.faces);
  const tight = Math.abs(before.height - grownHeight(before.body, role, before, bench.faces)) < 0.6;
  return need > after.height + 0.01 || (tight && need < after.height - 0.01)
    ? [set(after.id, { height: Math.round(need * 100) / 100 })]
    : [];
}

/** The words as a fragment that carries on the style and paragraph format where they go. */
function fragmentFor(body: Body, position: number, words: string, typing: RunStyle | null): Body {
  const style = { ...styleAt(body, position), ...typing };
  const { format } = body[locate(body, position).paragraph];
  return words.split('\n').map((line) => ({ format, runs: line ? [{ text: line, style }] : [] }));
}

export function typeWords(bench: Bench, editing: Editing, at: number, remove: number, words: string): boolean {
  const item = findOn(bench.page, editing.id)?.item;
  if (!item || !isWritten(item)) return false;
  return putWords(bench, item, at, remove, fragmentFor(item.body, at, words, editing.typing));
}

/** Replaces a stretch of an item's words; a box that grows with them does so in the same step. */
export function putWords(bench: Bench, item: WrittenItem, at: number, remove: number, insert: Body): boolean {
  const splice: Change = { kind: 'splice', id: item.id, at, remove, insert };
  const grown =
    item.kind === 'text' ? fitted(bench, item, { ...item, body: spliceBody(item.body, at, remove, insert) }) : [];
  return bench.make('Type', grown.length > 0 ? { kind: 'all', changes: [splice, ...grown] } : splice);
}

/** The words that a setting is about: what is marked while words are edited, else all of the chosen boxes. */
function stretches({ editing, page, selection }: Bench): { item: WrittenItem; from: number; to: number }[] {
  return (editing ? [editing.id] : selection).flatMap((id) => {
    const item = findOn(page, id)?.item;
    if (!item || !isWritten(item)) return [];
    const [from, to] = editing
      ? [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)]
      : [0, bodyLength(item.body)];
    return [{ item, from, to }];
  });
}

/** How those words are set: null where they differ, and null as a whole where there are none. */
export function settingOfWords(bench: Bench): { style: Common<FullStyle>; format: Common<FullFormat> } | null {
  const all = stretches(bench).map((one) => ({ ...one, role: roleOfItem(bench.sheet, one.item) }));
  if (all.length === 0) return null;
  const style = inCommon(all.flatMap(({ role, item, from, to }) => stylesWithin(role, item.body, from, to)));
  const format = inCommon(all.flatMap(({ role, item, from, to }) => formatsWithin(role, item.body, from, to)));
  return { style: { ...style, ...bench.editing?.typing }, format };
}

/** Styles the words being marked, or all words of the chosen boxes. */
export function styleWords(bench: Bench, name: string, patch: Patch<RunStyle>): void {
  const { editing } = bench;
  if (editing && editing.anchor === editing.focus) {
    const typing = Object.fromEntries(
      Object.entries({ ...editing.typing, ...patch }).filter(([, value]) => value !== null),
    );
    bench.edit({ ...editing, typing });
    return;
  }
  onWords(bench, name, (id, from, to) => ({ kind: 'style', id, from, to, patch }));
}

/** What is on or off for words. */
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

/** Turns it on for all those words; off where all of them have it. */
export function toggleStyle(bench: Bench, what: Toggled): void {
  const setting = settingOfWords(bench);
  if (!setting) return;
  const on = toggled(setting.style, what) !== true;
  const patch: Patch<RunStyle> = what === 'super' || what === 'sub' ? { script: on ? what : 'none' } : { [what]: on };
  styleWords(bench, TOGGLE_NAMES[what], patch);
}

export function formatWords(bench: Bench, name: string, patch: Extract<Change, { kind: 'paragraph' }>['patch']): void {
  onWords(bench, name, (id, from, to) => ({ kind: 'paragraph', id, from, to, patch }));
}

/** Makes a change of the words that are marked, or of all words of the chosen boxes, which grow as they need. */
function onWords(bench: Bench, name: string, make: (id: string, from: number, to: number) => Change): void {
  const { editing } = bench;
  const changes = stretches(bench).flatMap(({ item, from, to }): Change[] => {
    const change = make(item.id, from, to);
    return [change, ...grownBy(bench, item, change)];
  });
  if (changes.length > 0 && bench.make(name, all(changes))) bench.remember(editing ? [editing.id] : bench.selection);
}

function grownBy(bench: Bench, item: Item, change: Change): Change[] {
  if (item.kind !== 'text') return [];
  const after = bench.tried(change);
  const next = after && findOn(after, item.id)?.item;
  return next?.kind === 'text' ? fitted(bench, item, next) : [];
}

/** Makes lettering as wide as the page, its margin, or the nearest thing below it, such as a banner. */
export function fitToWidth(bench: Bench, item: TextItem, as: 'page' | 'margin' | 'next'): void {
  const { page } = bench;
  let span = as === 'page' ? { x: 0, width: page.width } : withinMargins(page);
  if (as === 'next') {
    const box = boxOf(page, item, pictureNow);
    const below = page.items
      .filter((other) => other.id !== item.id && !other.hidden && other.kind !== 'line')
      .map((other) => boxOf(page, other, pictureNow))
      .filter((other) => other.width > 20 && other.y + other.height > box.y + box.height / 2)
      // What lies under the lettering itself, such as a banner, comes before what stands further down.
      .sort((a, b) => Math.max(0, a.y - box.y) - Math.max(0, b.y - box.y) || a.width - b.width);
    if (below.length === 0) return bench.say('There is nothing below it to match the width of.');
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
  const height = bench.faces ? grownHeight(next.body, roleOf(bench.sheet, next.role), next, bench.faces) : next.height;
  bench.make('Fit to width', set(item.id, { x, width, angle, fit, padding, height: Math.round(height * 100) / 100 }));
}
