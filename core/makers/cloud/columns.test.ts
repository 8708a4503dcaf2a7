import { describe, expect, it } from 'vitest';
import { readTable } from '../../formats/tables';
import { group, page, shape } from '../../schema/defaults';
import type { Item } from '../../schema/sheet';
import { beginChart } from '../chart/begin';
import type { MakerState } from '../../schema/recipes/recipes';
import { beginTable } from '../table/begin';
import { cellKey, noCell } from '../../schema/recipes/table';
import { columnWords, numbersAfter, tablesOn } from './columns';

const pasted = (text: string) => {
  const [head, ...rows] = readTable(text).cells;
  return { head, rows };
};
const BIRDS = pasted('bird;seen;where\nheron;12;creek\nEgret;3,5;marsh\nheron;2;mud\nknot;;mud\n;9;sky\ngull;-4;sky');

describe('words from a column', () => {
  it('are weighed by another, and the same ones are joined', () =>
    expect(columnWords(BIRDS, 0, 1)).toEqual({
      words: [
        { text: 'heron', weight: 14 },
        { text: 'Egret', weight: 3.5 },
      ],
      // The knot has no number, and the gull none above nothing.
      left: 2,
    }));
  it('are counted where nothing weighs them', () =>
    expect(columnWords(BIRDS, 2, null)).toEqual({
      words: [
        { text: 'creek', weight: 1 },
        { text: 'marsh', weight: 1 },
        { text: 'mud', weight: 2 },
        { text: 'sky', weight: 2 },
      ],
      left: 0,
    }));
  it('are none in a column that is not there', () => expect(columnWords(BIRDS, 7, null).words).toEqual([]));
  it('are weighed by the first column of numbers, of whatever country', () => {
    expect(numbersAfter(BIRDS, 0)).toBe(1);
    expect(numbersAfter(BIRDS, 1)).toBeNull();
    expect(numbersAfter(pasted('a,b\nx,y\nz,3'), 0)).toBeNull();
  });
});

describe('the tables of a sheet', () => {
  const made = (id: string, state: unknown, items: Item[] = []) => group({ id, maker: state as MakerState, items });
  it('are those of charts, each once, and those written on it, within groups too', () => {
    const chart = beginChart([], 'bar', 'shared');
    const table = beginTable([]);
    const [row, next] = table.rows;
    const [{ id: column }] = table.columns;
    table.cells = {
      [cellKey(row, column)]: { ...noCell, words: 'bird' },
      [cellKey(next, column)]: { ...noCell, words: ' heron ' },
    };
    const items = [
      made('one', { kind: 'chart', recipe: chart, seed: 1, parts: [] }),
      made('two', { kind: 'chart', recipe: chart, seed: 1, parts: [] }),
      group({ id: 'around', items: [made('three', { kind: 'table', recipe: table, seed: 1, parts: [] })] }),
      shape({ id: 'other' }),
    ];
    const found = tablesOn({ pages: [page({ id: 'p', items })] });
    expect(found.map(({ id }) => id)).toEqual(['shared', 'three']);
    expect(found[0]).toMatchObject({ head: chart.table.head, rows: chart.table.rows });
    expect([found[1].head[0], found[1].rows[0][0]]).toEqual(['bird', 'heron']);
  });
});

describe('a table from a file', () => {
  it('says how many rows did not fit', () => {
    const lines = Array.from({ length: 260 }, (_, i) => `row ${i},${i}`).join('\n');
    const { cells, left } = readTable(lines);
    expect([cells.length, left]).toEqual([201, 59]);
  });
  it('of nothing but empty cells is empty', () => expect(readTable(';;;\n;;;')).toEqual({ cells: [], left: 0 }));
});
