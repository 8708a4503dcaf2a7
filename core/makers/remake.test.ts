import { describe, expect, test } from 'vitest';
import { resizedGroup, scaledItem } from '../items/scale';
import { defaultRoles, group, held, line, plain, shape, solid, text } from '../schema/defaults';
import type { GroupItem, Item } from '../schema/sheet';
import { beginMap } from './map/begin';
import type { MakerState } from '../schema/recipes/recipes';
import { alteredCount, handOf, partsByName, remade } from './remake';

/** Putting made parts in the place of older ones, with a maker that makes whatever it is told. */

const state: Omit<MakerState, 'parts'> = { kind: 'map', recipe: beginMap([]), seed: 1 };
const box = (id: string, values: Partial<Item> = {}) =>
  shape({ id, x: 10, y: 10, width: 50, height: 30, body: plain(id), ...(values as object) });
const made = (items: Item[]) => ({ items, notes: [] });
const empty = group({ id: 'g', width: 400, height: 300, items: [] });
const first = (...items: Item[]) => remade(empty, state, made(items));
const withPart = (one: GroupItem, part: string, values: Partial<Item>): GroupItem => ({
  ...one,
  items: one.items.map((item) => (item.made?.part === part ? ({ ...item, ...values } as Item) : item)),
});
const part = (one: GroupItem, name: string) =>
  partsByName(one).get(name) as Item & { x: number; y: number; width: number; height: number };

describe('parts', () => {
  test('get identities from their group, and lines hold on to those', () => {
    const one = first(box('a'), box('b'), line({ id: 'l', from: held('a'), to: held('b') }));
    expect(one.items.map(({ id }) => id)).toEqual(['g-a', 'g-b', 'g-l']);
    expect(one.items[2]).toMatchObject({ from: { item: 'g-a' }, to: { item: 'g-b' } });
    expect(one.maker?.parts).toEqual(['a', 'b', 'l']);
  });
  test('get another identity where that one is in use elsewhere', () => {
    const one = remade(empty, state, made([box('a')]), 'nothing', (id) => id === 'g-a');
    expect(one.items[0].id).toBe('g-a-2');
  });
  test('that are no longer made go, new ones come, the order is that of what is made', () => {
    const two = remade(first(box('a'), box('b')), state, made([box('c'), box('b')]));
    expect(two.items.map(({ id }) => id)).toEqual(['g-c', 'g-b']);
  });
  test('made again the same are the very same', () => {
    const one = first(box('a'), text({ id: 't', body: plain('x') }), line({ id: 'l', from: held('a'), to: held('t') }));
    expect(
      remade(
        one,
        state,
        made([box('a'), text({ id: 't', body: plain('x') }), line({ id: 'l', from: held('a'), to: held('t') })]),
      ),
    ).toEqual(one);
    expect(alteredCount(one)).toBe(0);
  });
  test('are marked by what they are, wherever an older one’s mark could have been taken over', () => {
    const ways: Item[][] = [
      [box('a'), text({ id: 't', body: plain('x') }), line({ id: 'l', from: held('a'), to: held('t') })],
      [
        box('a', { x: 40 }),
        text({ id: 't', body: plain('x'), y: 5 }),
        line({ id: 'l', from: held('a'), to: held('t') }),
      ],
      [
        box('a', { fill: solid('#123456') }),
        text({ id: 't', body: plain('y') }),
        line({ id: 'l', from: held('t'), to: held('a') }),
      ],
      [
        box('a', { touch: 'fill' }),
        line({ id: 't', from: held('a'), to: held('a') }),
        line({ id: 'l', from: held('t'), to: held('t') }),
      ],
    ];
    let one = empty;
    for (const items of [...ways, ...ways.toReversed(), ...ways]) {
      one = remade(one, state, made(items));
      const fresh = remade(empty, state, made(items));
      expect(one.items.map((item) => item.made)).toEqual(fresh.items.map((item) => item.made));
      expect(one.items).toEqual(fresh.items);
    }
  });
  test('of a group that students may change are theirs as well', () => {
    const one = remade({ ...empty, touch: 'free' }, state, made([box('a')]));
    expect(one.items[0].touch).toBe('free');
    expect(alteredCount(one)).toBe(0);
  });
  test('a frame that the maker chose itself is taken', () =>
    expect(remade(empty, state, { ...made([box('a')]), size: { width: 99, height: 88 } })).toMatchObject({
      width: 99,
      height: 88,
    }));
});

describe('what was done by hand', () => {
  const one = first(box('a'), box('b'));
  test('a place is kept as an offset from wherever the part is made now', () => {
    const moved = withPart(one, 'a', { x: 25, y: 4 } as Partial<Item>);
    expect(handOf(moved).get('a')).toEqual({ dx: 15, dy: -6, hidden: false, gone: false });
    const two = remade(moved, state, made([box('a', { x: 100, y: 100 } as Partial<Item>), box('b')]));
    expect([part(two, 'a').x, part(two, 'a').y]).toEqual([115, 94]);
    const three = remade(two, state, made([box('a'), box('b')]));
    expect([part(three, 'a').x, part(three, 'a').y]).toEqual([25, 4]);
  });
  test('a size and a turn are kept', () => {
    const pulled = withPart(one, 'a', { width: 90, angle: 15 } as Partial<Item>);
    const two = remade(pulled, state, made([box('a'), box('b')]));
    expect(part(two, 'a')).toMatchObject({ width: 90, height: 30, angle: 15 });
  });
  test('a look stays while the recipe changes words, and words while it changes looks', () => {
    const styled = withPart(withPart(one, 'a', { fill: solid('#ff0000') } as Partial<Item>), 'b', {
      body: plain('own words'),
    } as Partial<Item>);
    const two = remade(
      styled,
      state,
      made([box('a', { body: plain('new') } as Partial<Item>), box('b', { fill: null } as Partial<Item>)]),
    );
    expect(part(two, 'a')).toMatchObject({ fill: { colour: '#ff0000' }, body: plain('new') });
    expect(part(two, 'b')).toMatchObject({ fill: null, body: plain('own words') });
  });
  test('words that the recipe changed since are newer than those written by hand', () => {
    const own = withPart(one, 'a', { body: plain('own words') } as Partial<Item>);
    const two = remade(own, state, made([box('a', { body: plain('from the recipe') } as Partial<Item>), box('b')]));
    expect(part(two, 'a')).toMatchObject({ body: plain('from the recipe') });
  });
  test('hidden and taken away stay so; forgetting places keeps looks, forgetting all keeps nothing', () => {
    const bare: GroupItem = {
      ...withPart(one, 'a', { hidden: true, x: 60, fill: solid('#ff0000') } as Partial<Item>),
      items: withPart(one, 'a', { hidden: true, x: 60, fill: solid('#ff0000') } as Partial<Item>).items.filter(
        (item) => item.made?.part !== 'b',
      ),
    };
    expect(alteredCount(bare)).toBe(2);
    const again = made([box('a'), box('b')]);
    const kept = remade(bare, state, again);
    expect(kept.items).toHaveLength(1);
    expect(part(kept, 'a').hidden).toBe(true);
    const placed = remade(bare, state, again, 'places');
    expect(part(placed, 'a')).toMatchObject({ x: 10, fill: { colour: '#ff0000' } });
    const anew = remade(bare, state, again, 'all');
    expect(anew.items).toHaveLength(2);
    expect(alteredCount(anew)).toBe(0);
  });
  test('a line led elsewhere stays led there', () => {
    const linked = first(box('a'), box('b'), line({ id: 'l', from: held('a'), to: held('b') }));
    const led = withPart(linked, 'l', { to: held('g-a') } as Partial<Item>);
    const two = remade(led, state, made([box('a'), box('b'), line({ id: 'l', from: held('a'), to: held('b') })]));
    expect(partsByName(two).get('l')).toMatchObject({ to: { item: 'g-a' } });
  });
});

describe('a made group that is scaled', () => {
  const words = { words: 'all' as const, weights: true, roles: defaultRoles() };
  const one = first(box('a'), line({ id: 'l', from: held('a'), to: held('a'), via: [{ x: 20, y: 30 }] }));
  const frame = { x: 0, y: 0, width: 800, height: 600, angle: 0, flipX: false, flipY: false };
  test('has its parts as they were made, only larger, and larger words in its recipe', () => {
    const larger = resizedGroup(one, frame, words);
    expect(alteredCount(larger)).toBe(0);
    expect(part(larger, 'a')).toMatchObject({ x: 20, y: 20, width: 100, height: 60 });
    expect(partsByName(larger).get('l')).toMatchObject({ via: [{ x: 40, y: 60 }] });
    expect(larger.maker?.recipe.size).toBe(beginMap([]).size * 2);
  });
  test('keeps what was done by hand before', () => {
    const moved = withPart(one, 'a', { x: 30, fill: null } as Partial<Item>);
    const larger = resizedGroup(moved, frame, words);
    expect(handOf(larger).get('a')?.dx).toBeCloseTo(40);
    expect(alteredCount(larger)).toBe(1);
  });
  test('by a side leaves the words of its recipe as large as they are', () => {
    const wider = resizedGroup(one, { ...frame, height: 300 });
    expect(wider.maker?.recipe.size).toBe(beginMap([]).size);
  });
  test('with others keeps to its marks as well', () => {
    const scaled = scaledItem(
      one,
      { x: 0, y: 0, width: 400, height: 300 },
      { x: 50, y: 50, width: 200, height: 150 },
      words,
    ) as GroupItem;
    expect(alteredCount(scaled)).toBe(0);
  });
});
