import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { alteredFacets, facetOf, keysOf, markOf, partNames, placeOf, printOf } from './made';
import { MadeMark } from '../schema/items/made';
import { free, group, held, ink, line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { Sheet } from '../schema/sheet';

const name = (id: string) => id;
const box = shape({ id: 'a', x: 10, y: 20, width: 80, height: 40, body: plain('mud') });
const marked = (item: Item) => ({ ...item, made: markOf(item, 'n-1', name) }) as Item;
const altered = (change: Partial<Item>) => [
  ...alteredFacets({ ...marked(box), ...change } as Item, marked(box).made!, name),
];

describe('a mark', () => {
  test('says where a part was made', () => {
    expect(markOf(box, 'n-1', name).at).toEqual([10, 20, 80, 40, 0]);
    expect(placeOf(line({ id: 'l' }))).toEqual([]);
  });
  test('is fit for a sheet', () => expect(MadeMark.safeParse(markOf(box, 'n-1', name)).success).toBe(true));
  test.each([
    ['nothing', {}, []],
    ['its place', { x: 99, width: 4, angle: 30 }, []],
    ['that it is hidden', { hidden: true }, []],
    ['its words', { body: plain('sand') }, ['words']],
    ['its fill', { fill: solid('#ff0000') }, ['look']],
    ['its form', { shape: 'ellipse' }, ['look']],
    ['what students may do', { touch: 'free' }, ['rest']],
    ['words and look', { body: plain('sand'), opacity: 0.5 }, ['words', 'look']],
  ])('tells %s apart', (_, change, facets) => expect(altered(change as Partial<Item>)).toEqual(facets));
  test('does not depend on the order of keys: the database keeps none', () => {
    const turned = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(turned)
        : value && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, inner]) => [key, turned(inner)]),
            )
          : value;
    expect(printOf(turned(box) as Item, name)).toBe(printOf(box, name));
  });
  test('differs for words that differ', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.string({ maxLength: 20 }), (a, b) => {
        const print = (words: string) =>
          printOf({ ...box, body: [{ format: {}, runs: [{ text: words, style: {} }] }] }, name);
        expect(print(a) === print(b)).toBe(a === b);
      }),
    ));
  test('of a line goes by what it holds on to, not by where that stands', () => {
    const link = line({ id: 'l', from: held('x'), to: held('y') });
    const moved = { ...link, from: { ...link.from, x: 300, y: 4 } };
    expect(printOf(moved, name)).toBe(printOf(link, name));
    expect(printOf({ ...link, to: held('z') }, name)).not.toBe(printOf(link, name));
    expect(printOf({ ...link, to: { ...link.to, side: 'top' } }, name)).not.toBe(printOf(link, name));
    expect(printOf({ ...link, to: free(1, 2) }, name)).not.toBe(printOf({ ...link, to: free(1, 3) }, name));
  });
  test('of a line knows parts by their names, whatever identities they got', () => {
    const link = line({ id: 'l', from: held('n-1'), to: held('n-2') });
    const given = line({ id: 'g-l', from: held('g1'), to: held('g2') });
    const parts = partNames([marked({ ...box, id: 'g1' }), { ...box, id: 'g2', made: markOf(box, 'n-2', name) }]);
    expect(printOf(given, parts)).toBe(printOf(link, name));
  });
});

describe('every setting of every kind', () => {
  const items: Item[] = [
    box,
    text({ id: 't' }),
    line({ id: 'l' }),
    picture({ id: 'p', picture: 'flat/owl' }),
    ink({ id: 'i', points: [0, 0, 1] }),
  ];
  test('belongs to one facet, or is no matter of a maker', () => {
    for (const item of items) {
      const facets = (['words', 'look', 'rest'] as const).flatMap((facet) => keysOf(item, facet));
      const places = Object.keys(item).filter((key) => facetOf(key) === 'place');
      const none = Object.keys(item).filter((key) => facetOf(key) === null);
      expect([...facets, ...places, ...none].sort()).toEqual(Object.keys(item).sort());
      expect(none.sort()).toEqual(['hidden', 'id', 'kind', 'made']);
    }
  });
});

test('a sheet of version 2 is read as before: nothing on it was made', () => {
  const old = JSON.parse(
    JSON.stringify(
      sheet({ title: 'S', pages: [page({ id: 'p', items: [group({ id: 'g', items: [box] }), line({ id: 'l' })] })] }),
    ),
  ) as {
    pages: { items: Record<string, unknown>[] }[];
  };
  const [g, l] = old.pages[0].items;
  delete g.maker;
  delete g.made;
  delete l.via;
  delete (l.from as Record<string, unknown>).side;
  const read = Sheet.parse(old);
  expect(read.pages[0].items[0]).toMatchObject({ maker: null, made: null });
  expect(read.pages[0].items[1]).toMatchObject({ via: [], from: { side: null } });
});

test('a line that was made before lines had a light edge is still as it was made; one that was given an edge is not', () => {
  const now = line({ id: 'l' });
  const { edge: _, ...before } = now;
  // The print as it was kept then.
  expect(printOf(before as unknown as Item, name)).toBe(printOf(now, name));
  expect([...alteredFacets({ ...now, edge: '#ffffff' }, markOf(now, 'l-1', name), name)]).toEqual(['look']);
});
