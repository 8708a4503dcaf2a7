import { cutTo } from '../../../core/values/characters';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import type { ClipboardEvent, DragEvent, KeyboardEvent } from 'react';
import { readOutline } from '../../../core/makers/map/files';
import { isUntouched } from '../../../core/makers/map/begin';
import { branchEnd, OutlineProblem, rowMoved, rowsOf, shifted, withRows } from '../../../core/makers/map/outline';
import type { Row } from '../../../core/makers/map/outline';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import { freeId, LONGEST_NODE, MOST_NODES } from '../../../core/schema/recipes/map';
import { useRows } from '../../fields/rows';
import styles from './map.module.css';

/** The outline of a map, written like a list: Enter for the next line, Tab to indent it. */

type Props = {
  recipe: MapRecipe;
  /** The node selected on the map. */
  current: string | null;
  onEdit: (name: string, recipe: MapRecipe, keep: 'soon' | 'now') => void;
  onUndo: (by: 1 | -1) => void;
  onFocusRow: (id: string) => void;
  onProblem: (words: string) => void;
};

type Drop = { index: number; depth: number };
const INDENT = 16;

/** Height of a line, in pixels as in the styles. */
const ROW = 22;

export function OutlinePad({ recipe, current, onEdit, onUndo, onFocusRow, onProblem }: Props) {
  const rows = rowsOf(recipe.nodes);
  const pad = useRef<HTMLDivElement>(null);
  const focus = useRef<{ id: string; at: number | 'end' } | null>(null);
  const [dragged, setDragged] = useState<number | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  // Of a long outline only the visible lines exist, and those being edited or dragged.
  const { first, end } = useRows(rows.length, ROW, pad);
  const [held, setHeld] = useState<string | null>(null);
  const isThere = (id: string, i: number) => (i >= first && i < end) || i === dragged || id === held;

  const want = (id: string, at: number | 'end') => {
    focus.current = { id, at };
    setHeld(id);
  };
  const fieldOf = (id: string) => pad.current?.querySelector<HTMLInputElement>(`[data-row="${CSS.escape(id)}"] input`);
  useEffect(() => {
    const wanted = focus.current;
    const field = wanted && fieldOf(wanted.id);
    if (!field) return;
    focus.current = null;
    field.focus();
    const at = wanted.at === 'end' ? field.value.length : wanted.at;
    field.setSelectionRange(at, at);
  });
  const place = rows.findIndex((row) => row.id === current);
  useEffect(() => {
    const list = pad.current;
    if (place < 0 || !list || list.contains(document.activeElement)) return;
    const [top, bottom] = [place * ROW, (place + 1) * ROW];
    if (top < list.scrollTop || bottom > list.scrollTop + list.clientHeight)
      list.scrollTop = top - list.clientHeight / 2;
  }, [place]);

  const put = (name: string, next: readonly Row[], keep: 'soon' | 'now' = 'now') => {
    if (next.length > MOST_NODES)
      return onProblem(`A map holds ${MOST_NODES} lines. Begin a second map for what goes beyond.`);
    onEdit(name, withRows(recipe, next), keep);
  };

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>, at: number) {
    const field = event.currentTarget;
    const row = rows[at];
    const start = field.selectionStart ?? 0;
    const collapsed = start === field.selectionEnd;
    const command = event.ctrlKey || event.metaKey;
    const did = (work: () => void) => {
      event.preventDefault();
      work();
    };
    const go = (index: number) => {
      if (rows[index]) want(rows[index].id, start);
    };
    if (command && event.key.toLowerCase() === 'z') return did(() => onUndo(event.shiftKey ? -1 : 1));
    if (command && event.key.toLowerCase() === 'y') return did(() => onUndo(-1));
    if (event.key === 'Enter')
      return did(() => {
        const id = freeId(rows.map((one) => one.id));
        const [left, right] = [row.text.slice(0, start), row.text.slice(start)];
        // The line after a parent becomes its first child.
        const deeper = branchEnd(rows, at) > at + 1 && right === '';
        const next = rows.slice();
        next.splice(at, 1, { ...row, text: left }, { id, text: right, depth: row.depth + (deeper ? 1 : 0) });
        want(id, 0);
        put('New line', next);
      });
    if (event.key === 'Tab')
      return did(() => {
        want(row.id, start);
        put(event.shiftKey ? 'Line out' : 'Line in', shifted(rows, at, event.shiftKey ? -1 : 1));
      });
    if (event.key === 'Backspace' && collapsed && start === 0 && (at > 0 || row.text === '') && rows.length > 1)
      return did(() => {
        const before = rows[at - 1] ?? rows[at + 1];
        const joined = rows
          .filter((_, i) => i !== at)
          .map((one) => (one === before && at > 0 ? { ...one, text: cutTo(one.text + row.text, LONGEST_NODE) } : one));
        want(before.id, at > 0 ? before.text.length : 0);
        put('Join lines', joined);
      });
    if (event.key === 'Delete' && command)
      return did(() => {
        const end = branchEnd(rows, at);
        const rest = [...rows.slice(0, at), ...rows.slice(end)];
        if (rest.length === 0) return;
        want((rest[at] ?? rest[at - 1]).id, 'end');
        put('Remove branch', rest);
      });
    if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && event.altKey)
      return did(() => {
        const end = branchEnd(rows, at);
        const target = event.key === 'ArrowUp' ? at - 1 : end < rows.length ? end + 1 : -1;
        if (target < 0) return;
        want(row.id, start);
        put('Move line', rowMoved(rows, at, target, row.depth));
      });
    if (event.key === 'ArrowUp') return did(() => go(at - 1));
    if (event.key === 'ArrowDown') return did(() => go(at + 1));
  }

  function onPaste(event: ClipboardEvent<HTMLInputElement>, at: number) {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\r\n]/.test(text.trim()) && !/^\s*<(\?xml|opml|graphml)/i.test(text)) return;
    event.preventDefault();
    const { value, selectionStart, selectionEnd } = event.currentTarget;
    const whole = value.trim() === '' || (selectionStart === 0 && selectionEnd === value.length);
    const next = pasted(recipe, rows, at, whole || isUntouched(recipe), text, onProblem);
    if (!next) return;
    want(next.last, 'end');
    onEdit('Paste outline', next.recipe, 'now');
  }

  function over(event: DragEvent<HTMLElement>) {
    if (dragged === null || !pad.current) return;
    event.preventDefault();
    const { top, left } = pad.current.firstElementChild!.getBoundingClientRect();
    const index = Math.max(0, Math.min(rows.length, Math.round((event.clientY - top) / ROW)));
    const depth = Math.max(
      0,
      Math.min(index === 0 ? 0 : rows[index - 1].depth + 1, Math.round((event.clientX - left - 14) / INDENT)),
    );
    if (drop?.index !== index || drop.depth !== depth) setDrop({ index, depth });
  }

  // Rows are redrawn only when they change, so their callbacks go through this.
  const latest = useRef<RowEvents>(null!);
  latest.current = {
    change: (i, text) =>
      put(
        'Outline',
        rows.map((one, n) => (n === i ? { ...one, text } : one)),
        'soon',
      ),
    keyDown: (i, event) => onKeyDown(event, i),
    paste: (i, event) => onPaste(event, i),
    focus: (i, field) => {
      setHeld(rows[i].id);
      onFocusRow(rows[i].id);
      // The sample text is replaced.
      if (isUntouched(recipe)) field.select();
    },
    drag: (i, begun) => {
      setDragged(begun ? i : null);
      if (!begun) setDrop(null);
    },
  };
  const on = useCallback((tell: (events: RowEvents) => void) => tell(latest.current), []);

  return (
    <div
      ref={pad}
      className={styles.outlinePad}
      data-outline
      role="list"
      aria-label="Outline"
      onDragOver={over}
      onDrop={(event) => {
        event.preventDefault();
        if (dragged !== null && drop) put('Move line', rowMoved(rows, dragged, drop.index, drop.depth));
        setDragged(null);
        setDrop(null);
      }}
    >
      <div className={styles.padRoom} style={{ height: rows.length * ROW }}>
        {rows.map(
          (row, i) =>
            isThere(row.id, i) && (
              <PadRow
                key={row.id}
                row={row}
                index={i}
                count={rows.length}
                current={row.id === current}
                branch={branchEnd(rows, i) > i + 1}
                on={on}
              />
            ),
        )}
        {drop && <span className={styles.padDrop} style={{ top: drop.index * ROW, left: 14 + drop.depth * INDENT }} />}
      </div>
    </div>
  );
}

/** Pasted lines go after the line they were pasted into, or replace it if it is empty. */
function pasted(
  recipe: MapRecipe,
  rows: readonly Row[],
  at: number,
  inPlace: boolean,
  text: string,
  onProblem: (words: string) => void,
): { recipe: MapRecipe; last: string } | null {
  try {
    const read = readOutline(
      text,
      recipe.nodes.map(({ id }) => id),
    );
    const { depth } = rows[at];
    const fresh = rowsOf(read.nodes).map((row) => ({ ...row, depth: row.depth + depth }));
    const next = [...rows.slice(0, inPlace ? at : at + 1), ...fresh, ...rows.slice(at + 1)];
    if (next.length > MOST_NODES) {
      onProblem(
        `With these ${fresh.length} lines the map would hold ${next.length}; it can hold ${MOST_NODES}. Paste a part of them.`,
      );
      return null;
    }
    const links = new Map(read.nodes.map((node) => [node.id, node.link]));
    const whole = withRows(recipe, next);
    const across = read.links.map((link, i) => ({ ...link, id: `${link.id}p${i}`.slice(0, 16) }));
    return {
      recipe: {
        ...whole,
        nodes: whole.nodes.map((node) => ({ ...node, link: links.get(node.id) ?? node.link })),
        links: [...whole.links, ...across].slice(0, MOST_NODES),
      },
      last: fresh[fresh.length - 1].id,
    };
  } catch (problem) {
    if (!(problem instanceof OutlineProblem)) throw problem;
    onProblem(problem.message);
    return null;
  }
}

type RowEvents = {
  change: (index: number, text: string) => void;
  keyDown: (index: number, event: KeyboardEvent<HTMLInputElement>) => void;
  paste: (index: number, event: ClipboardEvent<HTMLInputElement>) => void;
  focus: (index: number, field: HTMLInputElement) => void;
  drag: (index: number, begun: boolean) => void;
};

type RowProps = {
  row: Row;
  index: number;
  current: boolean;
  count: number;
  branch: boolean;
  on: (tell: (events: RowEvents) => void) => void;
};

const sameRow = ({ row: a, ...now }: RowProps, { row: b, ...next }: RowProps) =>
  a.id === b.id &&
  a.text === b.text &&
  a.depth === b.depth &&
  (Object.keys(now) as (keyof typeof now)[]).every((key) => now[key] === next[key]);

const PadRow = memo(function PadRow({ row, index, count, current, branch, on }: RowProps) {
  return (
    <div
      role="listitem"
      aria-setsize={count}
      aria-posinset={index + 1}
      data-row={row.id}
      className={`${styles.padRow}${current ? ' current' : ''}`}
      style={{ top: index * ROW, paddingLeft: row.depth * INDENT }}
    >
      <span
        className={`${styles.padKnot}${branch ? ` ${styles.branch}` : ''}`}
        draggable
        title="Drag to another place"
        aria-hidden="true"
        onDragStart={(event) => {
          event.dataTransfer.setData('text/plain', row.text);
          on((events) => events.drag(index, true));
        }}
        onDragEnd={() => on((events) => events.drag(index, false))}
      />
      <input
        value={row.text}
        maxLength={LONGEST_NODE}
        placeholder="…"
        aria-label={`Line ${index + 1}, level ${row.depth + 1}`}
        onChange={(event) => on((events) => events.change(index, event.target.value))}
        onKeyDown={(event) => on((events) => events.keyDown(index, event))}
        onPaste={(event) => on((events) => events.paste(index, event))}
        onFocus={({ currentTarget }) => on((events) => events.focus(index, currentTarget))}
      />
    </div>
  );
}, sameRow);
