import fc from 'fast-check';
import { expect, test } from 'vitest';
import { fromUnit, inUnit, PAGE_SIZES, sizeName } from './units';

test.each([
  ['1', 'in', 72],
  ['2,5', 'in', 180],
  ['25.4', 'mm', 72],
  ['1 cm', 'in', 28.346],
  ['10 mm', 'px', 28.346],
  ['36pt', 'mm', 36],
  ['-.5', 'in', -36],
  [' 3 "', 'mm', 216],
  ['96', 'px', 72],
] as const)('“%s” on a page in %s is %d points', (typed, unit, points) =>
  expect(fromUnit(typed, unit)).toBeCloseTo(points, 2),
);

test.each(['', 'banana', '1 2', '1 yard', '--1', 'NaN', '1e9x'])('“%s” is no length', (typed) =>
  expect(fromUnit(typed, 'mm')).toBeNull(),
);

test('what is shown can be typed again and means the same, to the digits shown', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -3000, max: 3000, noNaN: true }),
      fc.constantFrom('in' as const, 'mm' as const, 'px' as const),
      (points, unit) => {
        const shown = inUnit(points, unit);
        expect(inUnit(fromUnit(shown, unit)!, unit)).toBe(shown);
      },
    ),
  );
});

test('pages are called by their names, either way up, or by their measures', () => {
  expect(sizeName(792, 612, 'in')).toBe('Letter, wide');
  expect(sizeName(595.28, 841.89, 'mm')).toBe('A4, upright');
  expect(sizeName(100, 200, 'px')).toBe('133 × 267 px');
  expect(new Set(PAGE_SIZES.map((size) => size.id)).size).toBe(PAGE_SIZES.length);
});
