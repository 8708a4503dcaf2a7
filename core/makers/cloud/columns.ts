import { itemName } from '../../items/name';
import type { Sheet } from '../../schema/sheet';
import { everyItem } from '../../sheet/tree';
import { columnOf } from '../chart/data';
import { cellKey } from '../../schema/recipes/table';
import type { Weighted } from '../../schema/recipes/cloud';
import { joinedWords, tidy, weighed } from './words';

/** Words of a cloud from a column of a table: its cells are what is said, those of another column how often. */

export type Table = { head: string[]; rows: string[][] };
type NamedTable = Table & { id: string; name: string };

/** The tables of a sheet: those that charts are drawn from, each once, and those that are written on it. */
export function tablesOn(sheet: Pick<Sheet, 'pages'>): NamedTable[] {
  const found = new Map<string, NamedTable>();
  for (const page of sheet.pages)
    for (const item of everyItem(page)) {
      if (item.kind !== 'group') continue;
      const { maker } = item;
      if (maker?.kind === 'chart') {
        const { id, head, rows } = maker.recipe.table;
        if (!found.has(id)) found.set(id, { id, name: itemName(item), head, rows });
      } else if (maker?.kind === 'table') {
        const { rows, columns, cells } = maker.recipe;
        const [head, ...rest] = rows.map((row) => columns.map(({ id }) => cells[cellKey(row, id)]?.words.trim() ?? ''));
        found.set(item.id, { id: item.id, name: itemName(item), head, rows: rest });
      }
    }
  return [...found.values()].filter(({ rows }) => rows.length > 0);
}

/**
 * The words of a column.
 * @param weights the column that says how often; null counts how often each cell stands there
 * @returns `left`: how many rows have words, but no number above nothing to weigh them by
 */
export function columnWords(table: Table, column: number, weights: number | null): { words: Weighted[]; left: number } {
  const numbers = weights === null ? null : columnOf(table, weights).numbers;
  let left = 0;
  const list = table.rows.flatMap((row, i): Weighted[] => {
    const text = tidy(row[column] ?? '');
    if (!text) return [];
    const weight = numbers ? numbers[i] : 1;
    if (weight !== null && weight > 0) return [{ text, weight: weighed(weight) }];
    left++;
    return [];
  });
  return { words: joinedWords(list), left };
}

/** The first column other than that of the words that is nothing but numbers; null where there is none. */
export function numbersAfter(table: Table, words: number): number | null {
  const found = table.head.findIndex((_, column) => {
    if (column === words) return false;
    const { cells, numbers } = columnOf(table, column);
    return cells.some(Boolean) && cells.every((cell, i) => !cell || numbers[i] !== null);
  });
  return found < 0 ? null : found;
}
