import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boundsOf } from '../drawing/bounds';
import { page as pageOf, shape } from '../schema/defaults';
import type { PenPoint } from '../placement/erase';
import { inkAt, inkNodes, inkWords, spotOf, strokeMark } from './ink';
import type { Ink, InkMark } from './said';
import { InkMark as Schema, STAMP_NAMES } from './said';
import { STAMP_RADIUS, stampNode } from './stamps';

const box = (id: string, x: number, y: number) => shape({ id, x, y, width: 80, height: 60 });
const page = (...items: ReturnType<typeof box>[]) => pageOf({ id: 'p1', width: 600, height: 800, items });
const none = () => undefined;
/** With what only the screen knows of a pen. */
const red = { kind: 'pen', colour: '#b3261e', weight: 2 };

/** As it is said: with its spot on the page as it is then. */
function drawn(on: ReturnType<typeof page>, mark: InkMark, id = 'i'): Ink {
  const { page: pageId, item: itemId, x, y } = spotOf(on, mark, none);
  return { id, goId: 'g', pageId, itemId, x, y, mark };
}
const point = fc.tuple(
  fc.double({ min: 0, max: 600, noNaN: true }),
  fc.double({ min: 0, max: 800, noNaN: true }),
  fc.double({ min: 0, max: 1, noNaN: true }),
);
/** Around the box at 100, 100. */
const ring = Array.from({ length: 60 }, (_, i): PenPoint => {
  const angle = (i * Math.PI) / 30;
  return [140 + 55 * Math.cos(angle), 130 + 45 * Math.sin(angle), 0.5];
});

describe('a stroke', () => {
  test('of any points can be said: few enough, within its box, as wide as it was drawn', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 3000 }), (points) => {
        const mark = strokeMark(points, red);
        expect(Schema.safeParse(mark).success).toBe(true);
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
        // Thinned out, it may fall short of the outermost point, but never go beyond it.
        expect(mark.x).toBeGreaterThanOrEqual(Math.min(...xs) - 0.11);
        expect(mark.x + mark.width).toBeLessThanOrEqual(Math.max(...xs) + 0.61);
        expect(mark.y).toBeGreaterThanOrEqual(Math.min(...ys) - 0.01);
        expect(mark.y + mark.height).toBeLessThanOrEqual(Math.max(...ys) + 0.61);
      }),
      { numRuns: 60 },
    );
  });
  test('that ends where it ended, however long', () => {
    const long = Array.from({ length: 2500 }, (_, i): PenPoint => [100 + i * 0.2, 300, 0.5]);
    const mark = strokeMark(long, red);
    expect(mark.x + mark.width).toBeCloseTo(599.8, 1);
    expect(mark.points.length).toBeLessThanOrEqual(1500);
  });
  test('from a press without a move is a dot that is seen', () => {
    const on = page();
    expect(inkNodes(on, [drawn(on, strokeMark([[50, 50, 0.5]], red))], none)).toHaveLength(1);
  });
});

describe('what is drawn', () => {
  test('around a part is about that part, and goes where it goes', () => {
    const before = page(box('heart', 100, 100));
    const one = drawn(before, strokeMark(ring, red));
    expect(one.itemId).toBe('heart');
    const after = page(box('heart', 320, 400));
    expect(inkAt(after, [one], { x: 360 + 55, y: 430 }, 2, none)?.id).toBe('i');
    expect(inkAt(after, [one], { x: 140 + 55, y: 130 }, 2, none)).toBeUndefined();
  });
  test('stays where it was when the part is gone, and on its own page', () => {
    const before = page(box('heart', 100, 100));
    const one = drawn(before, { kind: 'stamp', stamp: 'star', x: 140, y: 130 });
    expect(one.itemId).toBe('heart');
    expect(inkAt(page(), [one], { x: 140, y: 130 }, 0, none)?.id).toBe('i');
    expect(inkNodes(pageOf({ id: 'p2', width: 600, height: 800 }), [one], none)).toEqual([]);
  });
  test('where nothing stands is about the place', () => {
    const one = drawn(page(box('heart', 100, 100)), { kind: 'stamp', stamp: 'eye', x: 500, y: 700 });
    expect(one).toMatchObject({ itemId: null, x: 500, y: 700 });
  });
  test('is rubbed out one by one: the uppermost first, and nothing beside it', () => {
    const on = page();
    const under = drawn(on, { kind: 'stamp', stamp: 'star', x: 200, y: 200 }, 'under');
    const over = drawn(on, { kind: 'stamp', stamp: 'tick', x: 210, y: 200 }, 'over');
    const all = [under, over];
    expect(inkAt(on, all, { x: 205, y: 200 }, 0, none)?.id).toBe('over');
    expect(inkAt(on, all, { x: 186, y: 200 }, 0, none)?.id).toBe('under');
    expect(inkAt(on, all, { x: 240, y: 200 }, 5, none)).toBeUndefined();
    const stroke = drawn(on, strokeMark(ring, red), 'ring');
    expect(inkAt(on, [stroke], { x: 140, y: 130 }, 6, none)).toBeUndefined();
    expect(inkAt(on, [stroke], { x: 195, y: 130 }, 6, none)?.id).toBe('ring');
  });
  test('is told in words', () => {
    const on = page();
    const star = drawn(on, { kind: 'stamp', stamp: 'star', x: 1, y: 1 });
    const stroke = drawn(on, strokeMark(ring, red));
    expect(inkWords([star])).toBe('1 stamp (Well done)');
    expect(inkWords([stroke, star, star, stroke])).toBe('2 strokes and 2 stamps (Well done)');
    expect(inkWords([])).toBe('');
  });
});

test('stamps are drawn within their disc, of lines and curves that can be moved', () => {
  for (const stamp of STAMP_NAMES) {
    const node = stampNode(stamp, 300, 200);
    const box = boundsOf(node)!;
    expect(box.x).toBeGreaterThanOrEqual(300 - STAMP_RADIUS - 2);
    expect(box.x + box.width).toBeLessThanOrEqual(300 + STAMP_RADIUS + 2);
    expect(box.y).toBeGreaterThanOrEqual(200 - STAMP_RADIUS - 2);
    expect(box.y + box.height).toBeLessThanOrEqual(200 + STAMP_RADIUS + 2);
    const paths = node.kind === 'group' ? node.children : [];
    expect(paths.length).toBeGreaterThan(1);
    for (const path of paths) expect(path).toMatchObject({ kind: 'path', d: expect.not.stringMatching(/[AaSsTt]/) });
  }
});
