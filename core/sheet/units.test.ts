import fc from 'fast-check';
import { expect, test } from 'vitest';
import { fromSum, fromUnit, inUnit, namedSize, PAGE_SIZES, sizeName } from './units';

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
  expect(sizeName(792, 612, 'in')).toBe('Letter, landscape');
  expect(sizeName(595.28, 841.89, 'mm')).toBe('A4, portrait');
  expect(sizeName(100, 200, 'px')).toBe('133 × 267 px');
  expect(new Set(PAGE_SIZES.map((size) => size.id)).size).toBe(PAGE_SIZES.length);
});

test.each([
  ['5.6/2', 'in', 2.8 * 72],
  ['(210 - 2*15) / 3', 'mm', (60 / 25.4) * 72],
  ['1in + 5 mm', 'px', 72 + (5 / 25.4) * 72],
  ['3 × 2,5', 'in', 540],
  ['10÷4', 'in', 180],
  ['2*(1in+1)', 'in', 288],
  ['-(2-5)', 'in', 216],
  ['100px - 1in', 'mm', 3],
] as const)('the sum “%s” on a page in %s is %d points', (typed, unit, points) =>
  expect(fromUnit(typed, unit)).toBeCloseTo(points, 6),
);

test.each(['5/0', '(1', '1)', '2in*3in', '4/2mm', '*3', '1 2 3', '1e400', '()', 'in', 'x'.repeat(400)])(
  '“%s” is no sum of lengths',
  (typed) => expect(fromUnit(typed, 'in')).toBeNull(),
);

test('a sum of numbers is what a calculator says', () => {
  const number = fc.integer({ min: -50, max: 50 });
  fc.assert(
    fc.property(number, number, number, (a, b, c) => {
      const plain = (value: number) => (value < 0 ? `(${value})` : `${value}`);
      expect(fromSum(`${plain(a)}+${plain(b)}*${plain(c)}`)).toBe(a + b * c);
      expect(fromSum(`(${plain(a)}-${plain(b)})*${plain(c)}`)).toBeCloseTo((a - b) * c, 9);
    }),
  );
  expect(fromSum('3in')).toBeNull();
});

test('every named size is known again, upright and wide', () => {
  for (const { id, width, height } of PAGE_SIZES) {
    expect(namedSize(width, height)?.id).toBe(id);
    expect(namedSize(height, width)?.id).toBe(id);
  }
  expect(new Set(PAGE_SIZES.map((size) => size.name)).size).toBe(PAGE_SIZES.length);
  expect(sizeName(720, 720, 'in')).toBe('Square');
  expect(sizeName(960, 540, 'in')).toBe('Slide 16:9, landscape');
  expect(sizeName(500, 500, 'px')).toBe('667 × 667 px');
});
