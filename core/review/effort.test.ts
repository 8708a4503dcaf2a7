import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { isWithin, middleOf, spansOf } from './effort';

const numbers = fc.array(fc.nat(80_000), { minLength: 1, maxLength: 200 });

describe('spans', () => {
  test('are at most six, of one width, without gaps; each number lies in one, and the first and last hold some', () => {
    fc.assert(
      fc.property(numbers, (all) => {
        const spans = spansOf(all);
        expect(spans.length).toBeLessThanOrEqual(6);
        for (const number of all) expect(spans.filter((span) => isWithin(number, span))).toHaveLength(1);
        for (const [i, { from, to }] of spans.entries()) {
          expect(to - from).toBe(spans[0].to - spans[0].from);
          if (i > 0) expect(from).toBe(spans[i - 1].to + 1);
        }
        expect(all.some((number) => isWithin(number, spans[0]))).toBe(true);
        expect(all.some((number) => isWithin(number, spans.at(-1)!))).toBe(true);
      }),
    );
  });
  test('have widths that people count in', () => {
    expect(spansOf([3, 12, 18, 21])).toEqual([
      { from: 0, to: 4 },
      { from: 5, to: 9 },
      { from: 10, to: 14 },
      { from: 15, to: 19 },
      { from: 20, to: 24 },
    ]);
    expect(spansOf([7, 7])).toEqual([{ from: 7, to: 7 }]);
    expect(spansOf([])).toEqual([]);
  });
});

test('the middle of some numbers has as many above as below', () => {
  expect(middleOf([])).toBeNull();
  expect(middleOf([9, 1, 5])).toBe(5);
  expect(middleOf([4, 2, 8, 6])).toBe(4);
});
