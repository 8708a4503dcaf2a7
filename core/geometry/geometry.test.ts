import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { page, shape, text } from '../schema/defaults';
import { held, line, picture } from '../schema/defaults';
import type { DrawnPicture } from '../pictures/picture';
import { frameMatrix } from './frame';
import { pageBox } from '../placement/on-page';
import { distanceTo, lineEnds, route } from '../placement/line';
import { compose, inverse, multiply, rotation, transform, translation } from './matrix';
import { handlePoint, HANDLES, rescaled, resize, turned } from './resize';
import { snap, snapTargets } from './snap';

const coordinate = fc.integer({ min: -500, max: 500 });
const size = fc.integer({ min: 5, max: 400 });
const frame = fc.record({
  x: coordinate,
  y: coordinate,
  width: size,
  height: size,
  angle: fc.integer({ min: -180, max: 180 }),
  flipX: fc.boolean(),
  flipY: fc.boolean(),
});
const close = (a: { x: number; y: number }, b: { x: number; y: number }) => {
  expect(a.x).toBeCloseTo(b.x, 5);
  expect(a.y).toBeCloseTo(b.y, 5);
};

describe('matrices', () => {
  test('an inverse leads back', () => {
    fc.assert(
      fc.property(frame, coordinate, coordinate, (f, x, y) => {
        const m = frameMatrix(f);
        close(transform(inverse(m), transform(m, { x, y })), { x, y });
      }),
    );
  });
  test('compose from left to right as nested groups', () =>
    close(transform(compose(translation(10, 0), rotation(90)), { x: 1, y: 0 }), { x: 10, y: 1 }));
  test('multiplying is composing', () =>
    expect(multiply(translation(1, 2), translation(3, 4))).toEqual(translation(4, 6)));
  test('a flat map has no way back', () => expect(() => inverse([0, 0, 0, 0, 1, 1])).toThrow(RangeError));
});

describe('resizing', () => {
  test('leaves the opposite handle where it is, however the frame is turned or flipped', () => {
    fc.assert(
      fc.property(
        frame,
        fc.constantFrom(...HANDLES),
        coordinate,
        coordinate,
        fc.boolean(),
        (f, handle, x, y, proportional) => {
          const next = resize(f, handle, { x, y }, { proportional });
          const opposite = { x: -handle.x, y: -handle.y } as typeof handle;
          close(handlePoint(next, opposite), handlePoint(f, opposite));
          expect(next.width).toBeGreaterThanOrEqual(4);
        },
      ),
    );
  });
  test('from the centre leaves the centre where it is', () => {
    fc.assert(
      fc.property(frame, fc.constantFrom(...HANDLES), coordinate, (f, handle, d) => {
        close(
          handlePoint(resize(f, handle, { x: d, y: d }, { fromCentre: true }), { x: 0, y: 0 }),
          handlePoint(f, { x: 0, y: 0 }),
        );
      }),
    );
  });
  test('with kept proportions keeps them', () => {
    fc.assert(
      fc.property(frame, fc.constantFrom(...HANDLES), fc.integer({ min: 20, max: 300 }), (f, handle, d) => {
        const next = resize(f, handle, { x: d, y: d }, { proportional: true, min: 0.001 });
        if (next.width > 1 && next.height > 1) expect(next.width / next.height).toBeCloseTo(f.width / f.height, 3);
      }),
    );
  });
  test('a box rescaled there and back is the same', () => {
    fc.assert(
      fc.property(frame, (f) => {
        const [a, b] = [
          { x: 0, y: 0, width: 100, height: 100 },
          { x: 20, y: 30, width: 250, height: 60 },
        ];
        const back = rescaled(rescaled(f, a, b), b, a);
        expect(back.width).toBeCloseTo(f.width, 6);
        close(back, f);
      }),
    );
  });
  test('turning goes in whole steps when asked', () => {
    const f = { x: 0, y: 0, width: 100, height: 100, angle: 0, flipX: false, flipY: false };
    expect(turned(f, { x: 50, y: -50 })).toBe(0);
    expect(turned(f, { x: 150, y: 50 })).toBe(90);
    expect(turned(f, { x: 100, y: -50 }, 15)).toBe(30);
  });
});

describe('snapping', () => {
  const boxes = fc.array(fc.record({ x: coordinate, y: coordinate, width: size, height: size }), {
    minLength: 1,
    maxLength: 20,
  });
  test('never moves further than its reach, and snapping again does not move', () => {
    fc.assert(
      fc.property(boxes, fc.record({ x: coordinate, y: coordinate, width: size, height: size }), (others, box) => {
        const targets = snapTargets(others);
        const { dx, dy } = snap(box, targets, 6);
        expect(Math.abs(dx)).toBeLessThanOrEqual(6);
        expect(Math.abs(dy)).toBeLessThanOrEqual(6);
        const again = snap({ ...box, x: box.x + dx, y: box.y + dy }, targets, 6);
        // Only what lay beyond the reach of the first can still draw it on.
        for (const [first, second] of [
          [dx, again.dx],
          [dy, again.dy],
        ])
          expect(Math.abs(second) < 1e-9 || Math.abs(first + second) > 6).toBe(true);
      }),
    );
  });
  test('once moved down, it has equal gaps with what stands abreast of it then', () => {
    const others = [
      { x: 12, y: 0, width: 5, height: 9 },
      { x: 0, y: 0, width: 5, height: 9 },
      { x: 0, y: 0, width: 5, height: 5 },
    ];
    const box = { x: 6, y: 8, width: 5, height: 5 };
    const targets = snapTargets(others);
    const { dx, dy } = snap(box, targets, 6);
    expect(snap({ ...box, x: box.x + dx, y: box.y + dy }, targets, 6)).toMatchObject({ dx: 0, dy: 0 });
  });
  test('meets an edge within reach and shows the guide between both', () => {
    const { dx, guides } = snap(
      { x: 103, y: 300, width: 50, height: 20 },
      snapTargets([{ x: 100, y: 0, width: 200, height: 40 }]),
      6,
    );
    expect(dx).toBe(-3);
    expect(guides).toContainEqual({ axis: 'x', at: 100, from: 0, to: 320 });
  });
});

describe('lines', () => {
  const bird: DrawnPicture = {
    id: 'diagram/bird',
    name: 'bird',
    width: 100,
    height: 100,
    paths: [],
    licence: '',
    credit: '',
    targets: [{ name: 'bill', x: 80, y: 20, reach: 8 }],
  };
  const pictures = (id: string) => (id === bird.id ? bird : undefined);
  const label = text({ id: 'label', x: 300, y: 0, width: 60, height: 20 });
  const leader = line({
    id: 'l',
    from: held('label'),
    to: held('p', 'bill', 9, 9),
  });
  const on = (items: Parameters<typeof page>[0]['items']) => page({ id: 'p1', items });
  test('end on the named part of a picture, and at the edge of a box', () => {
    const ends = lineEnds(
      on([label, leader, picture({ id: 'p', picture: bird.id, width: 200, height: 200 })]),
      leader,
      pictures,
    );
    close(ends.to, { x: 160, y: 40 });
    expect(ends.from.x).toBe(300);
  });
  test('follow a picture that is turned', () => {
    const ends = lineEnds(
      on([label, leader, picture({ id: 'p', picture: bird.id, width: 100, height: 100, angle: 90 })]),
      leader,
      pictures,
    );
    close(ends.to, { x: 80, y: 80 });
  });
  test('stay where they were when what they held on to is gone', () =>
    close(lineEnds(on([leader]), leader, pictures).to, { x: 9, y: 9 }));
  test.each(['straight', 'stepped', 'curved'] as const)('run from end to end (%s)', (kind) => {
    const { points } = route(kind, { x: 0, y: 0 }, { x: 50, y: 80 });
    close(points[0], { x: 0, y: 0 });
    close(points.at(-1)!, { x: 50, y: 80 });
  });
  test('know how far a point is', () =>
    expect(
      distanceTo(
        [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
        ],
        { x: 5, y: 3 },
      ),
    ).toBe(3));
});

test('the box around a turned item holds its corners', () => {
  const item = shape({ id: 's', x: 0, y: 0, width: 100, height: 100, angle: 45 });
  const box = pageBox(page({ id: 'p', items: [item] }), item);
  expect(box.width).toBeCloseTo(Math.SQRT2 * 100, 5);
});
