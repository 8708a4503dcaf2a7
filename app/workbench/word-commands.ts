import { bodyLength } from '../../core/sheet/body';
import type { Patch } from '../../core/sheet/body';
import type { Change } from '../../core/sheet/change';
import type { Item, RunStyle, TextItem } from '../../core/sheet/schema';
import { isWritten } from '../../core/sheet/schema';
import { findOn } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/layout';
import { roleOf } from '../../core/text/style';
import type { Bench } from './bench';
import { all, set } from './steps';

/** What is done to words: their style, their paragraphs, and boxes that grow with them. */

/** Grows a box with its words: always when they need more, and back when it was just as high as they were. */
export function fitted(bench: Bench, before: TextItem, after: TextItem): Change[] {
  if (after.fit !== 'grow' || !bench.faces) return [];
  const role = roleOf(bench.sheet, after.role);
  const need = grownHeight(after.body, role, after, bench.faces);
  const tight = Math.abs(before.height - grownHeight(before.body, role, before, bench.faces)) < 0.6;
  return need > after.height + 0.01 || (tight && need < after.height - 0.01)
    ? [set(after.id, { height: Math.round(need * 100) / 100 })]
    : [];
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

export function formatWords(bench: Bench, name: string, patch: Extract<Change, { kind: 'paragraph' }>['patch']): void {
  onWords(bench, name, (id, from, to) => ({ kind: 'paragraph', id, from, to, patch }));
}

/** Makes a change of the words that are marked, or of all words of the chosen boxes, which grow as they need. */
function onWords(bench: Bench, name: string, make: (id: string, from: number, to: number) => Change): void {
  const { editing } = bench;
  const changes = (editing ? [editing.id] : bench.selection).flatMap((id): Change[] => {
    const item = findOn(bench.page, id)?.item;
    if (!item || !isWritten(item)) return [];
    const [from, to] = editing
      ? [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)]
      : [0, bodyLength(item.body)];
    const change = make(id, from, to);
    return [change, ...grownBy(bench, item, change)];
  });
  if (changes.length > 0) bench.make(name, all(changes));
}

function grownBy(bench: Bench, item: Item, change: Change): Change[] {
  if (item.kind !== 'text') return [];
  const after = bench.tried(change);
  const next = after && findOn(after, item.id)?.item;
  return next?.kind === 'text' ? fitted(bench, item, next) : [];
}
