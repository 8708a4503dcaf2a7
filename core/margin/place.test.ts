import fc from 'fast-check';
import { expect, test } from 'vitest';
import { place } from './place';

const entries = fc
  .array(fc.record({ wish: fc.integer({ min: 0, max: 900 }), height: fc.integer({ min: 20, max: 160 }) }), {
    maxLength: 12,
  })
  .map((list) => list.map((entry, i) => ({ id: `${i}`, ...entry })));

test('entries never overlap, whatever they wish', () => {
  fc.assert(
    fc.property(entries, (list) => {
      const tops = place(list, 10, 800, 8);
      const boxes = list
        .map((e) => ({ top: tops.get(e.id)!, bottom: tops.get(e.id)! + e.height }))
        .sort((a, b) => a.top - b.top);
      boxes.slice(1).forEach((box, i) => expect(box.top - boxes[i].bottom).toBeGreaterThanOrEqual(8 - 1e-6));
      for (const box of boxes) expect(box.top).toBeGreaterThanOrEqual(10 - 1e-6);
    }),
  );
});

test('an entry with room stands at its anchor', () =>
  expect(place([{ id: 'a', wish: 200, height: 50 }], 0, 800, 8).get('a')).toBe(200));

test('two that want one place share the way', () => {
  const tops = place(
    [
      { id: 'a', wish: 200, height: 40 },
      { id: 'b', wish: 200, height: 40 },
    ],
    0,
    800,
    10,
  );
  expect([tops.get('a'), tops.get('b')]).toEqual([175, 225]);
});

test('entries that fit stay within the margin', () => {
  const tops = place(
    [
      { id: 'a', wish: 790, height: 60 },
      { id: 'b', wish: 795, height: 60 },
    ],
    0,
    800,
    10,
  );
  expect(tops.get('b')! + 60).toBeLessThanOrEqual(800);
});
