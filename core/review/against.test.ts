import { describe, expect, test } from 'vitest';
import { smallPicture } from '../../tests/support/sheets';
import { givenOut } from '../handout/copy';
import { veiled } from '../handout/veil';
import { held, line, page, picture, plain, sheet, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { against, keyOf } from './against';
import { kindWords } from './compare';

/** What a teacher is told of a piece: only what the student did. */

const bird = {
  ...smallPicture('bird', [{ d: 'M0 0L10 0L10 10L0 10Z', fill: '#10220a', opacity: 1 }]),
  targets: [
    { name: 'bill', x: 2, y: 3, reach: 1 },
    { name: 'tail', x: 8, y: 6, reach: 1 },
  ],
};
const pictures = (id: string) => (id === bird.id ? bird : undefined);

/** A labelled diagram: two blanks with a line each, one more answer, and a remark that only the key has. */
const teachers = (shown = bird.id): Sheet =>
  sheet({
    title: 'Bird',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'bill', x: 20, y: 20, blank: true, touch: 'fill', body: plain('bill'), also: ['beak'] }),
          text({ id: 'tail', x: 20, y: 90, blank: true, touch: 'fill', body: plain('tail') }),
          text({ id: 'why', x: 20, y: 160, touch: 'fill', body: plain(''), also: ['to fly'] }),
          text({ id: 'remark', x: 20, y: 400, role: 'key', body: plain('Look at the tail.') }),
          line({ id: 'to-bill', from: held('bill'), to: held('bird', 'bill') }),
          line({ id: 'to-tail', from: held('tail'), to: held('bird', 'tail') }),
          picture({ id: 'bird', picture: shown, x: 200, y: 20, width: 100, height: 100 }),
        ],
      }),
    ],
  });
/** As a student has it. */
const copied = (own: Sheet) => veiled(givenOut(own), pictures);
const changed = (own: Sheet, id: string, make: (item: Item) => Item): Sheet => ({
  ...own,
  pages: own.pages.map((one) => ({ ...one, items: one.items.map((item) => (item.id === id ? make(item) : item)) })),
});
const wrote = (own: Sheet, id: string, words: string) =>
  changed(own, id, (item) => ({ ...item, body: plain(words) }) as Item);
const told = (before: Sheet, after: Sheet) =>
  against(before, after, pictures).map((one) => `${(one.after ?? one.before)!.id}: ${kindWords(one)}`);

describe('against the sheet as handed out', () => {
  const given = () => givenOut(teachers());
  test('a copy that nobody touched is the same, although it does not say what lines lead to', () => {
    expect(told(given(), copied(teachers()))).toEqual([]);
  });
  test('it is told what was filled in, and a line that was led elsewhere', () => {
    const piece = wrote(copied(teachers()), 'bill', 'beak');
    expect(told(given(), piece)).toEqual(['bill: filled in']);
    const led = changed(piece, 'to-tail', (item) => ({ ...item, to: held('bird', '@20,30') }) as Item);
    expect(told(given(), led)).toEqual(['bill: filled in', 'to-tail: led elsewhere']);
  });
  test('of a picture that is not known no line is said to lead elsewhere', () => {
    const own = teachers('own/photo');
    const piece = changed(copied(teachers()), 'bird', (item) => ({ ...item, picture: 'own/photo' }) as Item);
    expect(told(givenOut(own), piece)).toEqual([]);
  });
});

describe('against the key', () => {
  const key = () => keyOf(teachers());
  test('a copy with every answer is the same: what only teachers set and see does not count', () => {
    const right = ['bill', 'tail'].reduce((now, id) => wrote(now, id, id), copied(teachers()));
    expect(told(key(), wrote(right, 'why', 'to fly'))).toEqual([]);
  });
  test('what is empty, and what is another word, is told', () => {
    const piece = wrote(wrote(copied(teachers()), 'bill', 'beak'), 'why', 'to fly');
    expect(told(key(), piece)).toEqual(['bill: reworded', 'tail: empty']);
  });
});

test('against another go it is told what was done since', () => {
  const first = wrote(wrote(copied(teachers()), 'bill', 'beek'), 'tail', 'tail');
  expect(told(first, wrote(wrote(first, 'bill', 'bill'), 'tail', ''))).toEqual(['bill: reworded', 'tail: empty']);
  expect(told(first, first)).toEqual([]);
});
