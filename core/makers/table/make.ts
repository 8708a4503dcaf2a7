import { contrastOf } from '../../colour/space';
import { bodyText } from '../../text/body';
import { solid, text } from '../../schema/defaults';
import type { Item, RunStyle, TextItem } from '../../schema/sheet';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { sizeOfWords, styled, tidied, tidiedBox } from '../kit/measure';
import type { CellSpan } from './edit';
import { cellAt, cellsOf, headRowsOf, lookAt, withWords } from './edit';
import type { CellLook, TableRecipe } from '../../schema/recipes/table';
import { cellKey } from '../../schema/recipes/table';

/** A table as cells side by side: each a box of words. */

type Styled = { look: CellLook; head: boolean; style: RunStyle; fill: string | null };

const padOf = ({ size }: TableRecipe) => tidied(size * 0.4);

function styleOf(recipe: TableRecipe, { row, column }: CellSpan): Styled {
  const at = { row: recipe.rows[row], column: recipe.columns[column].id };
  const look = lookAt(recipe, at);
  const head = row < headRowsOf(recipe) || (recipe.side && column === 0);
  const count = recipe.banding === 'rows' ? row - headRowsOf(recipe) : column - (recipe.side ? 1 : 0);
  const banded = recipe.banding !== 'none' && count % 2 === 1;
  const fill = look.fill !== undefined ? look.fill : head ? recipe.head : banded ? recipe.band : null;
  const ink = look.colour ?? (fill && contrastOf(recipe.ink, fill) < 4 ? '#ffffff' : recipe.ink);
  return {
    look,
    head,
    fill,
    style: { font: recipe.face, size: tidied(recipe.size), colour: ink, ...((look.bold ?? head) && { bold: true }) },
  };
}

/** How wide columns are: equal, by their shares, or by what they hold, as far as there is room. */
export function widthsOf(recipe: TableRecipe, width: number, kit: Kit): number[] {
  const { columns, widths } = recipe;
  if (widths === 'equal') return columns.map(() => width / columns.length);
  // The parts of one table have the same columns.
  if (widths === 'own' || (widths === 'content' && recipe.part)) {
    const sum = columns.reduce((all, { share }) => all + share, 0);
    return columns.map(({ share }) => (share / sum) * width);
  }
  const pad = padOf(recipe) * 2 + 1;
  const least = columns.map(() => pad + recipe.size);
  const most = columns.map(() => pad + recipe.size);
  for (const cell of cellsOf(recipe)) {
    if (cell.across > 1) continue;
    const { words } = cellAt(recipe, { row: recipe.rows[cell.row], column: columns[cell.column].id });
    if (!words) continue;
    const { style } = styleOf(recipe, cell);
    const whole = sizeOfWords(words, style, 'label', 5000, kit).width;
    const longest = Math.max(...words.split(/\s+/).map((word) => sizeOfWords(word, style, 'label', 5000, kit).width));
    most[cell.column] = Math.max(most[cell.column], whole + pad);
    least[cell.column] = Math.max(least[cell.column], Math.min(longest, width * 0.6) + pad);
  }
  const sum = (list: readonly number[]) => list.reduce((all, value) => all + value, 0);
  const [low, high] = [sum(least), sum(most)];
  // As in tables of running text: each its least, and what is left by how much more it would like (CSS 2.1, 17.5.2.2).
  if (high <= width) return most.map((value) => value + ((width - high) * value) / high);
  if (low >= width) return least.map((value) => (value / low) * width);
  return least.map((value, i) => value + ((width - low) * (most[i] - value)) / (high - low));
}

/** How high rows are for their words; a merged cell that needs more gives it to the last of its rows. */
export function heightsOf(recipe: TableRecipe, widths: readonly number[], kit: Kit): number[] {
  const pad = padOf(recipe);
  const line = sizeOfWords('x', { font: recipe.face, size: recipe.size }, 'label', 5000, kit).height;
  const heights = recipe.rows.map(() => line + 2 * pad);
  const needs = (cell: CellSpan) => {
    const { words } = cellAt(recipe, { row: recipe.rows[cell.row], column: recipe.columns[cell.column].id });
    const wide = widths.slice(cell.column, cell.column + cell.across).reduce((all, value) => all + value, 0);
    return words
      ? sizeOfWords(words, styleOf(recipe, cell).style, 'label', Math.max(1, wide - 2 * pad), kit).height + 2 * pad
      : 0;
  };
  const cells = cellsOf(recipe);
  for (const cell of cells) if (cell.down === 1) heights[cell.row] = Math.max(heights[cell.row], needs(cell));
  for (const cell of cells) {
    if (cell.down === 1) continue;
    const have = heights.slice(cell.row, cell.row + cell.down).reduce((all, value) => all + value, 0);
    heights[cell.row + cell.down - 1] += Math.max(0, needs(cell) - have);
  }
  return heights;
}

const partOf = (recipe: TableRecipe, { row, column }: CellSpan) => `c-${recipe.rows[row]}-${recipe.columns[column].id}`;

export function makeTable({ recipe, width, height }: Asked<TableRecipe>, kit: Kit): Made {
  const widths = widthsOf(recipe, width, kit);
  const needed = heightsOf(recipe, widths, kit);
  const least = needed.reduce((all, value) => all + value, 0);
  // Spare room is shared out; with too little the table grows.
  const heights = needed.map((value) => value + Math.max(0, height - least) / needed.length);
  const starts = (list: readonly number[]) =>
    list.reduce<number[]>((all, value) => [...all, all[all.length - 1] + value], [0]);
  const [xs, ys] = [starts(widths), starts(heights)];
  const pad = padOf(recipe);
  const items = cellsOf(recipe).map((cell): TextItem => {
    const at = { row: recipe.rows[cell.row], column: recipe.columns[cell.column].id };
    const { look, head, style, fill } = styleOf(recipe, cell);
    const { words } = cellAt(recipe, at);
    return text({
      id: partOf(recipe, cell),
      role: 'label',
      ...tidiedBox({
        x: xs[cell.column],
        y: ys[cell.row],
        width: xs[cell.column + cell.across] - xs[cell.column],
        height: ys[cell.row + cell.down] - ys[cell.row],
      }),
      padding: pad,
      vertical: 'middle',
      fit: 'keep',
      fill: fill === null ? null : solid(fill),
      outline: look.edge ?? null,
      body: styled(words, style, look.align ?? 'left'),
      ...(look.write && !head ? { touch: 'fill' as const, blank: true, fit: 'shrink' as const } : {}),
    });
  });
  // A border of a cell's own lies over those of its neighbours.
  const own = new Set(
    cellsOf(recipe)
      .filter(({ row, column }) => recipe.look.cells[cellKey(recipe.rows[row], recipe.columns[column].id)]?.edge)
      .map((cell) => partOf(recipe, cell)),
  );
  items.sort((a, b) => Number(own.has(b.id)) - Number(own.has(a.id)));
  const notes: string[] = [];
  if (width / recipe.columns.length < recipe.size * 1.6)
    notes.push('Columns are very narrow. Make the table wider, use smaller text, or fewer columns.');
  return {
    items,
    notes,
    ...(least > height + 0.01 && { size: { width, height: tidied(least) } }),
  };
}

/** Words that were typed into cells. */
export function absorbTable(recipe: TableRecipe, parts: ReadonlyMap<string, Item>): TableRecipe {
  let next = recipe;
  for (const cell of cellsOf(recipe)) {
    const item = parts.get(partOf(recipe, cell));
    if (!item || item.kind !== 'text') continue;
    const said = bodyText(item.body);
    next = withWords(next, { row: recipe.rows[cell.row], column: recipe.columns[cell.column].id }, said);
  }
  return next;
}

export const TABLE: Maker<TableRecipe> = { kind: 'table', make: makeTable, absorb: absorbTable };
