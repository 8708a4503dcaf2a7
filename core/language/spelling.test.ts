import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { editDistance, matches, normalised, singular, SPELLING, tolerance } from './spelling';

const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'd', 'e'), minLength: 1, maxLength: 12 });

describe('what never counts', () => {
  test.each([
    ['The Heron', 'heron'],
    ['  a   long  neck ', 'long neck'],
    ['HERON!', 'heron'],
    ['(the bill)', 'bill'],
    ['heron’s', 'heron s'],
    ['an eye.', 'eye'],
    ['', ''],
    ['…', ''],
  ])('“%s” is read as “%s”', (said, read) => expect(normalised(said)).toBe(read));

  test('reading twice changes nothing more, but for an article before an article', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (said) => {
        const once = normalised(said);
        if (!/^(the|a|an) /.test(once)) expect(normalised(once)).toBe(once);
      }),
    );
  });
});

describe('the distance', () => {
  test('is nothing to itself, and never more than the longer word', () => {
    fc.assert(
      fc.property(word, word, (a, b) => {
        expect(editDistance(a, a)).toBe(0);
        expect(editDistance(a, b)).toBeLessThanOrEqual(Math.max(a.length, b.length));
        expect(editDistance(a, b)).toBeGreaterThanOrEqual(Math.abs(a.length - b.length));
      }),
    );
  });
  test('of one slip is one: a letter more, less, other, or two swapped', () => {
    for (const slip of ['heeron', 'hron', 'haron', 'ehron']) expect(editDistance('heron', slip)).toBe(1);
  });
  test('stops counting where nobody needs it', () => expect(editDistance('a', 'abcdefgh', 2)).toBe(3));
});

describe('a slip', () => {
  const plainWord = fc.string({ unit: fc.constantFrom('a', 'b', 'n', 'o', 'r'), minLength: 1, maxLength: 9 });
  const key = fc.uniqueArray(plainWord, { minLength: 2, maxLength: 6, selector: singular });
  test('never makes one expected word of another, however alike they are', () => {
    fc.assert(
      fc.property(key, fc.constantFrom(...SPELLING), (words, spelling) => {
        for (const [i, word] of words.entries())
          for (const [j, said] of words.entries())
            expect(matches(said, [word], spelling, words)).toBe(i === j ? 'exact' : null);
      }),
    );
  });
  test('counts for at most one of them', () => {
    fc.assert(
      fc.property(key, plainWord, fc.constantFrom(...SPELLING), (words, said, spelling) => {
        expect(words.filter((word) => matches(said, [word], spelling, words)).length).toBeLessThanOrEqual(1);
      }),
    );
  });
  test('in the number of a word is none', () => {
    for (const spelling of SPELLING) {
      expect(matches('berries', ['berry'], spelling)).toBe('exact');
      expect(matches('fox', ['foxes'], spelling)).toBe('exact');
      expect(matches('glass', ['glas'], 'exact')).toBeNull();
    }
  });
});

describe('numbers', () => {
  test.each<[said: string, asked: string, taken: 'exact' | 'near' | null]>([
    ['1914', '1914', 'exact'],
    ['1915', '1914', null],
    ['1941', '1914', null],
    ['1000', '1,000', 'exact'],
    ['1 000', '1000', 'exact'],
    ['12.5', '12,5', 'exact'],
    ['125', '12.5', null],
    ['-5', '−5', 'exact'],
    ['5', '−5', null],
    ['03:15', '3:15', 'exact'],
    ['3:51', '3:15', null],
    ['½', '1/2', 'exact'],
    ['12', '12 cm', null],
    ['12 cms', '12 cm', 'near'],
    ['World Wra 2', 'World War 2', 'near'],
    ['World War 1', 'World War 2', null],
    ['CO2', 'CO2', 'exact'],
    ['C02', 'CO2', null],
    ['٣', '٣', 'exact'],
  ])('are right or wrong, never nearly right: “%s” for “%s”', (said, asked, taken) => {
    for (const spelling of ['near', 'loose'] as const) expect(matches(said, [asked], spelling)).toBe(taken);
  });
});

describe('the tolerance', () => {
  test('grows with the word and with the teacher’s patience', () => {
    for (let length = 1; length < 20; length++) {
      const [exact, near, loose] = SPELLING.map((spelling) => tolerance(length, spelling));
      expect(exact).toBe(0);
      expect(near).toBeLessThanOrEqual(loose);
      expect(tolerance(length + 1, 'near')).toBeGreaterThanOrEqual(near);
      expect(tolerance(length + 1, 'loose')).toBeGreaterThanOrEqual(loose);
      // Never so much that any word would do.
      expect(loose).toBeLessThan(length);
    }
  });
  test('is told from the right word itself', () => {
    expect(matches('plumes', ['plumes', 'feathers'], 'near')).toBe('exact');
    expect(matches('fethers', ['plumes', 'feathers'], 'near')).toBe('near');
    expect(matches('fethers', ['plumes', 'feathers'], 'exact')).toBeNull();
    expect(matches('wing', ['plumes', 'feathers'], 'loose')).toBeNull();
    expect(matches('  ', ['plumes'], 'loose')).toBeNull();
  });
});
