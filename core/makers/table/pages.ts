import type { GroupItem, Item } from '../../schema/sheet';
import { freeIds } from '../../schema/recipes/map';
import type { Kit } from '../kit/maker';
import { cellsOf, headRowsOf } from './edit';
import { heightsOf, widthsOf } from './make';
import type { Cell, CellLook, TableRecipe } from '../../schema/recipes/table';
import { cellKey } from '../../schema/recipes/table';

/**
 * Tables that are longer than a page: parts on page after page, each a table of its own that begins with the head of the first.
 * Whatever is done to one part, all are gathered and shared out again.
 */

/** A part as it stands, and how high it may become on its page, in points. */
export type Part = { group: GroupItem; room: number };

const recipeOf = (group: GroupItem) => group.maker!.recipe as TableRecipe;

/** Rows of one part, by the names that they have in the whole table. */
type Renamed = Map<string, string>;

/** All parts as one table, with the look and columns of the part that was edited last. */
function gathered(parts: readonly GroupItem[], edited: number): { whole: TableRecipe; names: Renamed[] } {
  const first = recipeOf(parts[0]);
  const own = recipeOf(parts[edited]);
  const rows: string[] = [];
  const cells: Record<string, Cell> = {};
  const looks: { rows: Record<string, CellLook>; cells: Record<string, CellLook> } = { rows: {}, cells: {} };
  const used = new Set<string>();
  const next = freeIds(parts.flatMap((part) => recipeOf(part).rows));
  const heads = new Set(first.rows.slice(0, headRowsOf(first)));
  const names = parts.map((part, at): Renamed => {
    const recipe = recipeOf(part);
    const repeated = new Set(recipe.part?.repeated ?? []);
    const renamed: Renamed = new Map();
    for (const row of recipe.rows) {
      if (repeated.has(row)) {
        renamed.set(row, row);
        continue;
      }
      const name = used.has(row) ? next() : row;
      used.add(name);
      renamed.set(row, name);
      rows.push(name);
    }
    const spans = new Map(
      cellsOf(recipe).map((cell) => [cellKey(recipe.rows[cell.row], recipe.columns[cell.column].id), cell]),
    );
    for (const [index, row] of recipe.rows.entries()) {
      // The head is that of the part that was edited.
      const takes = repeated.has(row) ? at === edited : !(heads.has(row) && at === 0 && repeats(own, row));
      if (!takes) continue;
      const most = repeated.has(row) ? repeated.size - index : Infinity;
      const name = renamed.get(row)!;
      if (recipe.look.rows[row]) looks.rows[name] = recipe.look.rows[row];
      for (const { id } of recipe.columns) {
        const key = cellKey(row, id);
        const span = spans.get(key);
        const cell = recipe.cells[key];
        if (cell) cells[cellKey(name, id)] = { ...cell, down: Math.max(1, Math.min(most, span?.down ?? 1)) };
        if (recipe.look.cells[key]) looks.cells[cellKey(name, id)] = recipe.look.cells[key];
      }
    }
    return renamed;
  });
  const columns = new Set(own.columns.map(({ id }) => id));
  const kept = <T>(record: Record<string, T>) =>
    Object.fromEntries(Object.entries(record).filter(([key]) => columns.has(key.split(' ')[1])));
  const whole = {
    ...own,
    part: null,
    rows,
    cells: kept(cells),
    look: { ...own.look, rows: looks.rows, cells: kept(looks.cells) },
  };
  return { whole, names };
}
const repeats = ({ part, rows }: TableRecipe, row: string) =>
  part !== null && part.repeated.includes(row) && rows.includes(row);

/** Where a table breaks: how many rows each part takes, the head of the first among them. */
function breaks(whole: TableRecipe, rooms: readonly { width: number; room: number }[], kit: Kit): number[] {
  const heads = headRowsOf(whole);
  const known = new Map<number, number[]>();
  const heightsAt = (width: number) => {
    let heights = known.get(width);
    if (!heights) known.set(width, (heights = heightsOf(whole, widthsOf(whole, width, kit), kit)));
    return heights;
  };
  // A break should cut no merged cell.
  const joined = new Set<number>();
  for (const { row, down } of cellsOf(whole)) for (let y = 1; y < down; y++) joined.add(row + y);
  const counts: number[] = [];
  let at = 0;
  for (let part = 0; at < whole.rows.length; part++) {
    const { width, room } = rooms[Math.min(part, rooms.length - 1)];
    const heights = heightsAt(width);
    const least = part === 0 ? heads + 1 : 1;
    let left = room + 0.01;
    if (part > 0) for (let row = 0; row < heads; row++) left -= heights[row];
    let count = 0;
    while (at + count < whole.rows.length && (count < least || heights[at + count] <= left)) {
      left -= heights[at + count];
      count++;
    }
    let uncut = count;
    while (uncut > least && joined.has(at + uncut)) uncut--;
    if (!joined.has(at + uncut)) count = uncut;
    counts.push(count);
    at += count;
  }
  return counts;
}

/** Settings of some rows of a record whose keys begin with them. */
const ofRows = <T>(record: Record<string, T>, rows: ReadonlySet<string>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => rows.has(key.split(' ')[0])));

/** What stands in a table's rows from one on to another, with its head before them. */
function partOf(whole: TableRecipe, from: number, to: number, after: string | null, shares: number[]): TableRecipe {
  const repeated = from === 0 ? [] : whole.rows.slice(0, headRowsOf(whole));
  const own = whole.rows.slice(from, to);
  const rows = [...repeated, ...own];
  const set = new Set(rows);
  const cells = ofRows(whole.cells, set);
  // What was cut off continues as an empty cell of the same span.
  for (const { row, column, across, down } of cellsOf(whole))
    if (row < from && row + down > from && from > 0 && !repeated.includes(whole.rows[row]))
      cells[cellKey(whole.rows[from], whole.columns[column].id)] = { words: '', across, down: row + down - from };
  return {
    ...whole,
    part: { after, repeated },
    rows,
    columns: whole.widths === 'content' ? whole.columns.map((one, i) => ({ ...one, share: shares[i] })) : whole.columns,
    cells,
    look: { ...whole.look, rows: ofRows(whole.look.rows, set), cells: ofRows(whole.look.cells, set) },
  };
}

export type Flow = {
  parts: readonly Part[];
  /** Which part was edited. */
  edited: number;
  /** The height of further pages, in points, and names for the parts on them: as many as there may be. */
  more: { room: number; ids: readonly string[] };
};

/**
 * The parts of a table as they have to be now: as many as it needs, each with its parts by name, to be made again in that order.
 * Things of cells that went to another part went with them.
 */
export function flowed({ parts, edited, more }: Flow, kit: Kit): GroupItem[] {
  const groups = parts.map(({ group }) => group);
  const { whole, names } = gathered(groups, edited);
  const rooms = [
    ...parts.map(({ group, room }) => ({ width: group.width, room })),
    ...more.ids.map(() => ({ width: groups[0].width, room: more.room })),
  ];
  const counts = breaks(whole, rooms, kit);
  // Rows beyond the last name stay with the last part.
  const most = Math.max(1, groups.length + more.ids.length);
  while (counts.length > most) counts[counts.length - 2] += counts.pop()!;
  const single = counts.length === 1;
  const things = thingsByRow(groups, names);
  const widths = widthsOf(whole, groups[0].width, kit);
  const sum = widths.reduce((all, value) => all + value, 0);
  const shares = widths.map((width) => Math.max(0.02, Math.round((width / sum) * whole.columns.length * 1e4) / 1e4));
  const ids = [...groups.map(({ id }) => id), ...more.ids];
  // What was added by hand to a part that goes stays with the last one.
  const extras = groups.slice(counts.length).flatMap(({ items }) => items.filter((item) => rowOf(item) === null));
  let from = 0;
  return counts.map((count, i): GroupItem => {
    const recipe = single ? whole : partOf(whole, from, from + count, i === 0 ? null : ids[i - 1], shares);
    from += count;
    const own = new Set(recipe.rows.filter((row) => !recipe.part?.repeated.includes(row)));
    const group = groups[i] ?? { ...groups[0], id: ids[i], items: [] };
    const held = groups[i]?.items.filter((item) => rowOf(item) === null || isHead(item, recipe)) ?? [];
    const items = [...held, ...[...own].flatMap((row) => things.get(row) ?? [])];
    if (i === counts.length - 1) items.unshift(...extras);
    const made = new Set([...items.flatMap((item) => item.made?.part ?? []), ...madeIn(groups, names, own)]);
    return {
      ...group,
      // Rows of a table over pages are as high as they need to be.
      ...((!single || recipeOf(groups[0]).part) && { height: 1 }),
      items,
      maker: { ...groups[0].maker!, recipe, parts: [...made] } as GroupItem['maker'],
    };
  });
}

const rowOf = (item: Item) => /^c-([^-]+)-/.exec(item.made?.part ?? '')?.[1] ?? null;
const isHead = (item: Item, { part }: TableRecipe) => part?.repeated.includes(rowOf(item) ?? '') ?? false;
const inRow = (part: string, names: Renamed): string | null => {
  const [, row, column] = /^c-([^-]+)-(.+)$/.exec(part) ?? [];
  const name = row === undefined ? undefined : names.get(row);
  return name === undefined ? null : `c-${name}-${column}`;
};

/** The cells of all parts by the rows of the whole table. */
function thingsByRow(groups: readonly GroupItem[], names: readonly Renamed[]): Map<string, Item[]> {
  const out = new Map<string, Item[]>();
  groups.forEach((group, i) => {
    const repeated = new Set(recipeOf(group).part?.repeated ?? []);
    for (const item of group.items) {
      const row = rowOf(item);
      const part = item.made && inRow(item.made.part, names[i]);
      if (row === null || repeated.has(row) || !part) continue;
      const named = { ...item, made: { ...item.made!, part } } as Item;
      const name = names[i].get(row)!;
      out.set(name, [...(out.get(name) ?? []), named]);
    }
  });
  return out;
}

/** The cells of some rows that were made once: one that is missing was taken away by hand, and stays away. */
function madeIn(groups: readonly GroupItem[], names: readonly Renamed[], rows: ReadonlySet<string>): string[] {
  return groups.flatMap((group, i) =>
    (group.maker?.parts ?? []).flatMap((made) => {
      const part = inRow(made, names[i]);
      return part && rows.has(/^c-([^-]+)-/.exec(part)![1]) ? [part] : [];
    }),
  );
}
