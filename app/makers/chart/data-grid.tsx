import { cutTo } from '../../../core/values/characters';
import { useRef } from 'react';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { readCells, readTable } from '../../../core/formats/tables';
import { LONGEST_CELL, MOST_COLUMNS, MOST_ROWS } from '../../../core/schema/recipes/chart';
import type { DataTable } from '../../../core/schema/recipes/chart';
import { Toggle } from '../../fields/toggle';
import { FileButton } from '../../fields/file-button';
import styles from './chart.module.css';
import kitStyles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/** A small table to type in: Tab moves on, Enter moves down, and cells pasted from a spreadsheet fill it from there. */

type Props = {
  table: DataTable;
  onChange: (name: string, table: DataTable, keep?: 'soon' | 'now') => void;
  /** Cells that hold no number in a column of numbers, as `row column`. */
  stray: ReadonlySet<string>;
  /** Says what could not be taken in. */
  onProblem: (words: string) => void;
};

/** The table with cells put into it from a position on, its head being row 0. It grows up to its limits. */
function withCells(table: DataTable, at: { row: number; column: number }, cells: readonly (readonly string[])[]) {
  const all = [table.head, ...table.rows];
  const width = Math.max(table.head.length, at.column + Math.max(1, ...cells.map((row) => row.length)));
  const height = Math.max(all.length, at.row + cells.length);
  const next = Array.from({ length: Math.min(MOST_ROWS + 1, height) }, (_, r): string[] =>
    Array.from(
      { length: Math.min(MOST_COLUMNS, width) },
      (_, c) => cells[r - at.row]?.[c - at.column] ?? all[r]?.[c] ?? '',
    ),
  );
  return { ...table, head: next[0], rows: next.slice(1) };
}

export function DataGrid({ table, onChange, stray, onProblem }: Props) {
  const grid = useRef<HTMLTableElement>(null);
  const { head, rows } = table;
  const wide = head.length;

  const set = (row: number, column: number, value: string) =>
    onChange('Cell', withCells(table, { row, column }, [[cutTo(value, LONGEST_CELL)]]), 'soon');

  function paste(event: ClipboardEvent, row: number, column: number) {
    const cells = readCells(event.clipboardData.getData('text/plain'));
    if (cells.length === 0 || (cells.length === 1 && cells[0].length === 1)) return;
    event.preventDefault();
    // A whole table pasted into the first cell replaces the old one.
    if (row === 0 && column === 0 && cells.length > 1)
      onChange('Paste table', { ...table, head: cells[0], rows: cells.slice(1) });
    else onChange('Paste cells', withCells(table, { row, column }, cells));
  }

  function move(event: KeyboardEvent, row: number, column: number) {
    const down = event.key === 'Enter' || event.key === 'ArrowDown';
    if (!down && event.key !== 'ArrowUp') return;
    event.preventDefault();
    const to = row + (event.key === 'ArrowUp' || event.shiftKey ? -1 : 1);
    grid.current?.querySelector<HTMLInputElement>(`input[data-cell="${to} ${column}"]`)?.focus();
  }

  const cell = (row: number, column: number, value: string) => (
    <input
      data-cell={`${row} ${column}`}
      aria-label={row === 0 ? `Head of column ${column + 1}` : `Row ${row}, column ${column + 1}`}
      aria-invalid={stray.has(`${row} ${column}`) || undefined}
      title={stray.has(`${row} ${column}`) ? 'No number: it is left out until it is one' : undefined}
      value={value}
      maxLength={LONGEST_CELL}
      onChange={(event) => set(row, column, event.target.value)}
      onPaste={(event) => paste(event, row, column)}
      onKeyDown={(event) => move(event, row, column)}
    />
  );
  const drop = (row: number) => onChange('Remove row', { ...table, rows: rows.filter((_, i) => i !== row - 1) });
  // An empty row more to type into.
  const shown = rows.length < MOST_ROWS ? [...rows, []] : rows;
  return (
    <div className={styles.dataGrid}>
      <div className={styles.dataGridCells}>
        <table ref={grid} aria-label="Table of the chart">
          <thead>
            <tr>
              {head.map((value, column) => (
                <th key={column}>{cell(0, column, value)}</th>
              ))}
              <th aria-hidden="true" />
            </tr>
          </thead>
          <tbody>
            {shown.map((row, r) => (
              <tr key={r}>
                {head.map((_, column) => (
                  <td key={column}>{cell(r + 1, column, row[column] ?? '')}</td>
                ))}
                <td className={styles.dataGridDrop}>
                  {r < rows.length && (
                    <button type="button" aria-label={`Remove row ${r + 1}`} tabIndex={-1} onClick={() => drop(r + 1)}>
                      <Sign of="remove" />
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className={kitStyles.files}>
        {wide < MOST_COLUMNS && (
          <Toggle
            label="Add a column"
            onClick={() =>
              onChange('Add column', { ...table, head: [...head, ''], rows: rows.map((row) => [...row, '']) })
            }
          >
            + column
          </Toggle>
        )}
        {wide > 1 && (
          <Toggle
            label="Remove the last column"
            onClick={() =>
              onChange('Remove column', {
                ...table,
                head: head.slice(0, -1),
                rows: rows.map((row) => row.slice(0, wide - 1)),
              })
            }
          >
            <Sign of="less" /> column
          </Toggle>
        )}
        <TableFile
          onCells={(cells) => onChange('Table from a file', { ...table, head: cells[0], rows: cells.slice(1) })}
          onProblem={onProblem}
        />
      </div>
    </div>
  );
}

/** Larger files are too much for a chart. */
const LARGEST_FILE = 1_000_000;

/** A table from a file of comma-separated or tab-separated cells. */
function TableFile({ onCells, onProblem }: { onCells: (cells: string[][]) => void; onProblem: Props['onProblem'] }) {
  async function read(chosen: File) {
    if (chosen.size > LARGEST_FILE)
      return onProblem(`“${chosen.name}” is too large for a chart. Take a table of at most 1 MB.`);
    const { cells, left } = readTable(await chosen.text());
    if (cells.length === 0)
      return onProblem(`“${chosen.name}” holds no cells. Save the table as CSV or TSV and try again.`);
    onCells(cells);
    if (left > 0)
      onProblem(`A chart’s table holds ${MOST_ROWS} rows: the last ${left} of “${chosen.name}” are left out.`);
  }
  return (
    <FileButton
      label="A table from a file: CSV or TSV, up to 1 MB"
      field="File with a table"
      accept=".csv,.tsv,.txt,text/csv,text/plain"
      onFile={(chosen) => void read(chosen)}
    >
      From file …
    </FileButton>
  );
}
