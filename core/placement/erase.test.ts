import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ink } from '../schema/defaults';
import { Item } from '../schema/sheet';
import type { PenPoint } from './erase';
import { erased, mayTouch, pointsOf, strokeOf } from './erase';

const stroke = (points: PenPoint[]) => ink({ id: 'i', weight: 2, ...strokeOf(points) });
const straight = stroke([
  [0, 10, 0.5],
  [100, 10, 0.5],
]);

describe('pen strokes', () => {
  it('keep the points that the pen went through, and are valid items', () => {
    const point = fc.tuple(
      fc.double({ min: -200, max: 900, noNaN: true }),
      fc.double({ min: -200, max: 900, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
    ) as fc.Arbitrary<PenPoint>;
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 60 }), (points) => {
        const item = stroke(points);
        expect(Item.safeParse(item).success).toBe(true);
        pointsOf(item).forEach(([x, y], i) => {
          expect(Math.abs(x - points[i][0])).toBeLessThan(0.05);
          expect(Math.abs(y - points[i][1])).toBeLessThan(0.05);
        });
      }),
    );
  });
  it('of ten thousand points are thinned out to what a sheet holds', () => {
    const item = stroke(Array.from({ length: 10_000 }, (_, i) => [i % 300, (i * 7) % 200, 0.5]));
    expect(Item.safeParse(item).success).toBe(true);
  });
});

describe('the eraser', () => {
  it('cuts a stroke in two where it crossed', () => {
    const pieces = erased(
      straight,
      [
        { x: 50, y: 0 },
        { x: 50, y: 20 },
      ],
      5,
    )!;
    expect(pieces).toHaveLength(2);
    expect(pieces[0].at(-1)![0]).toBeLessThan(44.5);
    expect(pieces[1][0][0]).toBeGreaterThan(55.5);
    expect(pieces[1].at(-1)).toEqual([100, 10, 0.5]);
  });
  it('takes all of what it went over, and nothing of what it did not touch', () => {
    expect(
      erased(
        straight,
        [
          { x: -5, y: 10 },
          { x: 105, y: 10 },
        ],
        5,
      ),
    ).toEqual([]);
    expect(erased(straight, [{ x: 50, y: 40 }], 5)).toBeNull();
  });
  it('leaves nothing within its reach', () => {
    const coordinate = fc.double({ min: -20, max: 120, noNaN: true });
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) => {
        for (const piece of erased(straight, [{ x, y }], 8) ?? [])
          for (const [px, py] of piece) expect(Math.hypot(px - x, py - y)).toBeGreaterThan(8.9);
      }),
    );
  });
  it('is told quickly when it is nowhere near', () => {
    expect(mayTouch(straight, { x: 50, y: 12 }, 4)).toBe(true);
    expect(mayTouch(straight, { x: 50, y: 80 }, 4)).toBe(false);
  });
});
