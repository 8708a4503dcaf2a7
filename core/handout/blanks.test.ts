import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { group, page, plain, shape, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { blanksOn } from './blanks';

const none = () => undefined;
const blank = (id: string, x: number, y: number, said = '') =>
  text({ id, x, y, width: 80, height: 20, touch: 'fill', body: plain(said) });
const order = (items: Item[]) => blanksOn(page({ id: 'p', items }), none).map(({ item }) => item.id);

describe('blanks', () => {
  test('are read row by row, from left to right, however the things lie', () => {
    const items = [blank('c', 300, 104), blank('a', 20, 20), blank('b', 20, 100), blank('d', 20, 160)];
    fc.assert(
      fc.property(fc.shuffledSubarray(items, { minLength: 4 }), (shuffled) => {
        expect(order(shuffled)).toEqual(['a', 'b', 'c', 'd']);
      }),
    );
  });
  test('are what students fill in, in groups too, but nothing hidden, fixed or free', () => {
    const inner = group({ id: 'g', x: 200, y: 0, width: 100, height: 100, items: [blank('inner', 0, 5)] });
    const items = [
      inner,
      blank('first', 0, 0),
      { ...blank('hidden', 0, 60), hidden: true },
      text({ id: 'fixed', y: 80 }),
      shape({ id: 'drawn', y: 120, touch: 'free' }),
      shape({ id: 'shape', y: 160, touch: 'fill' }),
    ];
    expect(order(items)).toEqual(['first', 'inner', 'shape']);
  });
  test('tell which of them are filled: spaces are nothing', () => {
    const blanks = blanksOn(page({ id: 'p', items: [blank('a', 0, 0, 'bill'), blank('b', 0, 50, '  ')] }), none);
    expect(blanks.map(({ filled }) => filled)).toEqual([true, false]);
    expect(blanks[0].box).toMatchObject({ x: 0, y: 0, width: 80, height: 20 });
  });
});
