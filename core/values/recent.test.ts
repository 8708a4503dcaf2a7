import { expect, test } from 'vitest';
import { Recent } from './recent';

test('what was asked for last stays, what was not goes first', () => {
  const recent = new Recent<string, number>(2).set('a', 1).set('b', 2);
  expect(recent.get('a')).toBe(1);
  recent.set('c', 3);
  expect([recent.has('a'), recent.has('b'), recent.has('c')]).toEqual([true, false, true]);
});

test('it never weighs more than it may, whatever is put in and over', () => {
  const recent = new Recent<number, string>(100, (value) => value.length);
  for (let i = 0; i < 500; i++) {
    recent.set(i % 7, 'x'.repeat((i * 31) % 60));
    expect(recent.weight).toBeLessThanOrEqual(100);
  }
  recent.set(3, 'y'.repeat(101));
  expect(recent.has(3)).toBe(false);
  for (let i = 0; i < 7; i++) recent.delete(i);
  expect([recent.weight, recent.size]).toEqual([0, 0]);
});
