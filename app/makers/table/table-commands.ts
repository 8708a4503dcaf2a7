import { beginTable } from '../../../core/makers/table/begin';
import type { At, GivenRow } from '../../../core/makers/table/edit';
import { cellsOf, holderOf, pasted, withRow } from '../../../core/makers/table/edit';
import type { TableRecipe } from '../../../core/schema/recipes/table';
import { MOST_TABLE_COLUMNS, MOST_TABLE_ROWS } from '../../../core/schema/recipes/table';
import type { GroupItem, Item } from '../../../core/schema/sheet';
import { isWritten } from '../../../core/schema/sheet';
import { find, findOn } from '../../../core/sheet/tree';
import { fetched } from '../../browser/later';
import type { Editor } from '../../document/editor';
import { tableFromHtml } from './paste-table';
import { addMade } from '../kit/begin';
import { BEGINNING } from './beginning';
import { partsOf } from './long-tables';

/** Editing a table on the sheet itself. */

/** The place of the table that a part is. */
export function placeOf(item: Item | null): At | null {
  const [, row, column] = /^c-([^-]+)-([^-]+)$/.exec(item?.made?.part ?? '') ?? [];
  return row ? { row, column } : null;
}

function tableAt(editor: Editor, id: string): { group: GroupItem; recipe: TableRecipe; at: At } | null {
  const place = findOn(editor.page, id);
  const group = place?.groups.at(-1);
  const at = placeOf(place?.item ?? null);
  if (!group || group.maker?.kind !== 'table' || !at) return null;
  const state = editor.making?.state(group.id);
  return { group, recipe: (state ?? group.maker).recipe as TableRecipe, at };
}

const partId = (group: GroupItem, { row, column }: At) =>
  group.items.find((item) => item.made?.part === `c-${row}-${column}`)?.id;

function writeAt(editor: Editor, groupId: string, at: At): void {
  const group = find(editor.sheet, groupId)?.item;
  const id = group?.kind === 'group' ? partId(group, at) : undefined;
  const item = id === undefined ? undefined : findOn(editor.page, id)?.item;
  if (item && isWritten(item)) editor.openText(item);
}

/** Moves into the part of the table on the next page, or the one before. False where there is none. */
function writeInPart(editor: Editor, id: string, by: 1 | -1): boolean {
  const parts = partsOf(editor.sheet, id);
  const other = parts[parts.findIndex(({ group }) => group.id === id) + by];
  if (!other) return false;
  const recipe = other.group.maker!.recipe as TableRecipe;
  const cells = cellsOf(recipe);
  const own = cells.filter(({ row }) => !recipe.part?.repeated.includes(recipe.rows[row]));
  const cell = by > 0 ? own[0] : cells[cells.length - 1];
  if (!cell) return false;
  editor.edit(null);
  editor.turnTo(other.page.id);
  writeAt(editor, other.group.id, { row: recipe.rows[cell.row], column: recipe.columns[cell.column].id });
  return true;
}

/** Moves to the next or previous cell while one is edited. After the last one there is a new row. False outside a table. */
export function tableTab(editor: Editor, by: 1 | -1): boolean {
  const found = editor.editing && tableAt(editor, editor.editing.id);
  if (!found) return false;
  const { group, recipe, at } = found;
  const cells = cellsOf(recipe);
  const here = holderOf(recipe, at);
  const index = cells.findIndex(({ row, column }) => row === here?.row && column === here.column);
  const next = cells[index + by];
  const repeated = next && recipe.part?.repeated.includes(recipe.rows[next.row]);
  if (next && !repeated)
    writeAt(editor, group.id, { row: recipe.rows[next.row], column: recipe.columns[next.column].id });
  else if (writeInPart(editor, group.id, by)) return true;
  else if (by > 0 && editor.rights.kind === 'all') {
    const longer = withRow(recipe, recipe.rows[recipe.rows.length - 1], 'behind');
    const state = editor.making?.state(group.id);
    if (longer === recipe || !state) return true;
    const place = { row: longer.rows[longer.rows.length - 1], column: longer.columns[0].id };
    editor.making?.edit(group.id, 'Add row', { ...state, recipe: longer } as typeof state, 'now', () =>
      writeAt(editor, group.id, place),
    );
  }
  return true;
}

type Clip = Pick<DataTransfer, 'getData'>;

const LARGEST = { rows: MOST_TABLE_ROWS, columns: MOST_TABLE_COLUMNS, letters: 2000 };

/** The cells on the clipboard, and how many rows are too many for a table. Null where there is no table. */
/** Fetched once the page has come to rest: few sheets are pasted into before. */
export const READER = fetched(() => import('../../../core/formats/tables'));

const tableOf = (clip: Clip) => {
  const html = clip.getData('text/html');
  return html ? tableFromHtml(html) : null;
};

/** Whether this text is still to be pasted, as soon as what reads its cells is there. */
function waitsForReader(editor: Editor, clip: Clip, paste: (editor: Editor, clip: Clip) => boolean): boolean {
  const text = clip.getData('text/plain');
  if (READER.now.kind === 'here' || !text.includes('\t') || tableOf(clip)) return false;
  if (READER.now.kind === 'failed') READER.again();
  void READER.fetch().then(() => {
    const late: Clip = { getData: (type) => (type === 'text/plain' ? text : '') };
    if (READER.now.kind !== 'here' || !paste(editor, late))
      editor.say('What you pasted could not be read yet. Paste it once more.');
  });
  return true;
}

function cellsFrom(clip: Clip): { rows: readonly GivenRow[]; left: number } | null {
  const marked = tableOf(clip);
  if (marked) return { rows: marked.slice(0, LARGEST.rows), left: Math.max(0, marked.length - LARGEST.rows) };
  const text = clip.getData('text/plain');
  if (!text.includes('\t') || READER.now.kind !== 'here') return null;
  const { cells, left } = READER.now.value.readTable(text, LARGEST);
  return { rows: cells, left };
}

function sayLeft(editor: Editor, left: number): void {
  if (left > 0)
    editor.say(
      `${left.toLocaleString('en')} rows were left out: a table holds ${MOST_TABLE_ROWS}. Paste the rest into a second one.`,
    );
}

/** Pastes cells into the table, from the edited cell on. False outside a table or without cells. */
export function pasteCells(editor: Editor, clip: Clip): boolean {
  if (editor.rights.kind !== 'all') return false;
  const found = editor.editing && tableAt(editor, editor.editing.id);
  const state = found && editor.making?.state(found.group.id);
  if (found && state && waitsForReader(editor, clip, pasteCells)) return true;
  const cells = found && state && cellsFrom(clip);
  if (!cells) return false;
  editor.edit(null);
  const recipe = pasted(found.recipe, found.at, cells.rows);
  const beyond = found.recipe.rows.indexOf(found.at.row) + cells.rows.length - MOST_TABLE_ROWS;
  editor.making?.edit(found.group.id, 'Paste cells', { ...state, recipe } as typeof state);
  sayLeft(editor, cells.left + Math.max(0, beyond));
  return true;
}

/** Pastes cells onto the sheet as a table. False without cells. */
export function pasteTable(editor: Editor, clip: Clip): boolean {
  if (editor.rights.kind !== 'all') return false;
  if (clip.getData('text/plain').trim().includes('\n') && waitsForReader(editor, clip, pasteTable)) return true;
  const cells = cellsFrom(clip);
  if (!cells || cells.rows.length < 2 || Math.max(...cells.rows.map((row) => row.length)) < 2) return false;
  void addMade(editor, BEGINNING, undefined, beginTable(editor.sheet.palette, cells.rows));
  sayLeft(editor, cells.left);
  return true;
}
