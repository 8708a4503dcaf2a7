import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { group, held, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, PictureItem, Sheet } from '../schema/sheet';
import type { Kind } from './compare';
import { compare, differenceWords, rewording } from './compare';

/** The edits that were made are the edits that are found, and nothing else. */

const items = (): Item[] => [
  text({ id: 'a', x: 40, y: 40, body: plain('egg') }),
  shape({ id: 'b', x: 200, y: 40 }),
  shape({ id: 'c', x: 360, y: 40, shape: 'ellipse' }),
  line({ id: 'l', from: held('b'), to: held('c') }),
  line({
    id: 'm',
    from: { x: 10, y: 300, item: null, target: null, side: null },
    to: { x: 90, y: 300, item: null, target: null, side: null },
  }),
  group({
    id: 'g',
    x: 40,
    y: 400,
    width: 200,
    height: 100,
    items: [shape({ id: 'd' }), text({ id: 'e', x: 120, body: plain('nest') })],
  }),
];
const base = sheet({ title: 'S', pages: [page({ id: 'p', items: items() })] });

const set =
  (id: string, values: (item: never) => object) =>
  (from: Sheet): Sheet => {
    const map = (list: readonly Item[]): Item[] =>
      list.map((item) => {
        if (item.id === id) return { ...item, ...values(item as never) } as Item;
        return item.kind === 'group' ? { ...item, items: map(item.items) } : item;
      });
    return { ...from, pages: from.pages.map((one) => ({ ...one, items: map(one.items) })) };
  };
const onList =
  (change: (list: Item[]) => Item[]) =>
  (from: Sheet): Sheet => ({
    ...from,
    pages: from.pages.map((one) => ({ ...one, items: change([...one.items]) })),
  });

/** An edit, and what it is called; each is about a thing of its own, so that any number of them can be made together. */
const EDITS: [id: string, kinds: Kind[], make: (from: Sheet) => Sheet][] = [
  ['a', ['reworded'], set('a', () => ({ body: plain('eggs') }))],
  ['b', ['moved'], set('b', ({ x }: { x: number }) => ({ x: x + 30 }))],
  ['c', ['resized', 'restyled'], set('c', () => ({ width: 140, fill: solid('#ff0000') }))],
  ['d', ['rotated'], set('d', () => ({ angle: 30 }))],
  ['e', ['restyled'], set('e', () => ({ body: [{ format: {}, runs: [{ text: 'nest', style: { bold: true } }] }] }))],
  ['g', ['set otherwise'], set('g', () => ({ touch: 'free' }))],
  ['l', ['led elsewhere'], set('l', () => ({ to: held('a') }))],
  [
    'm',
    ['moved'],
    set('m', ({ from, to }: { from: object; to: object }) => ({ from: { ...from, y: 320 }, to: { ...to, y: 320 } })),
  ],
  ['new', ['added'], onList((list) => [...list, shape({ id: 'new', x: 500, y: 500 })])],
];

describe('any number of edits', () => {
  test('are found, each as what it is, and nothing else is', () => {
    fc.assert(
      fc.property(fc.subarray(EDITS), (made) => {
        const after = made.reduce((now, [, , make]) => make(now), base);
        const found = compare(base, after).map((one) => [(one.after ?? one.before)!.id, one.kinds]);
        const wanted = made.map(([id, kinds]) => [id, kinds]);
        const sorted = (list: unknown[]) => list.map((one) => JSON.stringify(one)).sort();
        expect(sorted(found)).toEqual(sorted(wanted));
      }),
    );
  });
  test('taken back, are found as their contrary', () => {
    fc.assert(
      fc.property(fc.subarray(EDITS), (made) => {
        const after = made.reduce((now, [, , make]) => make(now), base);
        const there = compare(base, after);
        const back = compare(after, base);
        const about = (list: typeof there) => list.map((one) => (one.after ?? one.before)!.id).sort();
        expect(about(back)).toEqual(about(there));
      }),
    );
  });
});

describe('in particular', () => {
  const kinds = (after: Sheet, before = base) =>
    compare(before, after).map((one) => [(one.after ?? one.before)!.id, ...one.kinds]);
  test('made larger from its left side a thing is resized, not moved', () =>
    expect(
      kinds(set('b', ({ x, width }: { x: number; width: number }) => ({ x: x - 20, width: width + 20 }))(base)),
    ).toEqual([['b', 'resized']]));
  test('by less than anybody sees nothing differs', () =>
    expect(kinds(set('b', ({ x }: { x: number }) => ({ x: x + 0.3 }))(base))).toEqual([]));
  test('of a group that was moved its parts are not', () =>
    expect(kinds(set('g', ({ x }: { x: number }) => ({ x: x + 30 }))(base))).toEqual([['g', 'moved']]));
  test('what came to the front is reordered, and not all that it passed', () =>
    expect(kinds(onList((list) => [list[4], ...list.slice(0, 4), list[5]])(base))).toEqual([['m', 'reordered']]));
  test('what was put into a group is regrouped', () => {
    const [first] = base.pages;
    const inner = group({ id: 'h', width: 300, height: 100, items: first.items.slice(0, 2) });
    expect(kinds({ ...base, pages: [{ ...first, items: [inner, ...first.items.slice(2)] }] })).toEqual([
      ['h', 'added'],
      ['a', 'regrouped'],
      ['b', 'regrouped'],
    ]);
  });
  test.each<[string, Partial<PictureItem>, Kind]>([
    ['cropped', { crop: { x: 0.2, y: 0, width: 0.5, height: 1 } }, 'restyled'],
    ['cut to a shape', { cut: 'ellipse' }, 'restyled'],
    ['in other colours', { colours: { '#000000': '#ff0000' } }, 'restyled'],
    ['another one', { picture: 'flat/fox' }, 'replaced'],
  ])('a picture that is %s', (_, values, kind) => {
    const shown = (given: Partial<PictureItem>) =>
      sheet({ title: 'S', pages: [page({ id: 'p', items: [picture({ id: 'q', picture: 'flat/owl', ...given })] })] });
    expect(compare(shown({}), shown(values)).map((one) => one.kinds)).toEqual([[kind]]);
  });
  test('deleted and drawn almost the same again, it changed', () => {
    const after = onList((list) =>
      list.map((item) => (item.id === 'b' ? shape({ id: 'again', x: 206, y: 42, fill: solid('#ff0000') }) : item)),
    )(base);
    const found = compare(base, after);
    expect(found.find((one) => one.after?.id === 'again')).toMatchObject({
      before: { id: 'b' },
      kinds: ['moved', 'restyled'],
    });
    expect(found.some((one) => one.kinds.includes('removed'))).toBe(false);
  });
  test('drawn elsewhere or as something else it is another thing', () => {
    const far = onList((list) => list.map((item) => (item.id === 'b' ? shape({ id: 'far', x: 40, y: 600 }) : item)))(
      base,
    );
    expect(kinds(far)).toEqual(
      expect.arrayContaining([
        ['far', 'added'],
        ['b', 'removed'],
      ]),
    );
    const other = onList((list) =>
      list.map((item) => (item.id === 'b' ? text({ id: 't', x: 200, y: 40, body: plain('x') }) : item)),
    )(base);
    expect(kinds(other)).toEqual(
      expect.arrayContaining([
        ['t', 'added'],
        ['b', 'removed'],
      ]),
    );
  });
  test('says it in words', () => {
    const [one] = compare(base, EDITS[0][2](base));
    expect(differenceWords(one)).toBe('eggs: reworded');
  });
});

describe('other words', () => {
  const said = (was: string, is: string) => {
    const [before, after] = [was, is].map((words) => text({ id: 't', body: plain(words) }));
    return rewording({ kinds: ['reworded'], before, after, page: 'p' });
  };
  test('are told one by one, beside those that stayed', () => {
    expect(said('the heron eats fish', 'the grey heron eats')).toEqual([
      { said: 'the ', how: 'same' },
      { said: 'grey ', how: 'come' },
      { said: 'heron eats', how: 'same' },
      { said: ' fish', how: 'gone' },
    ]);
    expect(said('', 'neck')).toEqual([{ said: 'neck', how: 'come' }]);
    expect(said('nek', 'neck')).toEqual([
      { said: 'nek', how: 'gone' },
      { said: 'neck', how: 'come' },
    ]);
  });
  test('are not told where nothing differs, nothing is written, or a text is very long', () => {
    expect(said('eye', 'eye')).toBeNull();
    expect(said('', 'a '.repeat(600))).toBeNull();
    expect(rewording({ kinds: ['added'], before: null, after: text({ id: 't' }), page: 'p' })).toBeNull();
  });
  test('with those that stayed are what stands there, and with those that went what stood there', () => {
    const words = fc
      .array(fc.constantFrom('crab ', 'weed ', 'tide ', 'mud\n', 'é ', '  '), { maxLength: 14 })
      .map((list) => list.join(''));
    fc.assert(
      fc.property(words, words, (was, is) => {
        const told = said(was, is);
        if (told === null) return was === is;
        const without = (how: string) =>
          told!
            .filter((one) => one.how !== how)
            .map((one) => one.said)
            .join('');
        return without('come') === was && without('gone') === is;
      }),
    );
  });
});
