import { readCells } from '../../core/formats/tables';
import { beginTable } from '../../core/makers/table/begin';
import type { At } from '../../core/makers/table/edit';
import { cellsOf, holderOf, pasted, withRow } from '../../core/makers/table/edit';
import type { TableRecipe } from '../../core/makers/table/recipe';
import { bodyLength } from '../../core/sheet/body';
import type { GroupItem, Item } from '../../core/sheet/schema';
import { isWritten } from '../../core/sheet/schema';
import { find, findOn } from '../../core/sheet/tree';
import type { Bench } from '../workbench/bench';
import { addMade } from './begin';

/** What can be done with a table on the sheet itself. */

/** The place of the table that a part is. */
export function placeOf(item: Item | null): At | null {
  const [, row, column] = /^c-([^-]+)-([^-]+)$/.exec(item?.made?.part ?? '') ?? [];
  return row ? { row, column } : null;
}

function tableAt(bench: Bench, id: string): { group: GroupItem; recipe: TableRecipe; at: At } | null {
  const place = findOn(bench.page, id);
  const group = place?.groups.at(-1);
  const at = placeOf(place?.item ?? null);
  if (!group || group.maker?.kind !== 'table' || !at) return null;
  const state = bench.making?.state(group.id);
  return { group, recipe: (state ?? group.maker).recipe as TableRecipe, at };
}

const partId = (group: GroupItem, { row, column }: At) =>
  group.items.find((item) => item.made?.part === `c-${row}-${column}`)?.id;

function writeAt(bench: Bench, groupId: string, at: At): void {
  const group = find(bench.sheet, groupId)?.item;
  const id = group?.kind === 'group' ? partId(group, at) : undefined;
  const item = id === undefined ? undefined : findOn(bench.page, id)?.item;
  if (item && isWritten(item)) bench.edit({ id: item.id, anchor: 0, focus: bodyLength(item.body), typing: null });
}

/** Goes to the next cell while one is written in, or back; behind the last one there is a new row. False in no table. */
export function tableTab(bench: Bench, by: 1 | -1): boolean {
  const found = bench.editing && tableAt(bench, bench.editing.id);
  if (!found) return false;
  const { group, recipe, at } = found;
  const cells = cellsOf(recipe);
  const here = holderOf(recipe, at);
  const index = cells.findIndex(({ row, column }) => row === here?.row && column === here.column);
  const next = cells[index + by];
  if (next) writeAt(bench, group.id, { row: recipe.rows[next.row], column: recipe.columns[next.column].id });
  else if (by > 0 && bench.rights.kind === 'all') {
    const longer = withRow(recipe, recipe.rows[recipe.rows.length - 1], 'behind');
    const state = bench.making?.state(group.id);
    if (longer === recipe || !state) return true;
    const place = { row: longer.rows[longer.rows.length - 1], column: longer.columns[0].id };
    bench.making?.edit(group.id, 'Add row', { ...state, recipe: longer } as typeof state, 'now', () =>
      writeAt(bench, group.id, place),
    );
  }
  return true;
}

/** Cells from a spreadsheet, put into the table from the one that is written in. False where it is no table, or no cells. */
export function pasteCells(bench: Bench, text: string): boolean {
  if (!text.includes('\t') || bench.rights.kind !== 'all') return false;
  const found = bench.editing && tableAt(bench, bench.editing.id);
  const state = found && bench.making?.state(found.group.id);
  if (!found || !state) return false;
  bench.edit(null);
  const recipe = pasted(found.recipe, found.at, readCells(text));
  bench.making?.edit(found.group.id, 'Paste cells', { ...state, recipe } as typeof state);
  return true;
}

/** Cells from a spreadsheet pasted onto the sheet are a table. False where the words are none. */
export function pasteTable(bench: Bench, text: string): boolean {
  if (!text.includes('\t') || bench.rights.kind !== 'all') return false;
  const cells = readCells(text);
  if (cells.length < 2 || (cells[0]?.length ?? 0) < 2) return false;
  void addMade(bench, 'table', undefined, beginTable(bench.sheet.palette, cells));
  return true;
}
