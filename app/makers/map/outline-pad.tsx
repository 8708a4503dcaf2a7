import { useCallback, useEffect, useRef, useState } from 'react';
import type { ClipboardEvent, DragEvent, KeyboardEvent, RefObject } from 'react';
import { isUntouched } from '../../../core/makers/map/begin';
import { branchEnd, rowMoved, rowsOf, withRows } from '../../../core/makers/map/outline';
import type { Row } from '../../../core/makers/map/outline';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import { MOST_NODES } from '../../../core/schema/recipes/map';
import { useRows } from '../../fields/rows';
import { pasted, pressed } from './outline-keys';
import type { RowEvents } from './outline-row';
import { INDENT, PadRow, ROW } from './outline-row';
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

/** Dragging a line to another place and depth. */
function useRowDrag(rows: readonly Row[], pad: RefObject<HTMLDivElement | null>) {
  const [dragged, setDragged] = useState<number | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
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

  const drag = (row: number | null) => {
    setDragged(row);
    if (row === null) setDrop(null);
  };
  return { dragged, drop, over, drag };
}

export function OutlinePad({ recipe, current, onEdit, onUndo, onFocusRow, onProblem }: Props) {
  const rows = rowsOf(recipe.nodes);
  const pad = useRef<HTMLDivElement>(null);
  const focus = useRef<{ id: string; at: number | 'end' } | null>(null);
  const { dragged, drop, over, drag } = useRowDrag(rows, pad);
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
    const start = field.selectionStart ?? 0;
    const press = {
      key: event.key,
      shift: event.shiftKey,
      alt: event.altKey,
      command: event.ctrlKey || event.metaKey,
      start,
      collapsed: start === field.selectionEnd,
    };
    const done = pressed(rows, at, press);
    if (!done) return;
    event.preventDefault();
    if (done.undo) onUndo(done.undo);
    if (done.caret) want(done.caret.id, done.caret.at);
    if (done.edit) put(done.edit.name, done.edit.rows);
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
    drag: (i, begun) => drag(begun ? i : null),
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
        drag(null);
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
