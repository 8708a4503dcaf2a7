import { cutTo } from '../values/characters';
import { LONGEST_CELL, MOST_COLUMNS, MOST_ROWS } from '../schema/recipes/chart';
import Papa from 'papaparse';

/** Tables as they are pasted or come from a file: comma-separated, tab-separated, with semicolons, with decimal commas. */

/** How large a table may be: rows beside its head, columns, and letters in a cell. */
export type Largest = { rows: number; columns: number; letters: number };
const DATA: Largest = { rows: MOST_ROWS + 1, columns: MOST_COLUMNS, letters: LONGEST_CELL };

/**
 * The cells of a text, all rows of the same length; empty rows, and columns that are empty at the end, are left out.
 * `left` tells how many rows there were beyond those that fit.
 */
export function readTable(text: string, most: Largest = DATA): { cells: string[][]; left: number } {
  // A tab tells a spreadsheet, whatever else is in the cells.
  const delimiter = text.includes('\t') ? '\t' : text.includes(';') ? ';' : '';
  const { data } = Papa.parse<unknown[]>(text.replace(/^\uFEFF/, ''), { delimiter, skipEmptyLines: 'greedy' });
  const tidy = (cell: unknown) => {
    const words = String(cell ?? '');
    // Lines in a cell stay where there is room for them.
    const lines = most === DATA ? [words.replace(/\s+/g, ' ')] : words.replace(/\r\n?/g, '\n').split('\n');
    return cutTo(
      lines
        .map((line) => line.replace(/\s+/g, ' ').trim())
        .join('\n')
        .trim(),
      most.letters,
    );
  };
  const rows = data.slice(0, most.rows).map((row) => row.slice(0, most.columns).map(tidy));
  const wide = Math.max(0, ...rows.map((row) => row.findLastIndex(Boolean) + 1));
  const cells = wide === 0 ? [] : rows.map((row) => Array.from({ length: wide }, (_, i) => row[i] ?? ''));
  return { cells, left: Math.max(0, data.length - most.rows) };
}

export const readCells = (text: string): string[][] => readTable(text).cells;

export const writtenCells = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' });
