import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { again, madeFrom, partOf, testKit, withPart, withoutPart } from '../../../tests/support/made';
import { bodyText } from '../../text/body';
import { plain } from '../../schema/defaults';
import type { GroupItem, Item } from '../../schema/sheet';
import { isWritten } from '../../schema/sheet';
import { reflowed } from '../flow';
import type { Kit } from '../kit/maker';
import { beginTable } from './begin';
import { cellsOf, merged, withLook, withoutRow, withRow, withWords } from './edit';
import type { TableRecipe } from '../../schema/recipes/table';
import { TableRecipe as Recipe } from '../../schema/recipes/table';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const HEAD = ['river', 'length in km', 'where it begins'];
const rivers = (count: number, header = true): TableRecipe => ({
  ...beginTable(
    [],
    [
      HEAD,
      ...Array.from({ length: count }, (_, i) => [
        `river ${i}`,
        `${90 + i}`,
        i % 4 ? 'hills' : 'a spring in the high moor, under stones',
      ]),
    ],
  ),
  header,
});
const recipeOf = (group: GroupItem) => group.maker!.recipe as TableRecipe;
const ROOM = 400;
const LONG = 'word '.repeat(390).trim();
const made = async (recipe: TableRecipe, width = 420) =>
  (await madeFrom('table', recipe, kit, { width, height: 60 })).group;
const IDS = Array.from({ length: 20 }, (_, i) => `more${i}`);
async function flow(groups: readonly GroupItem[], edited = 0, room = ROOM, ids = IDS) {
  const parts = groups.map((group) => ({ group, room }));
  return reflowed({ parts, edited, more: { room, ids } }, kit);
}
/** One part with another recipe, made as the workbench does it. */
const edit = async (groups: readonly GroupItem[], at: number, change: (recipe: TableRecipe) => TableRecipe) => {
  const state = { kind: 'table' as const, recipe: change(recipeOf(groups[at])), seed: 1 };
  const { group } = await again({ group: groups[at], state }, kit);
  return groups.map((one, i) => (i === at ? group : one));
};
const said = (group: GroupItem): string[][] => {
  const { rows, columns } = recipeOf(group);
  return rows.map((row) =>
    columns.map(({ id }) => {
      const item = group.items.find((one) => one.made?.part === `c-${row}-${id}`);
      return item && isWritten(item) ? bodyText(item.body) : '';
    }),
  );
};
const data = (groups: readonly GroupItem[]) =>
  groups.flatMap((group, i) => said(group).slice(i === 0 ? 0 : (recipeOf(group).part?.repeated.length ?? 0)));

describe('a table that is longer than a page', () => {
  test('goes on over as many pages as it needs, each with the head, none longer than its page, nothing twice', async () => {
    const recipe = rivers(60);
    const whole = await made(recipe);
    const parts = await flow([whole]);
    expect(parts.length).toBeGreaterThan(2);
    expect(data(parts)).toEqual(said(whole));
    for (const part of parts) {
      expect(Recipe.safeParse(recipeOf(part)).success).toBe(true);
      expect(said(part)[0]).toEqual(HEAD);
      expect(part.height).toBeLessThanOrEqual(ROOM + 0.1);
      const bottom = Math.max(...part.items.map((item) => (item.kind === 'line' ? 0 : item.y + item.height)));
      expect(bottom).toBeCloseTo(part.height, 0);
    }
    // Columns stand under each other.
    const lefts = parts.map((part) =>
      part.items
        .filter((item) => item.made?.part.startsWith(`c-${recipe.rows[0]}-`))
        .map((item) => (item.kind === 'line' ? 0 : item.x))
        .sort((a, b) => a - b),
    );
    for (const list of lefts) list.forEach((x, i) => expect(x).toBeCloseTo(lefts[0][i], 0));
  });
  test('shared out again it is the same; with more room it comes back, down to one', async () => {
    const whole = await made(rivers(40));
    const parts = await flow([whole]);
    const again = await flow(parts);
    expect(again).toEqual(parts);
    expect((await flow(parts, 1, ROOM * 2)).length).toBeLessThan(parts.length);
    const [one, ...rest] = await flow(parts, 0, 10_000);
    expect(rest).toEqual([]);
    expect(said(one)).toEqual(said(whole));
    expect(recipeOf(one).part).toBeNull();
  });
  test('any table, with joined cells, edited in any part: no row is lost, doubled or out of order', async () => {
    const table = fc.record({
      count: fc.integer({ min: 1, max: 30 }),
      header: fc.boolean(),
      joins: fc.array(fc.tuple(fc.nat(30), fc.nat(2), fc.integer({ min: 1, max: 3 })), { maxLength: 4 }),
      at: fc.nat(9),
      row: fc.nat(40),
      what: fc.constantFrom('words', 'row', 'less', 'head', 'look'),
      room: fc.integer({ min: 120, max: 500 }),
    });
    await fc.assert(
      fc.asyncProperty(table, async ({ count, header, joins, at, row, what, room }) => {
        let recipe = rivers(count, header);
        for (const [r, c, down] of joins) {
          const [from, to] = [Math.min(count, r + 1), Math.min(count, r + down)];
          recipe = merged(
            recipe,
            { row: recipe.rows[from], column: `${c + 1}` },
            { row: recipe.rows[to], column: `${c + 1}` },
          );
        }
        const words = (list: readonly string[][]) => list.flat().filter(Boolean);
        const whole = await made(recipe);
        let parts = await flow([whole], 0, room);
        expect(words(data(parts))).toEqual(words(said(whole)));
        const edited = at % parts.length;
        const own = recipeOf(parts[edited]);
        const repeated = own.part?.repeated.length ?? 0;
        const place = { row: own.rows[Math.max(repeated, row % own.rows.length)] ?? own.rows[0], column: '1' };
        const before = words(data(parts));
        parts = await edit(parts, edited, (one) => {
          if (what === 'words') return withWords(one, place, 'new words here');
          if (what === 'row')
            return withWords(
              withRow(one, place.row, 'behind'),
              { row: withRow(one, place.row, 'behind').rows[one.rows.indexOf(place.row) + 1], column: '2' },
              'inserted',
            );
          if (what === 'less') return withoutRow(one, place.row);
          if (what === 'head') return { ...one, size: 15 };
          return withLook(one, 'row', place, { bold: true });
        });
        const wanted = words(data(parts));
        const shared = await flow(parts, edited, room);
        expect(words(data(shared))).toEqual(wanted);
        if (what === 'head' || what === 'look') expect(wanted).toEqual(before);
        for (const part of shared) {
          expect(recipeOf(part).size).toBe(what === 'head' ? 15 : 13);
          const dataRows = recipeOf(part).rows.length - (recipeOf(part).part?.repeated.length ?? 0);
          const cut = cellsOf(recipeOf(part)).some(({ down }) => down > 1);
          if (dataRows > (header ? 2 : 1) && !cut) expect(part.height).toBeLessThanOrEqual(room + 0.1);
        }
      }),
      { numRuns: 40 },
    );
  });
  test('a head that is written in on a later page is the head of all', async () => {
    const parts = await flow([await made(rivers(40))]);
    const at = { row: recipeOf(parts[1]).rows[0], column: '2' };
    const edited = await edit(parts, 1, (recipe) => withWords(recipe, at, 'km'));
    for (const part of await flow(edited, 1)) expect(said(part)[0][1]).toBe('km');
  });
  test('what was done to cells by hand goes with them, and what was taken away stays away', async () => {
    const whole = await made(rivers(30));
    const late = `c-${recipeOf(whole).rows[25]}-1`;
    const gone = `c-${recipeOf(whole).rows[26]}-1`;
    const coloured = withPart(whole, late, { fill: { kind: 'solid', colour: '#ff0000', opacity: 1 } } as Partial<Item>);
    const parts = await flow([withoutPart(coloured, gone)]);
    const last = parts.find((part) => partOf<'text'>(part, late));
    expect(last).not.toBe(parts[0]);
    expect(partOf<'text'>(last!, late).fill).toMatchObject({ colour: '#ff0000' });
    expect(parts.some((part) => partOf<'text'>(part, gone))).toBe(false);
    const [one] = await flow(parts, 0, 10_000);
    expect(partOf<'text'>(one, late).fill).toMatchObject({ colour: '#ff0000' });
  });
  test('words typed on a page stay in their row when rows go to and fro', async () => {
    const parts = await flow([await made(rivers(30))]);
    const row = recipeOf(parts[1]).rows.at(-1)!;
    const typed = withPart(parts[1], `c-${row}-3`, { body: plain('in a bog') } as Partial<Item>);
    const { group } = await again({ group: typed }, kit);
    const shared = await flow([parts[0], group, ...parts.slice(2)], 1, ROOM * 1.5);
    expect(
      data(shared)
        .flat()
        .filter((words) => words === 'in a bog'),
    ).toHaveLength(1);
  });
  test('a row higher than a page stands alone; without names for more pages the last takes the rest', async () => {
    const tall = withWords(rivers(4), { row: '3', column: '1' }, LONG);
    const parts = await flow([await made(tall)]);
    expect(data(parts).flat()).toContain(LONG);
    const two = await flow([await made(rivers(60))], 0, ROOM, ['b']);
    expect(two).toHaveLength(2);
    expect(data(two)).toHaveLength(61);
  });
});
