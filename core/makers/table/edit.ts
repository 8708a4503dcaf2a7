import { cutTo } from '../../values/characters';
import { freeIds } from '../../schema/recipes/map';
import type { Cell, CellLook, TableRecipe } from '../../schema/recipes/table';
import { cellKey, MOST_TABLE_COLUMNS, MOST_TABLE_ROWS, noCell } from '../../schema/recipes/table';

/** Edits of a table. Each returns a new recipe, or the same one if it can't be done. */

export type At = { row: string; column: string };
export type Scope = 'cell' | 'row' | 'column' | 'all';

export const cellAt = ({ cells }: TableRecipe, { row, column }: At): Cell => cells[cellKey(row, column)] ?? noCell;

const columnIds = ({ columns }: TableRecipe) => columns.map(({ id }) => id);

/** A cell that spans others, with where it begins and how far it reaches within the table. */
export type CellSpan = { row: number; column: number; across: number; down: number };

/** All cells that are seen, row by row: those that others reach over are left out. */
export function cellsOf(recipe: TableRecipe): CellSpan[] {
  const { rows, columns } = recipe;
  const covered = new Set<string>();
  const out: CellSpan[] = [];
  rows.forEach((row, r) =>
    columns.forEach(({ id }, c) => {
      if (covered.has(`${r} ${c}`)) return;
      const cell = cellAt(recipe, { row, column: id });
      const across = Math.min(cell.across, columns.length - c);
      let down = Math.min(cell.down, rows.length - r);
      // A cell reaches no further than the next taken one.
      let free = 1;
      while (free < across && !covered.has(`${r} ${c + free}`)) free++;
      for (let y = 1; y < down; y++) for (let x = 0; x < free; x++) if (covered.has(`${r + y} ${c + x}`)) down = y;
      for (let y = 0; y < down; y++) for (let x = 0; x < free; x++) covered.add(`${r + y} ${c + x}`);
      out.push({ row: r, column: c, across: free, down });
    }),
  );
  return out;
}

const heads = new WeakMap<TableRecipe, number>();
/** How many rows the head has: as many as the cells of the first row span. */
export function headRowsOf(recipe: TableRecipe): number {
  let count = heads.get(recipe);
  if (count === undefined) {
    const first = recipe.header ? cellsOf(recipe).filter(({ row }) => row === 0) : [];
    count = Math.max(0, ...first.map(({ down }) => down));
    // A cell that reaches farther down stands beside what it is about.
    if (count > 3) count = 1;
    heads.set(recipe, count);
  }
  return count;
}

/** The seen cell that a place of the table belongs to. */
export function holderOf(recipe: TableRecipe, { row, column }: At): CellSpan | undefined {
  const [r, c] = [recipe.rows.indexOf(row), columnIds(recipe).indexOf(column)];
  return cellsOf(recipe).find(
    (cell) => r >= cell.row && r < cell.row + cell.down && c >= cell.column && c < cell.column + cell.across,
  );
}

export function withWords(recipe: TableRecipe, at: At, words: string): TableRecipe {
  const cell = cellAt(recipe, at);
  if (cell.words === words) return recipe;
  return {
    ...recipe,
    cells: { ...recipe.cells, [cellKey(at.row, at.column)]: { ...cell, words: cutTo(words, 2000) } },
  };
}

/** One more row before or behind another; merged cells that lie across the place grow with it. */
export function withRow(recipe: TableRecipe, at: string, side: 'before' | 'behind'): TableRecipe {
  if (recipe.rows.length >= MOST_TABLE_ROWS) return recipe;
  const index = recipe.rows.indexOf(at) + (side === 'behind' ? 1 : 0);
  const rows = recipe.rows.toSpliced(index, 0, freeIds(recipe.rows)());
  return {
    ...recipe,
    rows,
    cells: stretched(recipe, (cell) =>
      cell.row < index && cell.row + cell.down > index ? { down: cell.down + 1 } : null,
    ),
  };
}

export function withColumn(recipe: TableRecipe, at: string, side: 'before' | 'behind'): TableRecipe {
  if (recipe.columns.length >= MOST_TABLE_COLUMNS) return recipe;
  const ids = columnIds(recipe);
  const index = ids.indexOf(at) + (side === 'behind' ? 1 : 0);
  const share = recipe.columns[ids.indexOf(at)]?.share ?? 1;
  const columns = recipe.columns.toSpliced(index, 0, { id: freeIds(ids)(), share });
  return {
    ...recipe,
    columns,
    cells: stretched(recipe, (cell) =>
      cell.column < index && cell.column + cell.across > index ? { across: cell.across + 1 } : null,
    ),
  };
}

function stretched(recipe: TableRecipe, change: (cell: CellSpan) => Partial<Cell> | null): TableRecipe['cells'] {
  const cells = { ...recipe.cells };
  for (const cell of cellsOf(recipe)) {
    const patch = change(cell);
    const key = cellKey(recipe.rows[cell.row], recipe.columns[cell.column].id);
    if (patch) cells[key] = { ...(cells[key] ?? noCell), ...patch };
  }
  return cells;
}

const kept = <T>(record: Record<string, T>, keep: (key: string) => boolean): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => keep(key)));

/** Without a row; the last one stays. Merged cells that reached over it shrink, and one that began in it begins in the next. */
export function withoutRow(recipe: TableRecipe, at: string): TableRecipe {
  const index = recipe.rows.indexOf(at);
  if (recipe.rows.length < 2 || index < 0) return recipe;
  const cells = stretched(recipe, (cell) =>
    cell.row < index && cell.row + cell.down > index ? { down: cell.down - 1 } : null,
  );
  for (const cell of cellsOf(recipe)) {
    const column = recipe.columns[cell.column].id;
    if (cell.row === index && cell.down > 1) {
      const own = recipe.cells[cellKey(at, column)] ?? noCell;
      cells[cellKey(recipe.rows[index + 1], column)] = { ...own, down: cell.down - 1 };
    }
  }
  const keep = (key: string) => !key.startsWith(`${at} `);
  return {
    ...recipe,
    rows: recipe.rows.filter((row) => row !== at),
    cells: kept(cells, keep),
    look: { ...recipe.look, rows: kept(recipe.look.rows, (key) => key !== at), cells: kept(recipe.look.cells, keep) },
  };
}

export function withoutColumn(recipe: TableRecipe, at: string): TableRecipe {
  const index = columnIds(recipe).indexOf(at);
  if (recipe.columns.length < 2 || index < 0) return recipe;
  const cells = stretched(recipe, (cell) =>
    cell.column < index && cell.column + cell.across > index ? { across: cell.across - 1 } : null,
  );
  for (const cell of cellsOf(recipe)) {
    const row = recipe.rows[cell.row];
    if (cell.column === index && cell.across > 1) {
      const own = recipe.cells[cellKey(row, at)] ?? noCell;
      cells[cellKey(row, recipe.columns[index + 1].id)] = { ...own, across: cell.across - 1 };
    }
  }
  const keep = (key: string) => !key.endsWith(` ${at}`);
  return {
    ...recipe,
    columns: recipe.columns.filter(({ id }) => id !== at),
    cells: kept(cells, keep),
    look: {
      ...recipe.look,
      columns: kept(recipe.look.columns, (key) => key !== at),
      cells: kept(recipe.look.cells, keep),
    },
  };
}

/** Merges a cell with all up to another; their words are joined in order. */
export function merged(recipe: TableRecipe, from: At, to: At): TableRecipe {
  const [a, b] = [holderOf(recipe, from), holderOf(recipe, to)];
  if (!a || !b) return recipe;
  let [top, left] = [Math.min(a.row, b.row), Math.min(a.column, b.column)];
  let [bottom, right] = [Math.max(a.row + a.down, b.row + b.down), Math.max(a.column + a.across, b.column + b.across)];
  // Merged cells that lie partly within are taken in whole.
  for (let grown = true; grown;) {
    grown = false;
    for (const cell of cellsOf(recipe)) {
      const meets =
        cell.row < bottom && cell.row + cell.down > top && cell.column < right && cell.column + cell.across > left;
      if (!meets) continue;
      const next = [
        Math.min(top, cell.row),
        Math.min(left, cell.column),
        Math.max(bottom, cell.row + cell.down),
        Math.max(right, cell.column + cell.across),
      ];
      if (next[0] !== top || next[1] !== left || next[2] !== bottom || next[3] !== right) {
        [top, left, bottom, right] = next;
        grown = true;
      }
    }
  }
  if (bottom - top === 1 && right - left === 1) return recipe;
  const cells = { ...recipe.cells };
  const words: string[] = [];
  for (const cell of cellsOf(recipe)) {
    if (cell.row < top || cell.row >= bottom || cell.column < left || cell.column >= right) continue;
    const key = cellKey(recipe.rows[cell.row], recipe.columns[cell.column].id);
    if (cells[key]?.words.trim()) words.push(cells[key].words);
    cells[key] = noCell;
  }
  cells[cellKey(recipe.rows[top], recipe.columns[left].id)] = {
    words: cutTo(words.join('\n'), 2000),
    across: right - left,
    down: bottom - top,
  };
  return { ...recipe, cells };
}

/** A merged cell taken apart again; its words stay in the first. */
export function split(recipe: TableRecipe, at: At): TableRecipe {
  const key = cellKey(at.row, at.column);
  const cell = recipe.cells[key];
  if (!cell || (cell.across === 1 && cell.down === 1)) return recipe;
  return { ...recipe, cells: { ...recipe.cells, [key]: { ...cell, across: 1, down: 1 } } };
}

/** The style of a cell: its own settings come before those of its row, its column and the whole table. */
export function lookAt({ look }: TableRecipe, { row, column }: At): CellLook {
  return { ...look.all, ...look.columns[column], ...look.rows[row], ...look.cells[cellKey(row, column)] };
}

/** Styles a cell, a row, a column or the whole table, and drops the same settings of its parts. */
export function withLook(recipe: TableRecipe, scope: Scope, at: At | null, values: CellLook): TableRecipe {
  const { look } = recipe;
  const drop = (record: Record<string, CellLook>, which: (key: string) => boolean): Record<string, CellLook> =>
    Object.fromEntries(
      Object.entries(record).map(([key, own]) => [
        key,
        which(key) ? (Object.fromEntries(Object.entries(own).filter(([name]) => !(name in values))) as CellLook) : own,
      ]),
    );
  if (scope === 'all' || !at)
    return {
      ...recipe,
      look: {
        all: { ...look.all, ...values },
        rows: drop(look.rows, () => true),
        columns: drop(look.columns, () => true),
        cells: drop(look.cells, () => true),
      },
    };
  if (scope === 'row')
    return {
      ...recipe,
      look: {
        ...look,
        rows: { ...look.rows, [at.row]: { ...look.rows[at.row], ...values } },
        cells: drop(look.cells, (key) => key.startsWith(`${at.row} `)),
      },
    };
  if (scope === 'column')
    return {
      ...recipe,
      look: {
        ...look,
        columns: { ...look.columns, [at.column]: { ...look.columns[at.column], ...values } },
        // Where the column crosses a row with another setting, the column wins.
        cells: Object.fromEntries([
          ...Object.entries(drop(look.cells, (key) => key.endsWith(` ${at.column}`))),
          ...recipe.rows
            .filter((row) => Object.keys(values).some((name) => name in (look.rows[row] ?? {})))
            .map((row) => {
              const key = cellKey(row, at.column);
              return [key, { ...look.cells[key], ...values }] as const;
            }),
        ]),
      },
    };
  const key = cellKey(at.row, at.column);
  return { ...recipe, look: { ...look, cells: { ...look.cells, [key]: { ...look.cells[key], ...values } } } };
}

/** A cell of a table from elsewhere: its words, and how many columns and rows it takes. */
export type GivenCell = { words: string; across: number; down: number };
export type GivenRow = readonly (string | GivenCell)[];

/**
 * Rows as cells of a grid, each with the column it begins in: a cell that spans rows pushes the cells of the next rows
 * along.
 */
export function gridOf(rows: readonly GivenRow[]): { row: number; column: number; cell: GivenCell }[] {
  const taken = new Set<string>();
  return rows.flatMap((cells, row) => {
    let column = 0;
    return cells.map((given) => {
      const cell = typeof given === 'string' ? { words: given, across: 1, down: 1 } : given;
      while (taken.has(`${row} ${column}`)) column++;
      const across = Math.max(1, Math.min(cell.across, MOST_TABLE_COLUMNS));
      const down = Math.max(1, Math.min(cell.down, rows.length - row));
      for (let y = 0; y < down; y++) for (let x = 0; x < across; x++) taken.add(`${row + y} ${column + x}`);
      const placed = { row, column, cell: { words: cell.words, across, down } };
      column += across;
      return placed;
    });
  });
}

/** Cells put into a table from a place on, with their joins; it grows as far as it may. */
export function pasted(recipe: TableRecipe, at: At, given: readonly GivenRow[]): TableRecipe {
  const grid = gridOf(given);
  const [top, left] = [recipe.rows.indexOf(at.row), columnIds(recipe).indexOf(at.column)];
  const wide = Math.max(0, ...grid.map(({ column, cell }) => column + cell.across));
  const missing = (have: number, most: number, want: number) => Math.max(0, Math.min(most, want) - have);
  const newRow = freeIds(recipe.rows);
  const newColumn = freeIds(columnIds(recipe));
  const share = recipe.columns[recipe.columns.length - 1].share;
  const rows = [
    ...recipe.rows,
    ...Array.from({ length: missing(recipe.rows.length, MOST_TABLE_ROWS, top + given.length) }, newRow),
  ];
  const columns = [
    ...recipe.columns,
    ...Array.from({ length: missing(recipe.columns.length, MOST_TABLE_COLUMNS, left + wide) }, () => ({
      id: newColumn(),
      share,
    })),
  ];
  const cells = { ...recipe.cells };
  for (const { row, column, cell } of grid) {
    const place = { row: rows[top + row], column: columns[left + column]?.id };
    if (place.row === undefined || place.column === undefined) continue;
    const key = cellKey(place.row, place.column);
    const joined = cell.across > 1 || cell.down > 1;
    cells[key] = { ...(joined ? cell : (cells[key] ?? noCell)), words: cutTo(cell.words, 2000) };
  }
  return { ...recipe, rows, columns, cells };
}
