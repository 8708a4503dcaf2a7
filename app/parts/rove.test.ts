import { expect, test } from 'vitest';
import { memberAfter, stopAt } from './rove';

test('arrows go round, Home and End to the ends, other keys nowhere', () => {
  expect(memberAfter('ArrowRight', 3, 4)).toBe(0);
  expect(memberAfter('ArrowLeft', 0, 4)).toBe(3);
  expect(memberAfter('ArrowDown', 1, 4)).toBe(2);
  expect(memberAfter('Home', 2, 4)).toBe(0);
  expect(memberAfter('End', 0, 4)).toBe(3);
  expect(memberAfter('Enter', 0, 4)).toBeNull();
  expect(memberAfter('ArrowRight', 0, 0)).toBeNull();
});

test('a row is one stop: what is chosen, else its first member', () => {
  expect([0, 1, 2].map((i) => stopAt(1, i))).toEqual([-1, 0, -1]);
  expect([0, 1, 2].map((i) => stopAt(-1, i))).toEqual([0, -1, -1]);
});
