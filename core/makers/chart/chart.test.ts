import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { contrastOf } from '../../colour/space';
import { givenOut } from '../../handout/copy';
import { markOf, numberIn } from '../../formats/cell-numbers';
import { readCells, writtenCells } from '../../formats/tables';
import { bodyText } from '../../text/body';
import { DEFAULT_PALETTE, page, sheet } from '../../schema/defaults';
import type { GroupItem, LineItem, ShapeItem, TextItem } from '../../schema/sheet';
import { apart, madeFrom, partOf, testKit, withPart, again } from '../../../tests/support/made';
import type { Kit } from '../kit/maker';
import { MakerState } from '../../schema/recipes/recipes';
import { axisFor } from './axes';
import { beginChart, chartColours } from './begin';
import { dataOf, KIND_NAMES, nearestKind, whyNot } from './data';
import { orderOf, timeOf, timeTicks } from './times';
import { said } from './draft';
import { eachFor } from './parts';
import { regionsOf } from './sets';
import type { ChartKind, ChartRecipe } from '../../schema/recipes/chart';
import { CHART_KINDS, TASKS } from '../../schema/recipes/chart';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const table = (text: string) => {
  const [head, ...rows] = readCells(text);
  return { id: 'data', head, rows };
};
const chart = (kind: ChartKind, text?: string, values: Partial<ChartRecipe> = {}): ChartRecipe => ({
  ...beginChart(DEFAULT_PALETTE, kind),
  ...(text && { table: table(text) }),
  ...values,
});
const make = async (recipe: ChartRecipe, size = { width: 420, height: 300 }) => madeFrom('chart', recipe, kit, size);
const wordsIn = (made: GroupItem) => made.items.flatMap((item) => (item.kind === 'text' ? [bodyText(item.body)] : []));
const parts = (made: GroupItem, start: string) => made.items.filter((item) => item.made!.part.startsWith(start));

describe('tables that are pasted', () => {
  it('have cells between tabs, semicolons or commas, quoted or not', () => {
    const rows = [
      ['bird', 'seen'],
      ['heron, grey', '3'],
    ];
    expect(readCells('bird\tseen\nheron, grey\t3')).toEqual(rows);
    expect(readCells('bird;seen\r\nheron, grey;3\r\n\r\n')).toEqual(rows);
    expect(readCells('\uFEFFbird,seen\n"heron, grey",3,\n')).toEqual(rows);
    expect(readCells('')).toEqual([]);
    expect(readCells(writtenCells(rows))).toEqual(rows);
  });

  it('know a decimal comma from a thousand', () => {
    expect(markOf(['1,5', '2,25'])).toBe(',');
    expect(markOf(['1,200', '12,500'])).toBe('.');
    expect(markOf(['1,200', '2,5'])).toBe(',');
    expect(markOf(['1,200', '2.5'])).toBe('.');
    expect([numberIn('1 234,5', ','), numberIn('1.234,5', ','), numberIn('1,234.5', '.')]).toEqual([
      1234.5, 1234.5, 1234.5,
    ]);
    expect([numberIn('−4', '.'), numberIn('£3.20', '.'), numberIn('12 %', '.')]).toEqual([-4, 3.2, 12]);
    expect([numberIn('many', '.'), numberIn('', '.'), numberIn('1.2.3', '.'), numberIn('--1', '.')]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });

  it('are never larger than a chart can show', () => {
    const cells = readCells(Array.from({ length: 900 }, () => Array(40).fill('x'.repeat(300)).join('\t')).join('\n'));
    expect([cells.length, cells[0].length, cells[0][0].length]).toEqual([201, 12, 120]);
  });

  it.each<[string, 'day' | 'month', number | null]>([
    ['1897', 'day', 1897],
    ['44 BC', 'day', -44],
    ['-44', 'day', -44],
    ['−44', 'day', -44],
    ['1901-05-01', 'day', 1901 + 120 / 365],
    ['12 May 1901', 'day', 1901 + 131 / 365],
    ['May 12, 1901', 'day', 1901 + 131 / 365],
    ['May 12th 1901', 'day', 1901 + 131 / 365],
    ['12.5.1901', 'day', 1901 + 131 / 365],
    ['5/12/1901', 'month', 1901 + 131 / 365],
    ['9/15/2024', 'month', 2024 + 258 / 366],
    ['9/15/2024', 'day', null],
    ['May 1901', 'day', 1901 + 120 / 365],
    ['29 February 2024', 'day', 2024 + 59 / 366],
    ['29 February 2023', 'day', null],
    ['31/6/2024', 'day', null],
    ['long ago', 'day', null],
    ['1901-13-01', 'day', null],
    ['4.5', 'day', 2000 + 124 / 366],
  ])('the time in “%s”, the %s first, is %s', (cell, order, time) => {
    if (time === null) expect(timeOf(cell, order)).toBeNull();
    else expect(timeOf(cell, order)?.at).toBeCloseTo(time, 9);
  });

  it('tell in which order their dates are, or leave it to be said', () => {
    expect(orderOf(['9/15/2024', '10/2/2024'])).toBe('month');
    expect(orderOf(['15/9/2024', '2/10/2024'])).toBe('day');
    expect(orderOf(['4/5/2024', '6/7/2024'])).toBeNull();
    expect(orderOf(['15/9/2024', '9/15/2024'])).toBeNull();
    const doubtful = table('day,seen\n4/5/2024,3\n6/7/2024,5');
    const [as, other] = [dataOf(doubtful), dataOf({ ...doubtful, dates: 'month' })];
    expect(as.columns[0].doubtful).toBe('day');
    expect(other.columns[0].doubtful).toBe('month');
    expect(other.columns[0].times[0]).toBeCloseTo(2024 + 95 / 366, 9);
    const sure = dataOf(table('day,seen\n9/15/2024,3\n9/16/2024,5\n10/1/2024,4'));
    expect(sure.columns[0]).toMatchObject({ kind: 'times', doubtful: null });
    expect(sure.columns[0].times).not.toContain(null);
  });

  it.each([
    [-753, 476, 6, ['1000 BC', '750 BC', '500 BC', '250 BC', '0', '250', '500']],
    [2024.7, 2024.72, 5, ['13 Sep', '15 Sep', '17 Sep', '19 Sep', '21 Sep']],
    [2024.7, 2025.2, 7, ['Sep 2024', 'Oct', 'Nov', 'Dec', 'Jan 2025', 'Feb', 'Mar', 'Apr']],
  ])('from %s to %s have ticks that can be read', (low, high, most, expected) => {
    const ticks = timeTicks(low, high, most, false);
    expect(ticks[0].at).toBeLessThanOrEqual(low + 1e-9);
    expect(ticks.at(-1)!.at).toBeGreaterThanOrEqual(high - 1e-9);
    expect(ticks.map(({ said }) => said)).toEqual(expected);
  });

  it('have ticks that grow, enclose them, and are few, wherever they lie', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3000, max: 2100, noNaN: true }),
        // Short spans are divided in months and days: half of them are.
        fc.oneof(fc.double({ min: 0, max: 4, noNaN: true }), fc.double({ min: 0, max: 4000, noNaN: true })),
        fc.integer({ min: 2, max: 12 }),
        (low, span, most) => {
          const ticks = timeTicks(low, low + span, most, false);
          expect(ticks.length).toBeGreaterThan(1);
          expect(ticks.length).toBeLessThanOrEqual(most + 3);
          expect(ticks[0].at).toBeLessThanOrEqual(low + 2 / 365);
          expect(ticks.at(-1)!.at).toBeGreaterThanOrEqual(low + span - 1e-6);
          for (let i = 1; i < ticks.length; i++) expect(ticks[i].at).toBeGreaterThan(ticks[i - 1].at);
        },
      ),
    );
  });

  it('that look like years are years: small ones where their head says so', () => {
    const rome = dataOf(table('year,what\n-44,Caesar\n14,Augustus\n117,Trajan'));
    expect(whyNot('timeline', rome)).toBeNull();
    expect(whyNot('timeline', dataOf(table('eggs,nest\n3,a\n4,b')))).toMatch(/years or dates/);
  });
});

describe('kinds that the columns can’t feed', () => {
  it('say why in a sentence, and which is nearest', () => {
    const words = dataOf(table('animal,home\nheron,marsh\ncrab,shore'));
    const one = dataOf(table('bird,seen\nheron,3\ncurlew,9'));
    expect(whyNot('bar', words)).toBe('Bars need a column of numbers; there is none.');
    expect(whyNot('stacked', one)).toBe('Stacked bars need two columns of numbers; there is one.');
    expect(whyNot('pie', dataOf(table('a,b\nx,3\ny,-2')))).toContain('below zero');
    expect(whyNot('timeline', one)).toContain('years or dates');
    expect(nearestKind('stacked', one)).toBe('bar');
    expect(nearestKind('bar', words)).toBe('sets2');
    expect(nearestKind('bar', dataOf({ id: 'd', head: ['a'], rows: [] }))).toBeNull();
  });

  it('each begins with a table that feeds it', () => {
    for (const kind of CHART_KINDS) expect(whyNot(kind, dataOf(beginChart([], kind).table)), kind).toBeNull();
  });

  it('are drawn as the nearest, and the note says so', async () => {
    const { group, notes } = await make(chart('stacked', 'bird,seen\nheron,3\ncurlew,9'));
    expect(notes[0]).toBe(
      `${whyNot('stacked', dataOf(table('bird,seen\nheron,3\ncurlew,9')))} Meanwhile the nearest is shown: ${KIND_NAMES.bar}.`,
    );
    expect(parts(group, 'bar-')).toHaveLength(2);
    const empty = await make(chart('bar', undefined, { table: { id: 'd', head: ['a', 'b'], rows: [['', '']] } }));
    expect(empty.notes[0]).toContain('nothing to draw yet');
  });

  it('words in a column of numbers are named with their row, and left out', async () => {
    const { group, notes } = await make(chart('bar', 'bird,seen\nheron,3\ncurlew,many\navocet,5'));
    expect(notes).toEqual(['“many” in row 2 of “seen” is not a number. It is left out until it is.']);
    expect(
      parts(group, 'bar-')
        .map((item) => item.made!.part)
        .sort(),
    ).toEqual(['bar-1-1', 'bar-3-1']);
  });
});

describe('axes', () => {
  it('begin and end at a tick, hold all numbers, and have a few ticks', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        fc.integer({ min: 1, max: 1_000_000 }),
        (first, second) => {
          const [low, wide] = [first / 100, second / 100];
          const { ticks, low: from, high: to, place } = axisFor(low, low + wide, 300, 30);
          expect(from).toBeLessThanOrEqual(low + 1e-6);
          expect(to).toBeGreaterThanOrEqual(low + wide - 1e-6);
          expect(ticks.length).toBeGreaterThanOrEqual(2);
          expect(ticks.length).toBeLessThanOrEqual(20);
          expect([place(from), place(to)]).toEqual([0, 300]);
        },
      ),
    );
    expect(axisFor(0, 0, 100, 20).ticks.length).toBeGreaterThan(1);
  });

  it('write numbers with the mark of the table, and large ones in threes', () => {
    expect([said(1234.5, ','), said(-0.1), said(12345), said(0.1 + 0.2)]).toEqual([
      '1234,5',
      '−0.1',
      '12\u202f345',
      '0.3',
    ]);
  });
});

describe('bars', () => {
  it('begin at nothing, whatever the numbers: their heights are as the numbers are', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 1, maxLength: 8 }), async (numbers) => {
        const { group } = await make(chart('bar', `a,b\n${numbers.map((n, i) => `r${i},${n}`).join('\n')}`));
        const heights = numbers.map((_, i) => partOf<'shape'>(group, `bar-${i + 1}-1`).height);
        const tallest = Math.max(...numbers);
        for (const [i, height] of heights.entries())
          expect(Math.abs(height - (Math.max(...heights) * numbers[i]) / tallest)).toBeLessThan(1.01);
        const feet = numbers.map((_, i) => partOf<'shape'>(group, `bar-${i + 1}-1`)).map(({ y, height }) => y + height);
        expect(Math.max(...feet) - Math.min(...feet)).toBeLessThan(0.05);
      }),
      { numRuns: 12 },
    );
  });

  it('hang below zero where numbers do', async () => {
    const { group } = await make(chart('bar', 'day,degrees\nMo,4\nTu,-3'));
    const [up, down] = [1, 2].map((row) => partOf<'shape'>(group, `bar-${row}-1`));
    expect(down.y).toBeCloseTo(up.y + up.height, 1);
    expect(down.height / up.height).toBeCloseTo(0.75, 2);
  });

  it('stand on each other without a gap, and lie when they are asked to', async () => {
    const text = 'bird,spring,autumn\nredshank,14,22\ncurlew,9,17';
    const stacked = (await make(chart('stacked', text))).group;
    const [low, high] = [1, 2].map((s) => partOf<'shape'>(stacked, `bar-1-${s}`));
    expect(high.y + high.height).toBeCloseTo(low.y, 1);
    expect(wordsIn(stacked)).toEqual(expect.arrayContaining(['spring', 'autumn', 'redshank', 'curlew']));
    const lying = (await make(chart('grouped', text, { lying: true }))).group;
    const [one, other] = [1, 2].map((s) => partOf<'shape'>(lying, `bar-1-${s}`));
    expect(one.x).toBeCloseTo(other.x, 1);
    expect(other.width / one.width).toBeCloseTo(22 / 14, 1);
  });

  it('have numbers at an axis, at themselves, or none', async () => {
    const text = 'a,b\nx,7\ny,13';
    expect(wordsIn((await make(chart('bar', text, { values: 'off' }))).group)).not.toContain('13');
    expect(wordsIn((await make(chart('bar', text, { values: 'direct' }))).group)).toEqual(
      expect.arrayContaining(['7', '13']),
    );
    expect(parts((await make(chart('bar', text, { values: 'axis' }))).group, 'ticky').length).toBeGreaterThan(2);
    expect(parts((await make(chart('bar', text, { values: 'direct' }))).group, 'ticky')).toHaveLength(0);
  });
});

describe('other kinds', () => {
  it('a pie’s slices fill the round, each with its share', async () => {
    const { group } = await make(chart('pie', 'a,b\nx,1\ny,1\nz,2', { values: 'both' }));
    const slices = [1, 2, 3].map((row) => partOf<'shape'>(group, `slice-${row}`)) as ShapeItem[];
    const area = ({ width, height, adjust }: ShapeItem) => {
      let twice = 0;
      for (let i = 0; i < adjust.length; i += 2) {
        const [x, y] = [adjust[i] * width, adjust[i + 1] * height];
        const [u, v] = [adjust[(i + 2) % adjust.length] * width, adjust[(i + 3) % adjust.length] * height];
        twice += x * v - u * y;
      }
      return Math.abs(twice) / 2;
    };
    const [x, y, z] = slices.map(area);
    expect(x / y).toBeCloseTo(1, 1);
    expect(z / (x + y)).toBeCloseTo(1, 1);
    expect(new Set(slices.map(({ fill }) => JSON.stringify(fill))).size).toBe(3);
  });

  it('a line runs through its points in the order of time, however the rows stand', async () => {
    const { group } = await make(chart('line', 'year,birds\n1990,5\n1970,2\n1980,9'));
    const way = partOf<'line'>(group, 'way-1-1') as LineItem;
    const xs = [way.from.x, ...way.via.map(({ x }) => x), way.to.x];
    expect([...xs].sort((a, b) => a - b)).toEqual(xs);
    expect(xs).toHaveLength(3);
    const many = Array.from({ length: 150 }, (_, i) => `${i},${i % 7}`).join('\n');
    expect(parts((await make(chart('line', `a,b\n${many}`))).group, 'way-1-').length).toBe(3);
  });

  it('a pictogram has one picture for so many, and says how many', async () => {
    expect([eachFor(9), eachFor(24), eachFor(100), eachFor(5000)]).toEqual([1, 2, 10, 500]);
    const { group } = await make(chart('pictogram', 'a,b\nx,7\ny,4', { each: 2 }));
    expect(parts(group, 'one-1-')).toHaveLength(4);
    expect(parts(group, 'one-2-')).toHaveLength(2);
    expect(wordsIn(group).join()).toContain('= 2, a smaller one');
    const many = await make(chart('pictogram', 'a,b\nx,900\ny,4', { each: 1 }));
    expect(many.notes[0]).toContain('One picture stands for 100');
  });

  it('words along a timeline cover no other', async () => {
    const { group, notes } = await make(chart('timeline'), { width: 620, height: 320 });
    expect(notes).toEqual([]);
    const boxes = parts(group, 'name-') as TextItem[];
    expect(boxes).toHaveLength(5);
    for (const a of boxes) for (const b of boxes) if (a !== b) expect(apart(a, b)).toBe(true);
    const wrong = await make(chart('timeline', 'year,what\n1812,wall\nlong ago,sea\n1990,path'));
    expect(wrong.notes.join()).toContain('“long ago” in row 2 is not a year or a date');
  });

  it('circles hold each word once, in the part it belongs to', async () => {
    const data = dataOf(table('swims,flies,walks\neel,lark,hare\nduck,Duck,duck\nseal,gull,seal'));
    expect(Object.fromEntries(regionsOf(data.columns))).toEqual({
      1: ['eel'],
      2: ['lark', 'gull'],
      4: ['hare'],
      5: ['seal'],
      7: ['duck'],
    });
    const { group } = await make(chart('sets3'), { width: 460, height: 420 });
    expect(wordsIn(group).filter((said) => said.includes('duck'))).toHaveLength(1);
  });

  it('all keep within their frame, at several sizes', async () => {
    for (const kind of CHART_KINDS)
      for (const size of [
        { width: 640, height: 420 },
        { width: 360, height: 300 },
      ]) {
        const { group } = await make(chart(kind), size);
        for (const item of group.items)
          if (item.kind !== 'line') {
            const name = `${kind} ${item.made!.part}`;
            expect(item.x, name).toBeGreaterThan(-size.width * 0.06);
            expect(item.y, name).toBeGreaterThanOrEqual(-0.5);
            expect(item.x + item.width, name).toBeLessThan(size.width * 1.06);
            expect(item.y + item.height, name).toBeLessThan(size.height + 8);
          }
      }
  });
});

describe('any table', () => {
  const cellText = fc.oneof(
    fc.integer({ min: -50, max: 500 }).map(String),
    fc.constantFrom('', 'crab', '3,5', '1.25', '1897', '12 May 1901', '44 BC', '12 %', 'a — b', '0'),
  );
  it('whose rows say nowhere when they were, is drawn with its rows beside each other', async () => {
    const rows = [
      ['100', '0', ''],
      ['', '44 BC', '0'],
    ];
    for (const kind of ['area', 'line'] as const) {
      const { group } = await make(
        chart(kind, undefined, { table: { id: 'd', head: ['a', 'b', 'c'], rows }, task: 'shown' }),
      );
      expect(JSON.stringify(group)).not.toMatch(/null,null|NaN/);
    }
  });
  it('is drawn as what it can feed, or says what is missing; nothing is ever not a number', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(cellText, { minLength: 3, maxLength: 3 }), { maxLength: 7 }),
        fc.constantFrom(...CHART_KINDS),
        fc.constantFrom(...TASKS),
        async (rows, kind, task) => {
          const { group, notes } = await make(
            chart(kind, undefined, { table: { id: 'd', head: ['a', 'b', 'c'], rows }, task }),
          );
          expect(JSON.stringify(group)).not.toMatch(/null,null|NaN/);
          for (const item of group.items)
            if (item.kind !== 'line')
              expect([item.x, item.y, item.width, item.height].every(Number.isFinite)).toBe(true);
          if (group.items.length < 2) expect(notes.length).toBeGreaterThan(0);
          const reason = whyNot(kind, dataOf({ id: 'd', head: ['a', 'b', 'c'], rows }));
          if (reason && nearestKind(kind, dataOf({ id: 'd', head: ['a', 'b', 'c'], rows })))
            expect(notes[0]).toContain(reason);
          expect(MakerState.safeParse(group.maker).success).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('charts for students', () => {
  const copyOf = (group: GroupItem) =>
    givenOut(sheet({ title: '', pages: [page({ id: 'p', items: [group] })] })).pages[0].items[0] as GroupItem;

  it.each<ChartKind>(['line', 'area'])(
    'of kind %s have a gap where a cell is empty, and nothing there that says 0',
    async (kind) => {
      const table = {
        id: 'd',
        head: ['month', 'rain', 'sun'],
        rows: [
          ['Jan', '4', '1'],
          ['Feb', '5', '2'],
          ['Mar', '', '3'],
          ['Apr', '6', '4'],
          ['May', '7', '5'],
        ],
      };
      const { group } = await make(chart(kind, undefined, { table, values: 'both' }));
      const ways = parts(group, 'way-1') as LineItem[];
      expect(ways).toHaveLength(2);
      const ends = ways
        .map(({ from, to }) => [from, to].map((end) => ('x' in end ? end.x : NaN)))
        .sort(([a], [b]) => a - b);
      expect(ends[0][1]).toBeLessThan(ends[1][0]);
      for (const name of ['dot-3-1', 'value-3-1']) expect(parts(group, name)).toEqual([]);
      expect(parts(group, 'dot-3-2')).toHaveLength(1);
    },
  );
  it('of time say days and months, and years before the common era', async () => {
    const ticks = async (rows: string[][], head: string[], kind: ChartKind) => {
      const { group } = await make(chart(kind, undefined, { table: { id: 'd', head, rows }, values: 'axis' }));
      return (parts(group, 'tick') as (TextItem | LineItem)[]).flatMap((item) =>
        item.kind === 'text' ? [bodyText(item.body)] : [],
      );
    };
    const seen = [
      ['9/15/2024', '3'],
      ['9/17/2024', '5'],
      ['10/2/2024', '4'],
    ];
    const days = (await ticks(seen, ['day', 'seen'], 'line')).join();
    expect(days).toMatch(/\d+ Sep/);
    expect(days).toMatch(/Oct/);
    const rulers = [
      ['-44', 'Caesar'],
      ['14', 'Augustus'],
    ];
    expect(await ticks(rulers, ['year', 'what'], 'timeline')).toContain('50 BC');
  });
  it('that are read come with empty boxes; the right numbers stay behind', async () => {
    const { group } = await make(chart('bar', 'a,b\nx,7\ny,1234.5', { task: 'read' }));
    const box = partOf<'text'>(group, 'value-2-1');
    expect([box.blank, box.touch, bodyText(box.body)]).toEqual([true, 'fill', '1234.5']);
    const given = copyOf(group);
    expect(wordsIn(given)).not.toContain('1234.5');
    expect(given.maker).toBeNull();
    expect(wordsIn(given)).toContain('x');
  });

  it('that are made come with the table and an empty plot; the chart itself is the key', async () => {
    for (const kind of ['bar', 'line', 'pie', 'pictogram', 'area'] as const) {
      const { group } = await make(chart(kind, undefined, { task: 'make' }), { width: 520, height: 380 });
      const given = copyOf(group);
      const left = given.items.map((item) => item.id);
      expect(
        left.some((id) => /-(bar|slice|way|ground|one)-\d/.test(id)),
        kind,
      ).toBe(false);
      expect(
        left.some((id) => /-cell-1-1/.test(id)),
        kind,
      ).toBe(true);
      expect(group.items.length).toBeGreaterThan(given.items.length);
    }
  });

  it('that sort words into circles come with the words in a box, in another order', async () => {
    const { group } = await make(chart('sets2', undefined, { task: 'make' }));
    const given = copyOf(group);
    expect(given.items.some((item) => item.id.includes('region-'))).toBe(false);
    expect(wordsIn(given).some((said) => said.includes('·') && said.includes('shore crab'))).toBe(true);
  });
});

describe('a chart and its table', () => {
  it('colours stand apart from paper, and each from the next', () => {
    const colours = chartColours(DEFAULT_PALETTE);
    expect(colours.length).toBeGreaterThan(3);
    for (const hex of colours) expect(contrastOf(hex, '#fffefa')).toBeGreaterThan(2.3);
    expect(chartColours([])).toHaveLength(4);
  });

  it('a bar keeps a colour that it was given by hand when the numbers change', async () => {
    const first = await make(chart('bar', 'a,b\nx,7\ny,4'));
    const red = { kind: 'solid' as const, colour: '#b0442a', opacity: 1 };
    const changed = withPart(first.group, 'bar-2-1', { fill: red });
    const { group } = await again(
      { group: changed, state: { kind: 'chart', recipe: chart('bar', 'a,b\nx,7\ny,14'), seed: 1 } },
      kit,
    );
    expect(partOf<'shape'>(group, 'bar-2-1').fill).toEqual(red);
    expect(partOf<'shape'>(group, 'bar-2-1').height).toBeGreaterThan(partOf<'shape'>(group, 'bar-1-1').height);
  });
});
