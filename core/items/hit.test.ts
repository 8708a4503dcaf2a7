import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { DrawnPicture } from '../pictures/picture';
import { free, group, held, line, page, picture, plain, shape, text } from '../schema/defaults';
import type { GroupItem, Item } from '../schema/sheet';
import { ShapeItem } from '../schema/items/shape';
import { lineEnds } from '../placement/line';
import { countShare, onEllipse } from '../geometry/shapes/pen';
import { itemName } from './name';
import { contains, encloses, grown, overlaps, spanned, union } from '../geometry/box';
import { covers, crossings, edgeDistance, flatten } from '../geometry/flatten';
import { boxOf, holdAt, itemsAt, itemsWithin, partAt, targetAt } from './hit';
import {
  adjusted,
  FAMILIES,
  OUTLINES,
  roundedBox,
  shapeHandles,
  shapeInside,
  shapePath,
  SHAPES,
} from '../geometry/shapes/shapes';

const bird: DrawnPicture = {
  id: 'diagram/bird',
  name: 'bird',
  width: 100,
  height: 100,
  paths: [],
  licence: '',
  credit: '',
  targets: [
    { name: 'bill', x: 80, y: 20, reach: 8 },
    { name: 'eye', x: 72, y: 20, reach: 4 },
  ],
};
const pictures = (id: string) => (id === bird.id ? bird : undefined);
const on = (...items: Item[]) => page({ id: 'p', items });
const ids = (items: Item[]) => items.map((item) => item.id);

test('who points into a group means the smallest part there, or the spot itself', () => {
  const p = on(
    group({
      id: 'made',
      x: 100,
      y: 100,
      width: 400,
      height: 300,
      items: [
        shape({ id: 'node', x: 20, y: 20, width: 120, height: 60 }),
        text({ id: 'words', x: 30, y: 30, width: 80, height: 20 }),
        group({
          id: 'inner',
          x: 200,
          y: 200,
          width: 60,
          height: 60,
          items: [shape({ id: 'deep', width: 60, height: 60 })],
        }),
        shape({ id: 'gone', x: 20, y: 200, width: 60, height: 60, hidden: true }),
        line({ id: 'leader', from: free(0, 0), to: free(400, 300) }),
      ],
    }),
    shape({ id: 'ground', x: 0, y: 0, width: 600, height: 700 }),
    picture({ id: 'bird', picture: bird.id, x: 0, y: 500, width: 100, height: 100 }),
  );
  const at = (x: number, y: number) => partAt(p, { x, y }, pictures)?.id;
  expect([at(140, 140), at(230, 170), at(330, 330)]).toEqual(['words', 'node', 'deep']);
  // Empty paper within the group, what is hidden, a line, a ground, a picture: these are spots.
  for (const [x, y] of [
    [450, 150],
    [140, 320],
    [300, 250],
    [20, 20],
    [50, 550],
  ])
    expect(at(x, y)).toBeUndefined();
});

test('what lies under a point comes front to back', () => {
  const p = on(
    shape({ id: 'front', x: 0, y: 0, width: 50, height: 50 }),
    shape({ id: 'back', x: 20, y: 20, width: 50, height: 50 }),
  );
  expect(ids(itemsAt(p, null, { x: 30, y: 30 }, 2, pictures))).toEqual(['front', 'back']);
  expect(ids(itemsAt(p, null, { x: 60, y: 60 }, 2, pictures))).toEqual(['back']);
  expect(itemsAt(p, null, { x: 300, y: 300 }, 2, pictures)).toEqual([]);
});

test('hidden things are not met', () =>
  expect(
    itemsAt(on(shape({ id: 'a', width: 50, height: 50, hidden: true })), null, { x: 10, y: 10 }, 2, pictures),
  ).toEqual([]));

test('a turned box is met where it is seen', () => {
  const p = on(shape({ id: 'a', x: 0, y: 40, width: 100, height: 20, angle: 90 }));
  expect(ids(itemsAt(p, null, { x: 50, y: 5 }, 1, pictures))).toEqual(['a']);
  expect(itemsAt(p, null, { x: 5, y: 50 }, 1, pictures)).toEqual([]);
});

test('a thin line is met within reach', () => {
  const p = on(line({ id: 'l', from: free(0, 0), to: free(100, 0) }));
  expect(ids(itemsAt(p, null, { x: 50, y: 4 }, 4, pictures))).toEqual(['l']);
  expect(itemsAt(p, null, { x: 50, y: 9 }, 4, pictures)).toEqual([]);
});

test('a group is met at its parts, not in the gap between, and its parts once it is entered', () => {
  const pair = group({
    id: 'g',
    x: 100,
    y: 100,
    width: 100,
    height: 20,
    items: [shape({ id: 'a', width: 20, height: 20 }), shape({ id: 'b', x: 80, width: 20, height: 20 })],
  });
  const p = on(pair);
  expect(ids(itemsAt(p, null, { x: 110, y: 110 }, 1, pictures))).toEqual(['g']);
  expect(itemsAt(p, null, { x: 150, y: 110 }, 1, pictures)).toEqual([]);
  expect(ids(itemsAt(p, p.items[0] as GroupItem, { x: 185, y: 110 }, 1, pictures))).toEqual(['b']);
});

test('a sweep takes what lies wholly within', () => {
  const p = on(
    shape({ id: 'in', x: 10, y: 10, width: 20, height: 20 }),
    shape({ id: 'out', x: 90, y: 10, width: 40, height: 20 }),
  );
  expect(ids(itemsWithin(p, null, spanned({ x: 100, y: 100 }, { x: 0, y: 0 }), pictures))).toEqual(['in']);
});

test('the nearest named part within reach is held on to', () => {
  const p = on(text({ id: 't' }), picture({ id: 'b', picture: bird.id, x: 200, y: 100, width: 200, height: 200 }));
  expect(targetAt(p, { x: 362, y: 141 }, 3, pictures)).toEqual({ item: 'b', target: 'bill' });
  expect(targetAt(p, { x: 345, y: 141 }, 3, pictures)).toEqual({ item: 'b', target: 'eye' });
  expect(targetAt(p, { x: 210, y: 290 }, 3, pictures)).toBeNull();
});

test('the box of a line follows what it holds on to', () => {
  const held = line({ id: 'l', from: free(0, 0), to: { ...free(1, 1), item: 's' } });
  expect(
    boxOf(on(held, shape({ id: 's', x: 100, y: 0, width: 20, height: 20 })), held, pictures).width,
  ).toBeGreaterThan(90);
});

test('boxes: union, growing, containing, overlapping', () => {
  const [a, b] = [
    { x: 0, y: 0, width: 10, height: 10 },
    { x: 20, y: 5, width: 10, height: 10 },
  ];
  expect(union([a, b])).toEqual({ x: 0, y: 0, width: 30, height: 15 });
  expect(union([])).toEqual({ x: 0, y: 0, width: 0, height: 0 });
  expect(grown(a, 2)).toEqual({ x: -2, y: -2, width: 14, height: 14 });
  expect(contains(a, { x: 10, y: 10 })).toBe(true);
  expect(encloses(union([a, b]), b)).toBe(true);
  expect(overlaps(a, b)).toBe(false);
});

test('there are more than sixty shapes, each in one family but for figures of free corners', () => {
  expect(SHAPES.length).toBeGreaterThanOrEqual(60);
  expect(FAMILIES.flatMap((family) => family.shapes).sort()).toEqual(SHAPES.filter((shape) => shape !== 'free').sort());
  expect(shapePath('free', 100, 50, [0, 0, 1, 0.5, 0.25, 1])).toBe('M0 0L100 25L25 50Z');
  expect(new Set(SHAPES.map((shape) => OUTLINES[shape].name)).size).toBe(SHAPES.length);
});

test.each(SHAPES.filter((shape) => shape !== 'free'))(
  'a %s is drawn within its box but for a tail, and has room for words',
  (kind) => {
    for (const value of [0, 0.5, 1]) {
      const adjust = (OUTLINES[kind].start ?? []).map(() => value);
      const d = shapePath(kind, 120, 80, adjust);
      expect(d).toMatch(OUTLINES[kind].open ? /^M[^Z]*$/ : /^M.*Z/);
      const tail = FAMILIES.find((family) => family.name === 'spoken')!.shapes.includes(kind);
      const { box } = flatten(d);
      if (!tail) expect(encloses({ x: -1, y: -1, width: 122, height: 82 }, box)).toBe(true);
      expect(Math.max(box.width, box.height)).toBeGreaterThan(35);
      const inside = shapeInside(kind, 120, 80, adjust);
      expect(encloses({ x: 0, y: 0, width: 120, height: 80 }, inside)).toBe(true);
      expect(inside.width * inside.height).toBeGreaterThan(0);
    }
  },
);

test.each(SHAPES.filter((shape) => OUTLINES[shape].handles))(
  'the handles of a %s go where they are dragged',
  (kind) => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.02, max: 0.98, noNaN: true }), { minLength: 2, maxLength: 2 }),
        (wish) => {
          const values = (OUTLINES[kind].start ?? []).map((_, i) => wish[i]);
          const handles = shapeHandles(kind, 140, 100, values);
          for (const [i, { point }] of handles.entries()) {
            const found = adjusted(kind, 140, 100, values, i, point);
            const now = shapeHandles(kind, 140, 100, found)[i].point;
            expect(Math.hypot(now.x - point.x, now.y - point.y)).toBeLessThan(0.6);
            const free = OUTLINES[kind].reached !== undefined;
            for (const value of found) expect(free || (value >= 0 && value <= 1)).toBe(true);
          }
        },
      ),
      { numRuns: 15 },
    );
  },
);

describe('a shape is met where it is painted', () => {
  const at = (given: Parameters<typeof shape>[0], x: number, y: number) => {
    const on = page({ id: 'p', items: [shape({ x: 100, y: 100, width: 200, height: 100, ...given })] });
    return itemsAt(on, null, { x, y }, 3, () => undefined).length > 0;
  };
  test('a filled one all over, but not beyond its outline', () => {
    expect(at({ id: 'a', shape: 'ellipse' }, 200, 150)).toBe(true);
    expect(at({ id: 'a', shape: 'ellipse' }, 106, 106)).toBe(false);
  });
  test('a hollow one at its edge, so that what lies in it can be reached', () => {
    expect(at({ id: 'a', fill: null }, 200, 150)).toBe(false);
    expect(at({ id: 'a', fill: null }, 101, 150)).toBe(true);
    expect(at({ id: 'a', fill: null, body: plain('words') }, 200, 150)).toBe(true);
  });
  test('a ring has a hole', () => {
    expect(at({ id: 'a', shape: 'ring' }, 200, 150)).toBe(false);
    expect(at({ id: 'a', shape: 'ring' }, 110, 150)).toBe(true);
  });
});

test('a path covers what it goes round, by either rule', () => {
  const two = flatten('M0 0L20 0L20 20L0 20ZM5 5L15 5L15 15L5 15Z');
  expect(covers(two, { x: 10, y: 10 })).toBe(true);
  expect(covers(two, { x: 10, y: 10 }, true)).toBe(false);
  expect(covers(two, { x: 30, y: 10 })).toBe(false);
  const curved = flatten('M0 10C0 4 4 0 10 0Q20 0 20 10H10V20Z');
  expect(curved.box).toEqual({ x: 0, y: 0, width: 20, height: 20 });
  expect(edgeDistance(curved, { x: 10, y: -3 })).toBeCloseTo(3, 1);
});

test('round corners are at most half the shorter side', () =>
  expect(roundedBox(100, 20, 500)).toBe(roundedBox(100, 20, 10)));

test('a line’s end holds on to what lies within a group, turned groups included, never to a group or picture itself', () => {
  const inner = shape({ id: 'inner', x: 10, y: 10, width: 40, height: 20 });
  const turned = group({ id: 'g', x: 100, y: 100, width: 100, height: 60, angle: 90, items: [inner] });
  const p = on(turned, picture({ id: 'bird', picture: bird.id, x: 300, y: 0, width: 100, height: 100 }));
  // Turned by a quarter about 150, 130: the inner box's middle goes from 130, 120 to 160, 110.
  expect(holdAt(p, { x: 160, y: 110 }, 2, pictures, 'line')?.id).toBe('inner');
  expect(holdAt(p, { x: 120, y: 150 }, 2, pictures, 'line')).toBeNull();
  expect(holdAt(p, { x: 350, y: 50 }, 2, pictures, 'line')).toBeNull();
  expect(holdAt(p, { x: 160, y: 110 }, 2, pictures, 'inner')).toBeNull();
});

test('named parts are found on pictures within groups', () => {
  const inner = picture({ id: 'bird', picture: bird.id, width: 100, height: 100 });
  const p = on(group({ id: 'g', x: 50, y: 0, width: 100, height: 100, items: [inner] }));
  expect(targetAt(p, { x: 131, y: 21 }, 4, pictures)).toEqual({ item: 'bird', target: 'bill' });
});

test('the tail of a balloon reaches anywhere on the page', () => {
  const somewhere = fc.record({ x: fc.integer({ min: -2000, max: 2000 }), y: fc.integer({ min: -2000, max: 2000 }) });
  fc.assert(
    fc.property(fc.constantFrom('balloon', 'thought', 'shout'), somewhere, (kind, point) => {
      const values = adjusted(kind, 90, 60, [], 0, point);
      const [{ point: tip }] = shapeHandles(kind, 90, 60, values);
      expect(Math.hypot(tip.x - point.x, tip.y - point.y)).toBeLessThan(0.1);
      expect(ShapeItem.safeParse(shape({ id: 'a', shape: kind, adjust: values })).success).toBe(true);
    }),
  );
});

test('values out of reach are drawn as the nearest that can be', () => {
  expect(shapePath('triangle', 100, 80, [7])).toBe(shapePath('triangle', 100, 80, [1]));
});

test('a polygon says how many sides it has, and has as many corners', () => {
  for (let sides = 3; sides <= 12; sides++) {
    const adjust = [countShare(OUTLINES.polygon.counted!, sides)];
    expect(itemName(shape({ id: 'a', shape: 'polygon', adjust }))).toBe(`polygon of ${sides} sides`);
    expect(shapePath('polygon', 100, 100, adjust).match(/[ML]/g)).toHaveLength(sides);
  }
});

describe('a line ends on what is drawn', () => {
  const from = (given: Parameters<typeof shape>[0], to: [number, number]) => {
    const leader = line({ id: 'l', from: held(given.id), to: free(...to) });
    const p = on(shape({ x: 100, y: 100, width: 200, height: 100, ...given }), leader);
    return lineEnds(p, leader, pictures).from;
  };
  test('a star between two of its tips, not the box around it', () => {
    const star = { id: 'a', shape: 'star' as const };
    const corner = from(star, [500, 250]);
    const outline = flatten(shapePath('star', 200, 100, []));
    expect(edgeDistance(outline, { x: corner.x - 100, y: corner.y - 100 })).toBeLessThan(0.01);
    expect(corner.x).toBeLessThan(290);
  });
  test('any filled shape, from anywhere outside: on its edge, with nothing of it between', () => {
    const filled = SHAPES.filter((kind) => kind !== 'free' && !OUTLINES[kind].open && !OUTLINES[kind].reached);
    const degrees = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(fc.constantFrom(...filled), degrees, (kind, angle) => {
        const far = onEllipse(200, 150, 900, 900, angle);
        const end = from({ id: 'a', shape: kind }, [far.x, far.y]);
        const outline = flatten(shapePath(kind, 200, 100, []));
        const local = { x: end.x - 100, y: end.y - 100 };
        const met = crossings(outline, { x: 100, y: 50 }, { x: far.x - 100, y: far.y - 100 });
        if (met.length > 0) expect(edgeDistance(outline, local)).toBeLessThan(0.5);
        for (const t of [0.05, 0.3, 0.7]) {
          const between = { x: local.x + (far.x - 100 - local.x) * t, y: local.y + (far.y - 100 - local.y) * t };
          expect(covers(outline, between)).toBe(false);
        }
      }),
      { numRuns: 400 },
    );
  });
  test('a line can be led to the middle of a hollow shape, the smallest one first, but not to its blank corners', () => {
    const p = on(
      shape({ id: 'page', width: 600, height: 700, fill: null }),
      shape({ id: 'ring', x: 200, y: 250, width: 200, height: 200, fill: null }),
    );
    expect(itemsAt(p, null, { x: 300, y: 350 }, 3, pictures)).toEqual([]);
    expect(holdAt(p, { x: 300, y: 350 }, 3, pictures, 'l')?.id).toBe('ring');
    expect(holdAt(p, { x: 60, y: 640 }, 3, pictures, 'l')).toBeNull();
  });
});
