import { cutTo } from '../../values/characters';
import { markOf, numberIn } from '../../formats/cell-numbers';
import type { GivenRow } from './edit';
import { gridOf } from './edit';
import type { Cell, CellLook, TableRecipe } from '../../schema/recipes/table';
import { cellKey, MOST_TABLE_COLUMNS, MOST_TABLE_ROWS } from '../../schema/recipes/table';

/** Tables as they begin: empty, or with words that were pasted. */

/** Columns of numbers stand to the right. */
function numbersRight(words: readonly (readonly string[])[], columns: readonly string[]): Record<string, CellLook> {
  const out: Record<string, CellLook> = {};
  columns.forEach((id, c) => {
    const cells = words.slice(1).flatMap((row) => row[c]?.trim() || []);
    const mark = markOf(cells);
    if (cells.length > 0 && cells.every((cell) => numberIn(cell, mark) !== null)) out[id] = { align: 'right' };
  });
  return out;
}

export function beginTable(
  palette: readonly string[],
  given: readonly GivenRow[] = [],
  rows = 5,
  columns = 4,
): TableRecipe {
  const grid = gridOf(given);
  const reach = Math.max(0, ...grid.map(({ column, cell }) => column + cell.across));
  const high = Math.max(1, Math.min(MOST_TABLE_ROWS, given.length || rows));
  const wide = Math.max(1, Math.min(MOST_TABLE_COLUMNS, reach || columns));
  const rowIds = Array.from({ length: high }, (_, i) => `${i + 1}`);
  const columnIds = Array.from({ length: wide }, (_, i) => `${i + 1}`);
  const cells: Record<string, Cell> = {};
  const words: string[][] = rowIds.map(() => columnIds.map(() => ''));
  for (const { row, column, cell } of grid) {
    if (row >= high || column >= wide) continue;
    words[row][column] = cell.words;
    const joined = cell.across > 1 || cell.down > 1;
    if (cell.words || joined)
      cells[cellKey(rowIds[row], columnIds[column])] = { ...cell, words: cutTo(cell.words, 2000) };
  }
  return {
    rows: rowIds,
    columns: columnIds.map((id) => ({ id, share: 1 })),
    cells,
    look: {
      all: { edge: { colour: '#8a8471', width: 0.8, dash: 'solid' } },
      rows: {},
      columns: numbersRight(words, columnIds),
      cells: {},
    },
    header: true,
    side: false,
    banding: 'none',
    widths: given.length > 0 ? 'content' : 'equal',
    band: '#f6f1e2',
    head: palette[3] ?? '#dfe8d0',
    ink: palette[0] ?? '#2a2820',
    face: 'andika',
    size: 13,
    part: null,
  };
}
