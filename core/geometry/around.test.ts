import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clear, crosses, squareWay, wayAround } from './around';
import { overlaps } from './box';
import { edgeOf, route } from '../placement/line';
import type { Box } from './matrix';

const box = (x: number, y: number, width = 40, height = 30): Box => ({ x, y, width, height });
const p = (x: number, y: number) => ({ x, y });

describe('a segment crosses a box', () => {
  test.each([
    ['through its middle', p(-10, 15), p(60, 15), true],
    ['slanting through a corner', p(-5, 10), p(20, 35), true],
    ['along its edge', p(-10, 0), p(60, 0), false],
    ['touching a corner', p(-10, 10), p(10, -10), false],
    ['beside it', p(-10, -5), p(60, -5), false],
    ['ending before it', p(-50, 15), p(-1, 15), false],
    ['within it', p(5, 5), p(20, 20), true],
  ])('%s: %o', (_, a, b, wanted) => {
    expect(crosses(a, b, box(0, 0))).toBe(wanted);
    expect(crosses(b, a, box(0, 0))).toBe(wanted);
  });
});

const boxes = fc
  .array(fc.tuple(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 0, max: 400 })), { maxLength: 9 })
  .map((list) => list.map(([x, y]) => box(x, y)))
  .filter((list) =>
    list.every((a, i) =>
      list.every(
        (b, j) =>
          j <= i || !overlaps({ ...a, x: a.x - 20, width: a.width + 40, y: a.y - 20, height: a.height + 40 }, b),
      ),
    ),
  );

describe('a way around boxes', () => {
  const [a, b] = [p(0, 200), p(500, 210)];
  test('runs through none of them, and is straight where nothing is in the way', () =>
    fc.assert(
      fc.property(boxes, (list) => {
        const via = wayAround(a, b, { boxes: list, margin: 6 });
        expect(via).not.toBeNull();
        expect(clear([a, ...via!, b], list)).toBe(true);
        if (
          clear(
            [a, b],
            list.map((one) => box(one.x - 6, one.y - 6, one.width + 12, one.height + 12)),
          )
        )
          expect(via).toEqual([]);
      }),
    ));
  test('in level and upright stretches runs through none either', () =>
    fc.assert(
      fc.property(boxes, (list) => {
        const via = squareWay(a, b, { boxes: list, margin: 6 })!;
        const way = [a, ...via, b];
        expect(clear(way, list)).toBe(true);
        way.slice(1).forEach((q, i) => expect(q.x === way[i].x || q.y === way[i].y).toBe(true));
      }),
      { numRuns: 60 },
    ));
  test('among many boxes it runs through none of them either, and not far about', () => {
    const list = Array.from({ length: 80 }, (_, i) => box(60 + (i % 10) * 60, Math.floor(i / 10) * 50));
    for (const [from, to] of [
      [p(0, 15), p(700, 330)],
      [p(0, 340), p(700, 12)],
      [p(110, 0), p(530, 420)],
    ]) {
      const way = [from, ...wayAround(from, to, { boxes: list, margin: 4 })!, to];
      expect(clear(way, list)).toBe(true);
      const length = way.slice(1).reduce((sum, q, i) => sum + Math.hypot(q.x - way[i].x, q.y - way[i].y), 0);
      expect(length).toBeLessThan(Math.hypot(to.x - from.x, to.y - from.y) * 1.42);
    }
  });
  test('is the shortest: over the nearer corner', () => {
    const via = wayAround(p(0, 10), p(200, 10), { boxes: [box(80, 0, 40, 100)], margin: 5 })!;
    expect(via.every(({ y }) => y < 0)).toBe(true);
  });
  test('there is none out of a box that shuts an end in', () =>
    expect(wayAround(p(20, 15), p(300, 15), { boxes: [box(0, 0)], margin: 5 })).toBeNull());
});

describe('lines with sides', () => {
  test('leave and arrive square to them', () => {
    const { points } = route('stepped', p(0, 0), p(100, 60), 0.5, [], ['bottom', 'top']);
    expect(points).toEqual([p(0, 0), p(0, 30), p(100, 30), p(100, 60)]);
    expect(route('stepped', p(0, 0), p(100, 60), 0.5, [], ['right', 'top']).points).toEqual([
      p(0, 0),
      p(100, 0),
      p(100, 60),
    ]);
    expect(route('stepped', p(0, 0), p(30, 60), 0.5, [], ['left', 'left']).points[1].x).toBeLessThan(0);
    expect(route('curved', p(0, 0), p(100, 60), 0.5, [], ['bottom', 'top']).d).toMatch(/^M0 0C0 50/);
  });
  test('led through points, a straight one bends there and a curved one is smooth', () => {
    expect(route('straight', p(0, 0), p(90, 0), 0.5, [p(40, 30)]).points).toEqual([p(0, 0), p(40, 30), p(90, 0)]);
    const { d, points } = route('curved', p(0, 0), p(90, 0), 0.5, [p(30, 30), p(60, 30)]);
    expect(d.match(/Q/g)).toHaveLength(2);
    expect(Math.max(...points.map(({ y }) => y))).toBeLessThanOrEqual(30);
  });
  test('end in the middle of the side, or at the nearest spot of the edge', () => {
    expect(edgeOf(box(10, 10), 'box', 'left', p(500, 500))).toEqual(p(10, 25));
    expect(edgeOf(box(10, 10), 'box', null, p(500, 25))).toEqual(p(50, 25));
    expect(edgeOf(box(0, 0, 40, 40), 'oval', null, p(100, 100)).x).toBeCloseTo(20 + 20 / Math.SQRT2);
  });
});
