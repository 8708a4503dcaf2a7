import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Paint } from '../../core/schema/sheet';
import { Paint as PaintSchema } from '../../core/schema/sheet';
import { inSteps } from '../canvas/gestures/grips';
import { gradientFrom, paintGrips, paintPulled, withoutStop, withStop } from './gradient';

type Gradient = Exclude<Paint, { kind: 'solid' }>;
const linear = gradientFrom('linear', '#112233', '#ffffff') as Gradient;
const radial = gradientFrom('radial', '#112233', '#ffffff') as Gradient;
const at = fc.record({
  x: fc.double({ min: -300, max: 500, noNaN: true }),
  y: fc.double({ min: -300, max: 500, noNaN: true }),
});

describe('a gradient on its item', () => {
  test('has a grip at either end and one for each stop', () => {
    expect(paintGrips(linear, 100, 60).map((grip) => grip.what)).toEqual(['start', 'end', '0', '1']);
    expect(paintGrips(radial, 100, 60)[0]).toMatchObject({ what: 'middle', point: { x: 50, y: 30 } });
  });
  test('stays one that a sheet accepts, however its grips are pulled', () => {
    fc.assert(
      fc.property(fc.constantFrom(linear, radial), fc.nat({ max: 3 }), at, (paint, grip, point) => {
        const { what } = paintGrips(paint, 100, 60)[grip];
        expect(PaintSchema.safeParse(paintPulled(paint, 100, 60, what, point)).success).toBe(true);
      }),
    );
  });
  test('turns towards where its end is pulled', () => {
    expect(paintPulled(linear, 100, 100, 'end', { x: 100, y: 50 })).toMatchObject({ angle: 0 });
    expect(paintPulled(linear, 100, 100, 'start', { x: 50, y: 0 })).toMatchObject({ angle: 90 });
  });
  test('keeps its stops in order', () => {
    const { paint, index } = withStop(linear);
    expect(index).toBe(1);
    const pulled = paintPulled(paint as Gradient, 100, 100, '1', { x: 50, y: 400 }) as Gradient;
    expect(pulled.stops.map((stop) => stop.offset)).toEqual([0, 1, 1]);
    expect((withoutStop(paint as Gradient, 1) as Gradient).stops).toEqual(linear.stops);
    expect(withoutStop(linear, 0)).toEqual(linear);
  });
});

test('a line led in steps keeps its length and one of eight directions', () => {
  fc.assert(
    fc.property(at, (to) => {
      const from = { x: 10, y: 20 };
      const end = inSteps(from, to, 45);
      const [dx, dy] = [end.x - from.x, end.y - from.y];
      expect(Math.hypot(dx, dy)).toBeCloseTo(Math.hypot(to.x - from.x, to.y - from.y), 1);
      const eighth = (Math.atan2(dy, dx) * 180) / Math.PI / 45;
      if (Math.hypot(dx, dy) > 1) expect(Math.abs(eighth - Math.round(eighth))).toBeLessThan(0.01);
    }),
  );
});
