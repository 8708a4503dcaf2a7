import { memo } from 'react';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import type { Row } from '../../../core/makers/map/outline';
import { LONGEST_NODE } from '../../../core/schema/recipes/map';
import styles from './map.module.css';

/** A line of a map's outline: a knot to drag it by, and its text. */

export const INDENT = 16;
/** Height of a line, in pixels as in the styles. */
export const ROW = 22;

export type RowEvents = {
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

export const PadRow = memo(function PadRow({ row, index, count, current, branch, on }: RowProps) {
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
