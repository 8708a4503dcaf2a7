import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ownPicture } from '../../tests/support/own';
import type { DrawnPicture } from '../pictures/picture';
import { held, line, page, picture, text } from '../schema/defaults';
import type { PictureItem } from '../schema/sheet';
import { wholeBox } from '../pictures/frame';
import { replaced } from './replaced';
import { targetPoint } from './line';

const drawn = (id: string, values: Partial<DrawnPicture> = {}): DrawnPicture => ({
  id: `flat/${id}`,
  name: id,
  width: 200,
  height: 100,
  paths: [],
  targets: [],
  licence: 'CC0',
  credit: `drawn by ${id}`,
  ...values,
});
const parts = (...names: string[]) => names.map((name, i) => ({ name, x: 20 + 30 * i, y: 70 - 20 * i, reach: 4 }));
const heron = drawn('heron', { targets: parts('bill', 'leg') });
const crab = drawn('crab', { width: 90, height: 120, targets: parts('leg') });

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyItem = fc
  .record({
    x: share(-50, 500),
    y: share(-50, 500),
    width: share(20, 400),
    height: share(20, 400),
    angle: share(0, 360),
    flipX: fc.boolean(),
    opacity: share(0.1, 1),
    soften: share(0, 1),
    reflection: share(0, 1),
    cut: fc.constantFrom(null, 'ellipse' as const),
    role: fc.constantFrom(null, 'title'),
    touch: fc.constantFrom('fixed' as const, 'free' as const),
    locked: fc.boolean(),
    crop: fc.constantFrom(null, { x: 0.1, y: 0.2, width: 0.5, height: 0.6 }),
  })
  .map((values) => picture({ id: 'p', picture: heron.id, alt: 'heron', credit: 'somebody', ...values }));

describe('another picture in the place of one', () => {
  test('keeps everything but what it shows', () => {
    fc.assert(
      fc.property(anyItem, fc.constantFrom(crab, ownPicture()), fc.boolean(), (item, next, known) => {
        const { item: after } = replaced(page({ id: 'a', items: [item] }), item, known ? heron : undefined, next);
        const { picture: _picture, alt: _alt, credit: _credit, crop: _crop, ...rest } = item;
        const { picture: shown, alt, credit, crop: _now, ...kept } = after;
        expect(kept).toEqual(rest);
        expect([shown, alt, credit]).toEqual([next.id, next.name, next.credit]);
      }),
    );
  });
  test('keeps lines on its parts: by name where it has the part, else at their spot', () => {
    fc.assert(
      fc.property(anyItem, (item) => {
        const lines = [
          line({ id: 'leg', from: held('label'), to: held('p', 'leg') }),
          line({ id: 'bill', from: held('label'), to: held('p', 'bill') }),
          line({ id: 'other', from: held('label'), to: held('q', 'bill') }),
        ];
        const on = page({ id: 'a', items: [text({ id: 'label' }), ...lines, item] });
        const { item: after, lines: led } = replaced(on, item, heron, crab);
        expect(led.map(({ id }) => id)).toEqual(['bill']);
        const was = targetPoint(item, 'bill', () => heron)!;
        const is = targetPoint(after, led[0].to.target!, () => crab)!;
        // A spot that lies outside of the new picture moves to its edge.
        const box = wholeBox(after);
        const nearest = (value: number, from: number, size: number) => Math.max(from, Math.min(from + size, value));
        expect(Math.abs(is.x - nearest(was.x, box.x, box.width))).toBeLessThan(box.width / 1000);
        expect(Math.abs(is.y - nearest(was.y, box.y, box.height))).toBeLessThan(box.height / 1000);
      }),
    );
  });
  test('fills the frame with a photo where a photo was, and shows a drawing whole', () => {
    const [old, photo] = [ownPicture('own/a'.padEnd(36, '0')), ownPicture('own/b'.padEnd(36, '0'), { width: 100 })];
    const item: PictureItem = picture({ id: 'p', picture: old.id, width: 200, height: 100 });
    const on = page({ id: 'a', items: [item] });
    expect(replaced(on, item, old, photo).item.crop).toEqual({ x: 0, y: 0.375, width: 1, height: 0.25 });
    expect(replaced(on, item, old, crab).item.crop!.width).toBeGreaterThan(1);
  });
});
