import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { givenOut } from '../../handout/copy';
import { bodyText } from '../../text/body';
import { DEFAULT_PALETTE, page, plain, sheet } from '../../schema/defaults';
import type { GroupItem, TextItem } from '../../schema/sheet';
import { again, madeFrom, partOf, testKit, withPart } from '../../../tests/support/made';
import type { Kit } from '../kit/maker';
import { beginTable } from './begin';
import type { Scope } from './edit';
import {
  cellAt,
  cellsOf,
  holderOf,
  lookAt,
  merged,
  pasted,
  split,
  withColumn,
  withLook,
  withoutColumn,
  withoutRow,
  withRow,
  withWords,
} from './edit';
import { widthsOf } from './make';
import type { TableRecipe } from '../../schema/recipes/table';
import { TableRecipe as Recipe } from '../../schema/recipes/table';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const BIRDS = [
  ['bird', 'bill', 'seen'],
  ['redshank', 'long and straight', '14'],
  ['avocet', 'curved up', '11'],
];
const birds = (values: Partial<TableRecipe> = {}): TableRecipe => ({
  ...beginTable(DEFAULT_PALETTE, BIRDS),
  ...values,
});
const at = (row: number | string, column: number | string) => ({ row: `${row}`, column: `${column}` });
const make = (recipe: TableRecipe, size = { width: 400, height: 120 }) => madeFrom('table', recipe, kit, size);
const cell = (made: GroupItem, row: number | string, column: number | string) =>
  partOf<'text'>(made, `c-${row}-${column}`);
const spread = (recipe: TableRecipe) =>
  cellsOf(recipe).map(({ row, column, across, down }) => `${row},${column} ${across}x${down}`);

/** Every place of a table belongs to one seen cell. */
function tiles(recipe: TableRecipe): boolean {
  const count = new Map<string, number>();
  for (const { row, column, across, down } of cellsOf(recipe))
    for (let y = 0; y < down; y++)
      for (let x = 0; x < across; x++)
        count.set(`${row + y} ${column + x}`, (count.get(`${row + y} ${column + x}`) ?? 0) + 1);
  return count.size === recipe.rows.length * recipe.columns.length && [...count.values()].every((n) => n === 1);
}

describe('a table', () => {
  it('has a cell for each of its places, side by side, as wide as the frame', async () => {
    const { group } = await make(birds({ widths: 'equal' }));
    const cells = group.items as TextItem[];
    expect(cells).toHaveLength(9);
    expect(cells.reduce((area, { width, height }) => area + width * height, 0)).toBeCloseTo(400 * group.height, -1);
    expect(cell(group, 2, 2).x).toBeCloseTo(cell(group, 2, 1).x + cell(group, 2, 1).width, 1);
    expect(bodyText(cell(group, 3, 1).body)).toBe('avocet');
    expect(cell(group, 1, 1).fill).toMatchObject({ colour: birds().head });
    expect(cell(group, 2, 3).body[0].format.align).toBe('right');
  });

  it('grows for its words, and shares out the room that is over', async () => {
    const long = withWords(
      birds({ widths: 'equal' }),
      at(2, 1),
      'a very long name for a bird that nobody has ever seen in the marsh '.repeat(3),
    );
    const { group } = await make(long, { width: 300, height: 60 });
    expect(group.height).toBeGreaterThan(140);
    const tall = (await make(birds(), { width: 400, height: 400 })).group;
    expect(tall.height).toBe(400);
    expect(cell(tall, 3, 1).y + cell(tall, 3, 1).height).toBeCloseTo(400, 0);
  });

  it('gives columns what they hold, equal parts, or their own shares; always the whole width', () => {
    const sum = (list: number[]) => list.reduce((all, value) => all + value, 0);
    const byContent = widthsOf(birds({ widths: 'content' }), 400, kit);
    expect(sum(byContent)).toBeCloseTo(400, 5);
    expect(byContent[1]).toBeGreaterThan(byContent[2] * 1.5);
    expect(widthsOf(birds({ widths: 'equal' }), 300, kit)).toEqual([100, 100, 100]);
    const own = birds({ widths: 'own', columns: [2, 1, 1].map((share, i) => ({ id: `${i + 1}`, share })) });
    expect(widthsOf(own, 400, kit)).toEqual([200, 100, 100]);
    expect(sum(widthsOf(birds({ widths: 'content' }), 60, kit))).toBeCloseTo(60, 5);
  });

  it('bands every other row or column, beside its heads', async () => {
    const rows = (await make(birds({ banding: 'rows' }))).group;
    expect([cell(rows, 2, 2).fill, cell(rows, 3, 2).fill]).toEqual([
      null,
      expect.objectContaining({ colour: birds().band }),
    ]);
    const columns = (await make(birds({ banding: 'columns', side: true }))).group;
    expect([cell(columns, 2, 2).fill, cell(columns, 2, 3).fill]).toEqual([
      null,
      expect.objectContaining({ colour: birds().band }),
    ]);
    expect(cell(columns, 2, 1).fill).toMatchObject({ colour: birds().head });
  });

  it('takes in what was typed into a cell on the sheet', async () => {
    const first = await make(birds());
    const typed = withPart(first.group, 'c-2-2', { body: plain('straight\nand red') } as Partial<TextItem>);
    const { group } = await again({ group: typed }, kit);
    const { recipe } = group.maker as { recipe: TableRecipe };
    expect(cellAt(recipe, at(2, 2)).words).toBe('straight\nand red');
    expect(cell(group, 2, 2).height).toBeGreaterThan(cell(first.group, 2, 2).height);
    // What was typed has the look of the table.
    expect(cell(group, 2, 2).body[0].runs[0].style).toMatchObject({ font: 'andika', size: 13 });
  });

  it('is given out with the cells empty that students write in', async () => {
    const { group } = await make(withLook(birds(), 'column', at(1, 2), { write: true }));
    const given = givenOut(sheet({ title: '', pages: [page({ id: 'p', items: [group] })] })).pages[0]
      .items[0] as GroupItem;
    const words = (given.items as TextItem[]).map((item) => bodyText(item.body));
    expect(words).toContain('bill');
    expect(words).not.toContain('curved up');
    expect((given.items as TextItem[]).filter((item) => item.touch === 'fill')).toHaveLength(2);
    expect(given.maker).toBeNull();
  });
});

describe('merged cells', () => {
  it('hold the words of all, take their room, and come apart again', async () => {
    const joined = merged(birds(), at(2, 2), at(3, 3));
    expect(spread(joined)).toEqual(['0,0 1x1', '0,1 1x1', '0,2 1x1', '1,0 1x1', '1,1 2x2', '2,0 1x1']);
    expect(cellAt(joined, at(2, 2)).words).toBe('long and straight\n14\ncurved up\n11');
    const { group } = await make(joined);
    expect(cell(group, 2, 2).width).toBeCloseTo(400 - cell(group, 2, 1).width, 1);
    expect(group.items).toHaveLength(6);
    expect(spread(split(joined, at(2, 2)))).toHaveLength(9);
    expect(merged(birds(), at(2, 2), at(2, 2))).toEqual(birds());
    expect(holderOf(joined, at(3, 3))).toMatchObject({ row: 1, column: 1 });
  });

  it('take in whole what lies partly within', () => {
    const once = merged(beginTable([], [], 4, 4), at(1, 2), at(1, 3));
    expect(spread(merged(once, at(1, 3), at(2, 3)))[1]).toBe('0,1 2x2');
  });

  it('grow and shrink with rows and columns put between and taken away', () => {
    const joined = merged(birds(), at(1, 1), at(2, 2));
    expect(spread(withRow(joined, '1', 'behind'))[0]).toBe('0,0 2x3');
    expect(spread(withColumn(joined, '1', 'behind'))[0]).toBe('0,0 3x2');
    expect(spread(withoutRow(joined, '1'))[0]).toBe('0,0 2x1');
    expect(cellAt(withoutRow(joined, '1'), at(2, 1)).words).toContain('bird');
    expect(spread(withoutColumn(joined, '2'))[0]).toBe('0,0 1x2');
  });

  it('always tile the table, whatever is done to it', () => {
    const step = fc.record({
      do: fc.constantFrom('merge', 'split', 'row', 'column', 'drop-row', 'drop-column'),
      a: fc.nat(9),
      b: fc.nat(9),
      c: fc.nat(9),
      d: fc.nat(9),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 14 }), (steps) => {
        let table = beginTable([], [], 4, 4);
        for (const { do: what, a, b, c, d } of steps) {
          const row = (n: number) => table.rows[n % table.rows.length];
          const column = (n: number) => table.columns[n % table.columns.length].id;
          if (what === 'merge')
            table = merged(table, { row: row(a), column: column(b) }, { row: row(c), column: column(d) });
          else if (what === 'split') table = split(table, { row: row(a), column: column(b) });
          else if (what === 'row') table = withRow(table, row(a), b % 2 ? 'before' : 'behind');
          else if (what === 'column') table = withColumn(table, column(a), b % 2 ? 'before' : 'behind');
          else if (what === 'drop-row') table = withoutRow(table, row(a));
          else table = withoutColumn(table, column(a));
          expect(tiles(table)).toBe(true);
        }
        expect(Recipe.safeParse(table).success).toBe(true);
      }),
    );
  });
});

describe('looks', () => {
  const red = '#b0442a';
  it('set for one cell are that cell’s alone', () => {
    const table = withLook(birds(), 'cell', at(2, 2), { fill: red });
    expect(lookAt(table, at(2, 2)).fill).toBe(red);
    for (const other of [at(2, 1), at(1, 2), at(3, 2), at(2, 3)]) expect(lookAt(table, other).fill).toBeUndefined();
  });

  it('go from the cell to its row, its column and the whole, and the newest is seen', () => {
    const scopes: Scope[] = ['cell', 'row', 'column', 'all'];
    const covers = (scope: Scope, place: { row: string; column: string }) =>
      scope === 'all' ||
      (scope === 'row' && place.row === '2') ||
      (scope === 'column' && place.column === '2') ||
      (place.row === '2' && place.column === '2');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...scopes), fc.constantFrom('#111111', '#222222', null)), { maxLength: 6 }),
        (steps) => {
          let table = birds();
          const seen = new Map<string, string | null | undefined>();
          for (const [scope, fill] of steps) {
            table = withLook(table, scope, at(2, 2), { fill });
            for (const row of table.rows)
              for (const { id: column } of table.columns)
                if (covers(scope, { row, column })) seen.set(`${row} ${column}`, fill);
          }
          for (const row of table.rows)
            for (const { id: column } of table.columns)
              expect(lookAt(table, { row, column }).fill).toBe(seen.get(`${row} ${column}`));
        },
      ),
    );
  });

  it('stay with their cells when rows are put before them', async () => {
    const table = withRow(withLook(birds(), 'cell', at(2, 2), { fill: red }), '2', 'before');
    const { group } = await make(table);
    expect(cell(group, 2, 2).fill).toMatchObject({ colour: red });
    expect(cell(group, 2, 2).y).toBeGreaterThan(cell(group, table.rows[1], 2).y);
    expect(cell(group, table.rows[1], 2).fill).toBeNull();
  });

  it('with borders of their own lie over their neighbours', async () => {
    const edge = { colour: red, width: 3, dash: 'solid' as const };
    const { group } = await make(withLook(birds(), 'cell', at(2, 2), { edge }));
    expect(group.items[0].made!.part).toBe('c-2-2');
    const none = (await make(withLook(birds(), 'all', null, { edge: null }))).group;
    expect((none.items as TextItem[]).every(({ outline }) => outline === null)).toBe(true);
  });
});

describe('pasting', () => {
  it('fills the cells from one on, and the table grows', () => {
    const table = pasted(birds(), at(3, 3), [
      ['12', 'yes'],
      ['13', 'no'],
    ]);
    expect([table.rows.length, table.columns.length]).toEqual([4, 4]);
    expect(cellAt(table, { row: table.rows[3], column: table.columns[3].id }).words).toBe('no');
    expect(cellAt(table, at(3, 3)).words).toBe('12');
    expect(cellAt(table, at(1, 1)).words).toBe('bird');
  });

  it('never makes a table larger than it may be', () => {
    const huge = Array.from({ length: 300 }, () => Array<string>(50).fill('x'));
    const table = pasted(birds(), at(1, 1), huge);
    expect([table.rows.length, table.columns.length]).toEqual([200, 20]);
    expect(Recipe.safeParse(beginTable([], huge)).success).toBe(true);
  });
});
