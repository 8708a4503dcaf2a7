import { describe, expect, test } from 'vitest';
import { page, picture, plain, sheet, text } from '../schema/defaults';
import { isFace } from '../text/catalogue';
import { needsOf, unknownFaces } from '../sheet/needs';
import { byNearness, partsOfNames, withoutPossessive, wordsIn } from './words';

describe('words to look up', () => {
  const found = (words: string) => wordsIn(words).map(({ word }) => word);
  test('keep their apostrophes, and are cut at hyphens', () => {
    expect(found('It’s the crab’s well-known burrow.')).toEqual(['It’s', 'the', 'crab’s', 'well', 'known', 'burrow']);
  });
  test('leave out initials, addresses and what has digits', () => {
    expect(found('a H2O NASA mail@example.org x4 tide')).toEqual(['tide']);
  });
  test('leave out other scripts than Latin, and keep accents', () => {
    expect(wordsIn('Το πόδι, журавль, 鶴 and naïve Zoë').map(({ word }) => word)).toEqual(['and', 'naïve', 'Zoë']);
  });
  test('know where they stand', () => {
    expect(wordsIn('two (words)')).toEqual([
      { word: 'two', from: 0, to: 3 },
      { word: 'words', from: 5, to: 10 },
    ]);
  });
});

test('what was meant by a slip comes first: swapped letters, then the same beginning', () => {
  expect(byNearness('wrods', ['prods', 'rods', 'woods', 'words'])[0]).toBe('words');
  expect(byNearness('herron', ['barren', 'heron', 'herring'])[0]).toBe('heron');
  expect(byNearness('Tiede', ['diode', 'tied', 'tide']).at(-1)).toBe('diode');
  expect(byNearness('x', [])).toEqual([]);
});

test('of words as near, the commoner one comes first; a rare one that is nearer stays before it', () => {
  const rare = (word: string) => (word === 'have' ? 0 : 1);
  expect(byNearness('hve', ['hive', 'have'], rare)[0]).toBe('have');
  expect(byNearness('hives', ['hive', 'hives', 'have'], rare)[0]).toBe('hives');
});

test('names are known by their parts, with and without what is theirs', () => {
  expect(partsOfNames(['Zoë O’Hara-Lind', 'Maren Quill'])).toEqual(['zoë', 'o’hara', 'lind', 'maren', 'quill']);
  expect([withoutPossessive('Maren’s'), withoutPossessive("crab's"), withoutPossessive('crabs')]).toEqual([
    'Maren',
    'crab',
    'crabs',
  ]);
});

describe('what a sheet is drawn with', () => {
  const made = sheet({
    title: 't',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'a', body: [{ format: {}, runs: [{ text: 'x ★', style: { font: 'lexend', bold: true } }] }] }),
          text({ id: 'b', body: [{ format: {}, runs: [{ text: 'x', style: { font: 'long-gone' } }] }] }),
          picture({ id: 'c', picture: 'flat/crab' }),
        ],
      }),
      page({ id: 'q', items: [text({ id: 'd', body: plain('x') })] }),
    ],
  });
  test('names fonts in their styles, the files of signs where there are any, and pictures', () => {
    const { fonts, pictures } = needsOf(made);
    expect(fonts).toEqual(
      expect.arrayContaining(['Andika_400Regular.ttf', 'Lexend_700Bold.ttf', 'NotoEmoji_400Regular.ttf']),
    );
    expect(pictures).toEqual(['flat/crab']);
    expect(needsOf({ ...made, pages: [made.pages[1]] }).fonts).toEqual(['Andika_400Regular.ttf']);
  });
  test('tells the faces that are not here', () => {
    expect(unknownFaces(made, isFace)).toEqual(['long-gone']);
    made.roles.quote.run.font = 'older-still';
    expect(unknownFaces(made, isFace)).toEqual(['long-gone', 'older-still']);
  });
});
