import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { group, ink, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Page, Sheet } from '../schema/sheet';
import type { Paint } from '../values/primitives';
import { begun, contradictionOf, count, lookFor, resultForStudent, sentenceOf, titled } from './all';
import type { LookForOf } from './all';
import type { Each } from './each';
import type { Together } from './together';

/** Look-fors about things: for each condition a piece that holds, one that nearly holds, one that misses, and one that cheats. */

const area = shape({ id: 'area', x: 300, y: 300, width: 200, height: 150, fill: null });
const handed = (items: Item[] = [], of: Partial<Page> = {}): Sheet =>
  sheet({ title: 'S', pages: [page({ id: 'p', width: 595, height: 842, ...of, items: [...items, area] })] });
const context = (handedOut = handed()) => ({ handedOut, studentName: 'Ayo Bankole' });
const things = (settings: Partial<LookForOf<'items'>>) =>
  lookFor({ kind: 'items', id: 'i', item: 'shape', min: 1, made: false, ...settings }) as LookForOf<'items'>;
const counted = (settings: Partial<LookForOf<'items'>>, items: Item[], of: Partial<Page> = {}) =>
  count(things(settings), handed(items, of), context(handed([], of)));

const RED = solid('#c0392b');
const gradient = (a: string, b: string): Paint => ({
  kind: 'linear',
  angle: 0,
  stops: [
    { offset: 0, colour: a, opacity: 1 },
    { offset: 1, colour: b, opacity: 1 },
  ],
});
const at = (values: Parameters<typeof shape>[0] extends infer G ? Partial<G> : never = {}, id = 's') =>
  shape({ id, x: 20, y: 20, width: 60, height: 40, ...values });

test('what a page made elsewhere shows is no picture on it; what is put on such a page counts', () => {
  const scan = picture({ id: 'scan', picture: 'own/a', touch: 'free', width: 595, height: 842 });
  const brought = { picture: 'scan', file: 'f', name: 'work.pdf', number: 1, of: 1 };
  const found = (items: Item[]) => {
    const on = { ...handed(), pages: [...handed().pages, page({ id: 'w', width: 595, height: 842, brought, items })] };
    return count(things({ item: 'picture' }), on, context()).got;
  };
  expect(found([scan])).toBe(0);
  const crab = picture({ id: 'crab', picture: 'flat/crab', touch: 'free', x: 20, y: 20, width: 60, height: 60 });
  expect(found([crab, scan])).toBe(1);
});

describe('each thing', () => {
  type Case = [condition: Each, what: string, items: Item[], got: number, item?: LookForOf<'items'>['item']];
  const words = (said: string, values: object = {}) => at({ body: plain(said), ...values });
  const CASES: Case[] = [
    [{ is: 'hollow' }, 'no fill', [at({ fill: null })], 1],
    [{ is: 'hollow' }, 'a fill that is all but invisible', [at({ fill: solid('#ff0000', 0.05) })], 1],
    [{ is: 'hollow' }, 'a faint fill', [at({ fill: solid('#ff0000', 0.3) })], 0],
    [{ is: 'hollow' }, 'a white fill that only looks hollow', [at({ fill: solid('#ffffff') })], 0],
    [{ is: 'hollow', not: true }, 'a fill', [at({ fill: RED })], 1],
    [{ is: 'one-colour' }, 'a fill', [at({ fill: RED })], 1],
    [{ is: 'one-colour' }, 'a gradient', [at({ fill: gradient('#c0392b', '#f1c40f') })], 0],
    [{ is: 'gradient' }, 'two colours', [at({ fill: gradient('#c0392b', '#f1c40f') })], 1],
    [{ is: 'gradient' }, 'two colours that nobody tells apart', [at({ fill: gradient('#c0392b', '#c0392c') })], 0],
    [{ is: 'gradient' }, 'one colour', [at({ fill: RED })], 0],
    [{ is: 'see-through' }, 'half of its fill', [at({ fill: solid('#c0392b', 0.5) })], 1],
    [{ is: 'see-through' }, 'half of all of it', [at({ opacity: 0.5 })], 1],
    [
      { is: 'see-through' },
      'in a see-through group',
      [group({ id: 'g', width: 300, height: 300, opacity: 0.5, items: [at(), at({ x: 120 }, 't')] })],
      2,
    ],
    [{ is: 'see-through' }, 'hardly', [at({ opacity: 0.97 })], 0],
    [{ is: 'see-through' }, 'hollow: there is nothing to see through', [at({ fill: null })], 0],
    [{ is: 'see-through' }, 'so much that it is not seen', [at({ opacity: 0.03 })], 0],
    [{ is: 'filled', colour: 'red' }, 'red', [at({ fill: RED })], 1],
    [{ is: 'filled', colour: 'red' }, 'dark red', [at({ fill: solid('#5a0d0d') })], 1],
    [{ is: 'filled', colour: 'red' }, 'orange', [at({ fill: solid('#f39c12') })], 0],
    [
      { is: 'filled', colour: 'red' },
      'a red outline only',
      [at({ fill: null, outline: { colour: '#c0392b', width: 2, dash: 'solid' } })],
      0,
    ],
    [{ is: 'outlined' }, 'an outline', [at()], 1],
    [{ is: 'outlined', not: true }, 'none', [at({ outline: null })], 1],
    [
      { is: 'stands-out', least: '3' },
      'dark on light',
      [at({ fill: solid('#ffffff'), outline: { colour: '#1d1b16', width: 1, dash: 'solid' } })],
      1,
    ],
    [
      { is: 'stands-out', least: '3' },
      'a little darker only',
      [at({ fill: solid('#9ab87a'), outline: { colour: '#7f9d63', width: 1, dash: 'solid' } })],
      0,
    ],
    [
      { is: 'stands-out', least: '1.5' },
      'a little, where that is enough',
      [at({ fill: solid('#dfe8d0'), outline: { colour: '#7f9d63', width: 1, dash: 'solid' } })],
      1,
    ],
    [
      { is: 'stands-out', least: '3' },
      'the colour of the fill',
      [at({ fill: RED, outline: { colour: '#c0392b', width: 9, dash: 'solid' } })],
      0,
    ],
    [{ is: 'stands-out', least: '3' }, 'no outline', [at({ fill: RED, outline: null })], 0],
    [
      { is: 'stands-out', least: '3' },
      'hollow, white on the white page',
      [at({ fill: null, outline: { colour: '#fefefe', width: 3, dash: 'solid' } })],
      0,
    ],
    [{ is: 'weight', least: 3 }, 'just so', [at({ outline: { colour: '#000000', width: 3, dash: 'solid' } })], 1],
    [{ is: 'weight', least: 3 }, 'thinner', [at({ outline: { colour: '#000000', width: 2.5, dash: 'solid' } })], 0],
    [{ is: 'dashed' }, 'dots', [at({ outline: { colour: '#000000', width: 1, dash: 'dotted' } })], 1],
    [{ is: 'dashed' }, 'a solid line', [at()], 0],
    [
      { is: 'arrow' },
      'an arrow',
      [line({ id: 'l', endCap: 'arrow', to: { x: 90, y: 90, item: null, target: null, side: null } })],
      1,
      'line',
    ],
    [{ is: 'arrow' }, 'a dot', [line({ id: 'l', endCap: 'dot' })], 0, 'line'],
    [
      { is: 'joins' },
      'two things',
      [
        line({
          id: 'l',
          from: { x: 0, y: 0, item: 's', target: null, side: null },
          to: { x: 400, y: 400, item: 'area', target: null, side: null },
        }),
        at(),
      ],
      1,
      'line',
    ],
    [
      { is: 'joins' },
      'one thing',
      [line({ id: 'l', from: { x: 0, y: 0, item: 's', target: null, side: null } }), at()],
      0,
      'line',
    ],
    [
      { is: 'joins' },
      'a thing and itself',
      [
        line({
          id: 'l',
          from: { x: 0, y: 0, item: 's', target: null, side: null },
          to: { x: 60, y: 40, item: 's', target: null, side: null },
        }),
        at(),
      ],
      0,
      'line',
    ],
    [
      { is: 'joins' },
      'a thing that is gone',
      [
        line({
          id: 'l',
          from: { x: 0, y: 0, item: 's', target: null, side: null },
          to: { x: 400, y: 400, item: 'gone', target: null, side: null },
        }),
        at(),
      ],
      0,
      'line',
    ],
    [{ is: 'rotated' }, 'a quarter', [at({ angle: 90 })], 1],
    [
      { is: 'rotated' },
      'by its group',
      [group({ id: 'g', x: 100, y: 100, width: 200, height: 200, angle: 30, items: [at()] })],
      1,
    ],
    [{ is: 'rotated' }, 'all the way round', [at({ angle: 360 })], 0],
    [{ is: 'rotated' }, 'by a hair', [at({ angle: 0.4 })], 0],
    [{ is: 'flipped' }, 'across', [at({ flipX: true })], 1],
    [
      { is: 'flipped' },
      'twice, by itself and by its group',
      [group({ id: 'g', width: 200, height: 200, flipX: true, items: [at({ flipX: true })] })],
      0,
    ],
    [
      { is: 'grouped' },
      'with another',
      [group({ id: 'g', width: 300, height: 300, items: [at(), at({ x: 120 }, 't')] })],
      2,
    ],
    [{ is: 'grouped' }, 'alone in a group', [group({ id: 'g', width: 300, height: 300, items: [at()] })], 0],
    [{ is: 'inside', area: 'area' }, 'all of it', [at({ x: 320, y: 320 })], 1],
    [{ is: 'inside', area: 'area' }, 'half of it', [at({ x: 280, y: 320 })], 0],
    [{ is: 'inside', area: 'area' }, 'elsewhere', [at()], 0],
    [{ is: 'inside', area: 'gone' }, 'an area that is gone', [at()], 0],
    [{ is: 'outside', area: 'area' }, 'elsewhere', [at()], 1],
    [{ is: 'outside', area: 'area' }, 'partly inside', [at({ x: 280, y: 320 })], 0],
    [{ is: 'in-front', area: 'area' }, 'over it', [at({ x: 320, y: 320 })], 1],
    [{ is: 'in-front', area: 'area' }, 'in front in the stack, but beside it', [at()], 0],
    [{ is: 'on-page' }, 'all of it', [at()], 1],
    [{ is: 'on-page' }, 'cut off at the edge', [at({ x: -10 })], 0],
    [{ is: 'margins' }, 'away from the edges', [at({ x: 100, y: 100 })], 1],
    [{ is: 'margins' }, 'on the page, too near to its edge', [at({ x: 2, y: 100 })], 0],
    [{ is: 'written' }, 'words', [words('egg')], 1],
    [{ is: 'written' }, 'spaces and dots', [words(' … ')], 0],
    [{ is: 'named' }, 'the first name', [words('ayo')], 1],
    [{ is: 'named' }, 'somebody else’s', [words('Bea')], 0],
    [{ is: 'named' }, 'letters of it', [words('Ay')], 0],
    [
      { is: 'centred' },
      'in its middle',
      [at({ body: [{ format: { align: 'centre' }, runs: [{ text: 'Ayo', style: {} }] }] })],
      1,
    ],
    [
      { is: 'centred' },
      'at its top',
      [at({ vertical: 'top', body: [{ format: { align: 'centre' }, runs: [{ text: 'Ayo', style: {} }] }] })],
      0,
    ],
    [
      { is: 'centred' },
      'one line of two',
      [
        at({
          body: [
            { format: { align: 'centre' }, runs: [{ text: 'Ayo', style: {} }] },
            { format: { align: 'left' }, runs: [{ text: 'B', style: {} }] },
          ],
        }),
      ],
      0,
    ],
    [{ is: 'centred' }, 'nothing', [at({ body: plain('') })], 0],
  ];
  test.each(CASES)('%j: %s', (condition, _what, items, got, item) => {
    expect(counted({ each: [condition], ...(item && { item }) }, items, { margin: 36 }).got).toBe(got);
  });

  const box = (x: number, y: number, align: 'centre' | 'left' = 'centre') =>
    text({ id: 't', x, y, width: 80, height: 20, body: [{ format: { align }, runs: [{ text: 'Ayo', style: {} }] }] });
  test.each<[what: string, items: Item[], got: number]>([
    ['in the middle of the shape around it', [box(360, 365)], 1],
    ['a little off', [box(364, 368)], 1],
    ['in its corner', [box(302, 302)], 0],
    ['with its words at the left of a box in the middle', [box(360, 365, 'left')], 0],
    ['in no shape at all', [box(20, 20)], 0],
  ])('a name centred in a box: %s', (_, items, got) => {
    expect(counted({ item: 'text', each: [{ is: 'named' }, { is: 'centred' }] }, items).got).toBe(got);
  });

  test('pictures are told by what they show and by their credit', () => {
    const drawn = {
      id: 'birds/egret',
      name: 'Little egret',
      width: 1,
      height: 1,
      paths: [],
      targets: [],
      licence: '',
      credit: '',
    };
    const pictures = (id: string) => (id === drawn.id ? drawn : undefined);
    const piece = handed([
      picture({ id: 'a', picture: drawn.id }),
      picture({ id: 'b', picture: 'own/x', x: 200, credit: 'Me' }),
    ]);
    const of = (condition: Each) =>
      count(things({ item: 'picture', each: [condition] }), piece, { ...context(), pictures }).evidence.flatMap(
        ({ items }) => items,
      );
    expect(of({ is: 'of-what', words: ['heron', 'Egrets'].slice(0, 1) })).toEqual([]);
    expect(of({ is: 'of-what', words: ['heron', 'egret'] })).toEqual(['a']);
    expect(of({ is: 'of-what', words: ['gre'] })).toEqual([]);
    expect(of({ is: 'credited' })).toEqual(['b']);
    expect(of({ is: 'credited', not: true })).toEqual(['a']);
  });

  test('a condition and its contrary divide all things between them', () => {
    const fill = fc.constantFrom<Paint | null>(
      null,
      RED,
      solid('#3498db', 0.5),
      gradient('#000000', '#ffffff'),
      gradient('#111111', '#111111'),
    );
    const some = fc.array(
      fc.record({ fill, angle: fc.constantFrom(0, 45), flipX: fc.boolean(), opacity: fc.constantFrom(1, 0.5) }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(
        some,
        fc.constantFrom<Each['is']>(
          'hollow',
          'gradient',
          'see-through',
          'rotated',
          'flipped',
          'outlined',
          'grouped',
          'written',
        ),
        (all, is) => {
          const items = all.map((values, i) => at({ ...values, x: 20 + 70 * i }, `s${i}`));
          const got = (condition: Each) => counted({ each: [condition] }, items).got;
          expect(got({ is } as Each) + got({ is, not: true } as Each)).toBe(items.length);
        },
      ),
    );
  });
});

describe('all together', () => {
  const row = (fills: (Paint | null)[], values: (i: number) => Partial<Parameters<typeof shape>[0]> = () => ({})) =>
    fills.map((fill, i) => at({ fill, x: 20 + 80 * i, ...values(i) }, `s${i}`));
  const [BLUE, GREEN, YELLOW] = [solid('#2980b9'), solid('#27ae60'), solid('#f1c40f')];
  const asks = (together: Together, items: Item[], min = 3) => {
    const { held, got, need } = counted({ min, together: [together] }, items);
    return { held, got, need };
  };
  test.each<[what: string, fills: (Paint | null)[], held: boolean, got: number, need: number]>([
    ['all different', [RED, BLUE, GREEN], true, 3, 3],
    ['two alike of four', [RED, BLUE, GREEN, RED], false, 3, 4],
    ['two reds that nobody tells apart', [RED, solid('#c0392c'), BLUE], false, 2, 3],
    ['too few', [RED, BLUE], false, 2, 3],
    ['a hollow one does not count as another fill', [RED, BLUE, null], false, 2, 3],
    ['but stands in nobody’s way', [RED, BLUE, GREEN, null, null], true, 3, 3],
    ['half see-through is another fill', [RED, BLUE, solid('#c0392b', 0.5)], true, 3, 3],
    ['a gradient of two like colours is its first one', [RED, BLUE, gradient('#c0392b', '#c0392b')], false, 2, 3],
  ])('different fills: %s', (_, fills, held, got, need) =>
    expect(asks({ is: 'different', in: 'fill' }, row(fills))).toEqual({ held, got, need }),
  );
  test('the same fill', () => {
    expect(asks({ is: 'same', in: 'fill' }, row([RED, RED, RED])).held).toBe(true);
    expect(asks({ is: 'same', in: 'fill' }, row([RED, RED, BLUE]))).toEqual({ held: false, got: 2, need: 3 });
    expect(asks({ is: 'same', in: 'fill' }, row([RED, RED, null])).held).toBe(false);
  });
  test('sizes, weights, outline colours, kinds and words', () => {
    const sized = (widths: number[]) =>
      row(
        widths.map(() => RED),
        (i) => ({ width: widths[i], y: 20 + 60 * i }),
      );
    expect(asks({ is: 'same', in: 'size' }, sized([60, 61, 60])).held).toBe(true);
    expect(asks({ is: 'same', in: 'size' }, sized([60, 61, 70])).held).toBe(false);
    expect(asks({ is: 'different', in: 'size' }, sized([60, 40, 70])).held).toBe(true);
    // Rotated, a thing keeps its size.
    expect(
      asks(
        { is: 'same', in: 'size' },
        row([RED, RED, RED], (i) => ({ angle: 45 * i })),
      ).held,
    ).toBe(true);
    const lined = (i: number) => ({
      outline: { colour: ['#000000', '#c0392b', '#2980b9'][i], width: [1, 2, 4][i], dash: 'solid' as const },
    });
    expect(asks({ is: 'different', in: 'weight' }, row([RED, RED, RED], lined)).held).toBe(true);
    expect(asks({ is: 'different', in: 'outline' }, row([RED, RED, RED], lined)).held).toBe(true);
    expect(asks({ is: 'same', in: 'weight' }, row([RED, RED, RED], lined)).held).toBe(false);
    const kinds = (i: number) => ({ shape: (['rectangle', 'ellipse', 'star'] as const)[i] ?? 'rectangle' });
    expect(asks({ is: 'different', in: 'kind' }, row([RED, RED, RED], kinds as never)).held).toBe(true);
    const said = (list: string[]) => (i: number) => ({ body: plain(list[i]) });
    expect(asks({ is: 'different', in: 'words' }, row([RED, RED, RED], said(['egg', 'chick', 'bird']))).held).toBe(
      true,
    );
    expect(asks({ is: 'different', in: 'words' }, row([RED, RED, RED], said(['egg', 'Egg!', 'bird']))).held).toBe(
      false,
    );
  });
  test('in a row, in a column, evenly spaced', () => {
    const tops = (list: number[]) =>
      row(
        list.map(() => RED),
        (i) => ({ y: list[i] }),
      );
    expect(asks({ is: 'row' }, tops([50, 51, 50])).held).toBe(true);
    expect(asks({ is: 'row' }, tops([50, 51, 80]))).toEqual({ held: false, got: 2, need: 3 });
    // Of other heights, but with their middles in line.
    expect(
      asks(
        { is: 'row' },
        row([RED, RED, RED], (i) => ({ height: 20 + 20 * i, y: 100 - 10 * i })),
      ).held,
    ).toBe(true);
    expect(
      asks(
        { is: 'column' },
        row([RED, RED, RED], (i) => ({ x: 20, y: 60 * i })),
      ).held,
    ).toBe(true);
    const gaps = (list: number[]) =>
      row(
        list.map(() => RED),
        (i) => ({ x: list[i] }),
      );
    expect(asks({ is: 'evenly' }, gaps([20, 120, 220])).held).toBe(true);
    expect(asks({ is: 'evenly' }, gaps([20, 120, 250])).held).toBe(false);
    expect(asks({ is: 'evenly' }, gaps([20, 120]), 2).held).toBe(false);
  });
  test('all in one group', () => {
    const [a, b, c] = row([RED, BLUE, GREEN]);
    const grouped = (...items: Item[]) => group({ id: 'g', width: 400, height: 200, items });
    expect(asks({ is: 'group' }, [grouped(a, b, c)]).held).toBe(true);
    expect(asks({ is: 'group' }, [grouped(group({ id: 'h', width: 300, height: 100, items: [a, b] }), c)]).held).toBe(
      true,
    );
    expect(asks({ is: 'group' }, [grouped(a, b), c])).toEqual({ held: false, got: 2, need: 3 });
    expect(asks({ is: 'group' }, [a, b, c])).toEqual({ held: false, got: 0, need: 3 });
  });
  test('what is evidence says why it does not fit', () => {
    const { evidence } = counted({ min: 2, together: [{ is: 'different', in: 'fill' }] }, row([RED, RED, YELLOW]));
    expect(evidence.map(({ verdict, said }) => `${verdict} ${said}`)).toEqual([
      'right rectangle',
      'wrong rectangle: the same fill as another',
      'right rectangle',
    ]);
  });
  test('the order in which things stand changes no count', () => {
    const some = fc.array(fc.constantFrom<Paint | null>(null, RED, BLUE, GREEN), { minLength: 1, maxLength: 7 });
    const asked = fc.constantFrom<Together>(
      { is: 'different', in: 'fill' },
      { is: 'same', in: 'fill' },
      { is: 'row' },
      { is: 'evenly' },
    );
    fc.assert(
      fc.property(some, asked, (fills, together) => {
        const items = row(fills);
        const { held, got } = asks(together, items);
        expect(asks(together, items.toReversed())).toMatchObject({ held, got });
      }),
    );
  });
});

describe('how many', () => {
  const some = (n: number, fill: Paint | null = RED) =>
    Array.from({ length: n }, (_, i) => at({ fill, x: 10 + 70 * i }, `s${i}`));
  test.each<[how: LookForOf<'items'>['how'], min: number, there: number, held: boolean]>([
    ['least', 3, 3, true],
    ['least', 3, 2, false],
    ['exactly', 3, 3, true],
    ['exactly', 3, 4, false],
    ['exactly', 3, 2, false],
    ['most', 3, 3, true],
    ['most', 3, 0, true],
    ['most', 3, 4, false],
    ['every', 2, 3, true],
    ['every', 2, 1, false],
  ])('%s %i of %i: %s', (how, min, there, held) => expect(counted({ how, min }, some(there)).held).toBe(held));
  test('all of them have to be so, and one that is not is pointed out', () => {
    const { held, evidence } = counted({ how: 'every', each: [{ is: 'hollow' }] }, [
      at({ fill: null }),
      at({ x: 200 }, 'b'),
    ]);
    expect(held).toBe(false);
    expect(evidence.find(({ items }) => items[0] === 'b')).toMatchObject({
      verdict: 'wrong',
      said: 'rectangle: not hollow',
    });
  });
  test('shapes of one kind are told from the others', () =>
    expect(counted({ shape: 'ellipse' }, [at({ shape: 'ellipse' }), at({ x: 200 }, 'b')]).got).toBe(1));
  test('things of every kind, but groups by their parts', () => {
    const all = [
      at(),
      text({ id: 't', x: 200, body: plain('egg') }),
      ink({ id: 'i', x: 300, y: 20, points: [0, 0, 1, 1, 1, 1] }),
    ];
    expect(counted({ item: 'thing' }, [group({ id: 'g', width: 500, height: 200, items: all })]).got).toBe(3);
    expect(counted({ item: 'group' }, [group({ id: 'g', width: 500, height: 200, items: all })]).got).toBe(1);
    expect(counted({ item: 'ink' }, all).got).toBe(1);
  });
});

test('a student who is told only what is there is not told whether it fits', () => {
  const told = (items: Item[]) =>
    resultForStudent(
      { ...things({ min: 3, together: [{ is: 'different', in: 'fill' }] }), tell: 'filled' },
      counted({ min: 3, together: [{ is: 'different', in: 'fill' }] }, items),
    );
  const alike = [0, 1, 2].map((i) => at({ fill: RED, x: 20 + 80 * i }, `s${i}`));
  expect(told(alike.slice(0, 1))).toMatchObject({ held: false, got: 1, need: 3 });
  expect(told(alike)).toMatchObject({ held: true, got: 3, need: 3 });
  expect(JSON.stringify(told(alike))).not.toContain('the same fill');
});

describe('what does not count', () => {
  const made = (items: Item[]) =>
    group({ id: 'm', width: 300, height: 200, items, maker: { kind: 'map', recipe: {}, seed: 1 } as never });
  test('parts of what a maker made, unless asked for', () => {
    expect(counted({}, [made([at()])]).got).toBe(0);
    expect(counted({ made: true }, [made([at()])]).got).toBe(1);
    expect(counted({ item: 'group' }, [made([at()])]).got).toBe(0);
  });
  test.each<[what: string, over: Item, got: number]>([
    ['under a larger one', at({ x: 10, y: 10, width: 90, height: 80 }, 'o'), 1],
    ['under a see-through one', at({ x: 10, y: 10, width: 90, height: 80, opacity: 0.6 }, 'o'), 2],
    ['under a hollow one', at({ x: 10, y: 10, width: 90, height: 80, fill: null }, 'o'), 2],
    ['partly under another', at({ x: 40, y: 10, width: 90, height: 80 }, 'o'), 2],
    ['in the open corners of a star', at({ x: 10, y: 10, width: 80, height: 60, shape: 'star' }, 'o'), 2],
  ])('what lies %s', (_, over, got) => expect(counted({}, [over, at()]).got).toBe(got));
  test('what was handed out, unless it may be changed and was', () => {
    const given = [
      at({ touch: 'fill', fill: null }),
      at({ touch: 'fill', fill: null, x: 120 }, 'b'),
      at({ x: 220 }, 'fixed'),
    ];
    const coloured = given.map((item, i) => (i === 0 ? { ...item, fill: RED } : item));
    const of = (settings: Partial<LookForOf<'items'>>, piece: Item[]) =>
      count(things({ whose: 'open', ...settings }), handed(piece), context(handed(given)));
    expect(of({}, given).got).toBe(0);
    expect(of({}, coloured).got).toBe(1);
    expect(of({ how: 'every', min: 2, each: [{ is: 'hollow', not: true }] }, coloured)).toMatchObject({
      got: 1,
      need: 2,
      held: false,
    });
    expect(of({ whose: 'added' }, coloured).got).toBe(0);
  });
});

describe('a page of shapes with a dozen conditions', () => {
  const dark = { colour: '#1d1b16', width: 2, dash: 'solid' as const };
  const fills = ['#f9e79f', '#aed6f1', '#a9dfbf', '#f5b7b1', '#d7bde2'].map((hex) => solid(hex));
  const name = text({
    id: 'n',
    x: 330,
    y: 365,
    width: 140,
    height: 20,
    body: [{ format: { align: 'centre' }, runs: [{ text: 'Ayo B.', style: {} }] }],
  });
  const filled = fills.map((fill, i) => at({ fill, outline: dark, x: 20 + 70 * i, width: 60 }, `f${i}`));
  const hollow = [0, 1].map((i) =>
    at({ fill: null, outline: dark, shape: 'ellipse', x: 20 + 70 * i, y: 100 }, `h${i}`),
  );
  const glass = at({ fill: solid('#1abc9c', 0.5), outline: dark, x: 300, y: 100, angle: 20 }, 'glass');
  const holds = [group({ id: 'g', width: 595, height: 200, items: [...filled, ...hollow, glass] }), name];
  const asked = [
    things({ min: 8 }),
    things({ min: 5, together: [{ is: 'different', in: 'fill' }] }),
    things({ min: 2, each: [{ is: 'hollow' }] }),
    things({ how: 'exactly', min: 1, each: [{ is: 'see-through' }] }),
    things({ how: 'every', min: 8, each: [{ is: 'stands-out', least: '3' }] }),
    things({ how: 'every', min: 8, together: [{ is: 'group' }] }),
    things({ min: 2, shape: 'ellipse' }),
    things({ min: 1, each: [{ is: 'rotated' }] }),
    things({ how: 'every', each: [{ is: 'on-page' }] }),
    things({
      min: 5,
      each: [
        { is: 'hollow', not: true },
        { is: 'weight', least: 2 },
      ],
      together: [{ is: 'same', in: 'weight' }],
    }),
    things({ item: 'text', each: [{ is: 'named' }, { is: 'centred' }] }),
    things({ how: 'most', min: 2, item: 'text' }),
  ].map((one, i) => ({ ...one, id: `c${i}` }));
  const missedOn = (items: Item[]) => asked.flatMap((one, i) => (count(one, handed(items), context()).held ? [] : [i]));
  const [all] = holds as [ReturnType<typeof group>, Item];
  const but = (change: (item: Item) => Item): Item[] => [{ ...all, items: all.items.map(change) }, name];
  const only = (id: string, values: object) =>
    but((item) => (item.id === id ? ({ ...item, ...values } as Item) : item));

  test.each<[what: string, items: Item[], missed: number[]]>([
    ['holds', holds, []],
    ['nearly holds: two fills alike', only('f1', { fill: fills[0] }), [1]],
    ['nearly holds: one outline hardly stands out', only('f0', { outline: { ...dark, colour: '#e6d38a' } }), [4]],
    ['nearly holds: one left out of the group', [{ ...all, items: all.items.slice(1) }, all.items[0], name], [5]],
    ['nearly holds: the name beside the middle', [all, { ...name, y: 420 }], [10]],
    ['nearly holds: another one is see-through, too', only('f2', { opacity: 0.5 }), [3]],
    ['misses: nothing was done', [], [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]],
    [
      'cheats: all on one spot',
      but((item) => ({ ...item, x: 20, y: 20, width: 60, height: 40, angle: 0 }) as Item),
      [0, 1, 2, 3, 4, 5, 6, 7, 9],
    ],
    [
      'cheats: white instead of hollow',
      but((item) => (item.kind === 'shape' && item.fill === null ? { ...item, fill: solid('#ffffff') } : item)),
      [1, 2],
    ],
    ['cheats: off the page', but((item) => ({ ...item, x: -900 }) as Item), [0, 1, 2, 3, 4, 5, 6, 7, 8, 9]],
  ])('%s', (_, items, missed) => expect(missedOn(items)).toEqual(missed));
});

describe('the sentence', () => {
  const on = handed([at({ touch: 'fill' })]);
  const start = begun('items', on, 'new') as LookForOf<'items'>;
  /** What choosing something in the slot of this label makes of it. */
  const choose = (from: LookForOf<'items'>, label: string, value: unknown, nth = 0): LookForOf<'items'> => {
    const slots = sentenceOf(from, on).flatMap((part) =>
      typeof part === 'object' && 'slot' in part && part.label === label ? [part] : [],
    );
    return titled({ ...from, ...(slots[nth].set as (value: unknown) => object)(value) } as LookForOf<'items'>, on);
  };
  test('is the title, and follows what is chosen until somebody writes one', () => {
    let now = choose(choose(start, 'How many', 5), 'Of what', 'shape');
    expect(now.title).toBe('At least 5 shapes');
    now = choose(now, 'Add a condition', 'different');
    expect(now.title).toBe('At least 5 shapes, all with different fills');
    now = choose(choose(now, 'Add a condition', 'not hollow'), 'In what', 'size');
    expect(now.title).toBe('At least 5 shapes, each with a fill, all with different sizes');
    expect(choose(now, 'Condition for each', '').title).toBe('At least 5 shapes, all with different sizes');
    const own = { ...now, follows: undefined, title: 'Mine' };
    expect(choose(own, 'How many', 9).title).toBe('Mine');
  });
  test('of one thing it is in the singular, of shapes by their names', () => {
    expect(choose(choose(start, 'How many', 1), 'Of what', 'shape leaf').title).toBe('At least 1 leaf');
    expect(choose(start, 'Of what', 'shape leaf').title).toBe('At least 3 leaves');
    expect(choose(start, 'Of what', 'shape cross').title).toBe('At least 3 crosses');
    expect(choose(choose(start, 'Of what', 'shape'), 'At least, exactly, at most or all', 'every').title).toBe(
      'All shapes, at least 3',
    );
  });
  test('of another kind of thing it keeps only the conditions that fit', () => {
    const now = choose(
      choose(choose(start, 'Of what', 'shape'), 'Add a condition', 'hollow'),
      'Add a condition',
      'rotated',
    );
    expect(choose(now, 'Of what', 'picture').each).toEqual([{ is: 'rotated' }]);
  });
  test.each<[what: string, settings: Partial<LookForOf<'items'>>]>([
    ['hollow and filled with red', { each: [{ is: 'hollow' }, { is: 'filled', colour: 'red' }] }],
    [
      'red and blue at once',
      {
        each: [
          { is: 'filled', colour: 'red' },
          { is: 'filled', colour: 'blue' },
        ],
      },
    ],
    ['with and without a gradient', { each: [{ is: 'gradient' }, { is: 'gradient', not: true }] }],
    [
      'inside and outside of one area',
      {
        each: [
          { is: 'inside', area: 'area' },
          { is: 'outside', area: 'area' },
        ],
      },
    ],
    ['one thing that is unlike itself', { min: 1, together: [{ is: 'different', in: 'fill' }] }],
    ['two things evenly spaced', { min: 2, together: [{ is: 'evenly' }] }],
    [
      'the same and different sizes',
      {
        min: 3,
        together: [
          { is: 'same', in: 'size' },
          { is: 'different', in: 'size' },
        ],
      },
    ],
    [
      'different fills of hollow things',
      { min: 3, each: [{ is: 'hollow' }], together: [{ is: 'different', in: 'fill' }] },
    ],
    ['pictures of nothing', { item: 'picture', each: [{ is: 'of-what', words: [] }] }],
  ])('says that it contradicts itself: %s', (_, settings) =>
    expect(contradictionOf(things(settings), on)).toMatch(/\w/),
  );
  test('whatever is chosen can be stored, and what does not contradict itself can be met by something', () => {
    const option = fc.nat();
    fc.assert(
      fc.property(fc.array(fc.tuple(option, option), { maxLength: 8 }), (steps) => {
        let now = start;
        for (const [which, what] of steps) {
          const slots = sentenceOf(now, on).flatMap((part) =>
            typeof part === 'object' && 'slot' in part && part.slot === 'choice' ? [part] : [],
          );
          const slot = slots[which % slots.length];
          now = titled(
            { ...now, ...slot.set(slot.options[what % slot.options.length].value) } as LookForOf<'items'>,
            on,
          );
        }
        if (now.each.length <= 8 && now.together.length <= 4) expect(lookFor(now as never)).toEqual(now);
        expect(now.title).toMatch(/^[A-Z]/);
        expect(() => count(now, on, context(on))).not.toThrow();
      }),
    );
  });
});
