import { markOf, numberIn } from '../../formats/tables';
import { itemName } from '../../sheet/name';
import type { Sheet } from '../../sheet/schema';
import { everyItem } from '../../sheet/tree';
import { cellKey } from '../table/recipe';
import type { Weighted } from './recipe';
import { joinedWords } from './words';

/** Words of a cloud from a column of a table: its cells are what is said, those of another column how often. */

export type NamedTable = { id: string; name: string; head: string[]; rows: string[][] };

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
export function columnWords(
  { rows }: Pick<NamedTable, 'rows'>,
  column: number,
  weights: number | null,
): { words: Weighted[]; left: number } {
  const mark = weights === null ? '.' : markOf(rows.map((row) => row[weights] ?? ''));
  let left = 0;
  const list = rows.flatMap((row): Weighted[] => {
    const text = (row[column] ?? '').replace(/\s+/g, ' ').trim().slice(0, 120);
    if (!text) return [];
    const weight = weights === null ? 1 : numberIn(row[weights] ?? '', mark);
    if (weight !== null && weight > 0) return [{ text, weight: Math.min(1_000_000, Math.max(0.01, weight)) }];
    left++;
    return [];
  });
  return { words: joinedWords(list), left };
}

/** The first column other than that of the words that is nothing but numbers; null where there is none. */
export function numbersAfter({ head, rows }: Pick<NamedTable, 'head' | 'rows'>, words: number): number | null {
  const found = head.findIndex((_, column) => {
    if (column === words) return false;
    const cells = rows.map((row) => row[column] ?? '').filter(Boolean);
    const mark = markOf(cells);
    return cells.length > 0 && cells.every((cell) => numberIn(cell, mark) !== null);
  });
  return found < 0 ? null : found;
}
