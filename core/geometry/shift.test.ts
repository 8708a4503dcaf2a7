import { describe, expect, test } from 'vitest';
import { shiftedPath } from './shift';

describe('a path that is moved', () => {
  test('moves every point of what is absolute', () => {
    expect(shiftedPath('M0 0H10V5L1.5,2C1 2 3 4 5 6Q1 1 2 2Z', 10, 100)).toBe(
      'M10 100H20V105L11.5,102C11 102 13 104 15 106Q11 101 12 102Z',
    );
  });

  test('leaves relative commands alone', () => {
    expect(shiftedPath('M1 2h3v-4l5 6z', 10, 20)).toBe('M11 22h3v-4l5 6z');
  });

  test('keeps numbers apart that only a sign told apart', () => {
    expect(shiftedPath('M-1-2L3-4', 10, 20)).toBe('M9 18L13 16');
  });

  test('takes in several points after one command, powers and bare fractions', () => {
    expect(shiftedPath('M.5.25L1e1 2 3e-7 4', 1, 2)).toBe('M1.5 2.25L11 4 1 6');
  });

  test('is the very same where it is not moved', () => {
    expect(shiftedPath('M.5 .5H3', 0, 0)).toBe('M.5 .5H3');
  });
});
