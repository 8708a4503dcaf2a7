import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { group, page, plain, shape, sheet, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import type { Faces } from '../text/faces';
import { smallOn } from './small';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const on = (...items: Item[]) => {
  const made = sheet({ title: 'S', pages: [page({ id: 'p', items })] });
  return smallOn(made, made.pages[0], { faces, pictures: () => undefined });
};
const sized = (words: string, size: number) => [{ format: {}, runs: [{ text: words, style: { size } }] }];
const box = (id: string, values: Parameters<typeof text>[0] | object = {}) =>
  text({ id, role: 'body', x: 10, y: 10, width: 90, height: 20, body: plain('crab'), ...values } as never);

describe('words too small to print', () => {
  test('are found by their size, also where a box makes them so', () => {
    expect(on(box('a'), box('b', { body: sized('tiny', 5) }))).toMatchObject([
      { item: 'b', size: 5, count: 1, over: 0 },
    ]);
    const shrunk = box('c', {
      fit: 'shrink',
      least: 4,
      body: plain('many words in a box that is far too small for them'),
    });
    const [found] = on(shrunk);
    expect(found.size).toBeLessThan(7);
  });
  test('a box whose words do not fit at their least is one too', () => {
    const full = box('d', { fit: 'shrink', body: plain('word '.repeat(60)) });
    expect(on(full)).toMatchObject([{ item: 'd', size: null, over: 1 }]);
  });
  test('so is a box or shape of a fixed size that holds less than its words; one that grows is none', () => {
    const long = plain('word '.repeat(60));
    expect(on(box('m', { fit: 'keep', body: long }))).toMatchObject([{ item: 'm', over: 1, count: 0 }]);
    expect(on(shape({ id: 'n', width: 60, height: 30, body: long }))).toMatchObject([{ item: 'n', over: 1 }]);
    expect(
      on(box('o', { fit: 'grow', body: long }), shape({ id: 'q', width: 90, height: 60, body: plain('tide') })),
    ).toEqual([]);
  });
  test('many in a group are one finding; what is hidden, empty or an outline of nothing is none', () => {
    const parts = ['e', 'f', 'g'].map((id) => box(id, { body: sized('tiny', 4) }));
    expect(on(group({ id: 'all', width: 200, height: 100, items: parts }))).toMatchObject([
      { item: 'all', size: 4, count: 3 },
    ]);
    expect(
      on(box('h', { hidden: true, body: sized('tiny', 4) }), box('i', { body: plain('') }), shape({ id: 'j' })),
    ).toEqual([]);
    expect(on({ ...group({ id: 'k', width: 200, height: 100, items: parts }), hidden: true })).toEqual([]);
  });
  test('seven points and more are none', () => expect(on(box('l', { body: sized('small', 7) }))).toEqual([]));
});
