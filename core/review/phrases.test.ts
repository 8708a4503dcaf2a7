import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Phrase } from './phrases';
import { phrasesFor } from './phrases';

const phrase = (body: string, over: Partial<Phrase> = {}): Phrase => ({
  id: body,
  body,
  by: null,
  shared: false,
  about: [],
  used: 0,
  ...over,
});
const bank = [
  phrase('Look at the leader line: where does it end?', { about: ['labels'], used: 3 }),
  phrase('Say why, with because.', { about: ['words'], used: 9 }),
  phrase('Élan! Well drawn.', { used: 1 }),
  phrase('A second look-for', { id: null, used: 40 }),
];
const found = (typed: string, about: string[] = []) => phrasesFor(typed, about, bank).map(({ body }) => body[0]);

describe('phrases', () => {
  test('about what was missed come first, then those kept on purpose, then the most used', () => {
    expect(found('')).toEqual(['S', 'L', 'É']);
    expect(found('', ['labels'])).toEqual(['L', 'S', 'É']);
  });
  test.each([
    ['look', ['L', 'A']],
    ['LINE lea', ['L']],
    ['elan', ['É']],
    ['why because', ['S']],
    ['ook', []],
    ['nothing like it', []],
  ])('“%s” finds %j', (typed, expected) => expect(found(typed)).toEqual(expected));
  test('that is written out already is not offered again', () => expect(found('Say why, with because. ')).toEqual([]));
  test('are found by the beginnings of any of their words', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...bank),
        fc.array(fc.tuple(fc.nat(9), fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 3 }),
        ({ body }, picks) => {
          const words = body.match(/[\p{L}\p{N}]+/gu)!;
          const typed = picks.map(([at, letters]) => words[at % words.length].slice(0, letters)).join(' ');
          expect(phrasesFor(typed, [], bank, 9).some((one) => one.body === body)).toBe(true);
        },
      ),
    ));
});
