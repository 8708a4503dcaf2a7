import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Crop, Framed } from './frame';
import { croppedTo, fitCrop, held, onItem, replacedCrop, shiftedBelow, WHOLE, zoomed } from './frame';

const SIZE = { width: 300, height: 200 };
const item = (crop: Crop | null = null, width = 150, height = 100): Framed => ({ width, height, crop });

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const size = fc.record({ width: share(20, 2000), height: share(20, 2000) });
const part = fc
  .record({ x: share(0, 0.7), y: share(0, 0.7), width: share(0.1, 1), height: share(0.1, 1) })
  .map(({ x, y, width, height }) => ({ x, y, width: width * (1 - x), height: height * (1 - y) }));
const anyItem = fc
  .tuple(size, fc.option(part))
  .map(([frame, crop]): Framed => ({ ...frame, crop: crop && fitCrop(crop) }));
const near = (got: number, wanted: number, within = 1e-3) => expect(Math.abs(got - wanted)).toBeLessThan(within);
/** How much wider than high a picture is shown than it is. */
const stretch = ({ width, height, crop }: Framed, picture: { width: number; height: number }) => {
  const shown = crop ?? WHOLE;
  return width / (shown.width * picture.width) / (height / (shown.height * picture.height));
};

describe('what shows of a picture', () => {
  test('fills its frame', () => {
    expect(onItem(item(), SIZE, { x: 300, y: 100 })).toEqual({ x: 150, y: 50 });
    const half = item({ x: 0.5, y: 0, width: 0.5, height: 1 });
    expect(onItem(half, SIZE, { x: 150, y: 0 })).toEqual({ x: 0, y: 0 });
    expect(onItem(half, SIZE, { x: 300, y: 200 })).toEqual({ x: 150, y: 100 });
  });
  test('stays where it was when its frame is cropped', () => {
    fc.assert(
      fc.property(anyItem, part, size, (before, of, picture) => {
        const box = {
          x: of.x * before.width,
          y: of.y * before.height,
          width: of.width * before.width,
          height: of.height * before.height,
        };
        const after = { width: box.width, height: box.height, crop: croppedTo(before, box) };
        const spot = { x: picture.width * 0.3, y: picture.height * 0.8 };
        const [was, is] = [onItem(before, picture, spot), onItem(after, picture, spot)];
        near(is.x + box.x, was.x, 1e-6 * before.width + 1e-6);
        near(is.y + box.y, was.y, 1e-6 * before.height + 1e-6);
      }),
    );
  });
  test('moves with the pointer below its frame', () => {
    const before = item({ x: 0.2, y: 0.2, width: 0.5, height: 0.5 });
    const spot = { x: 120, y: 90 };
    const was = onItem(before, SIZE, spot);
    const is = onItem({ ...before, crop: shiftedBelow(before, { x: 12, y: -7 }) }, SIZE, spot);
    near(is.x, was.x + 12, 1e-9);
    near(is.y, was.y - 7, 1e-9);
  });
  test('stays within its frame, or covers it where it is larger', () => {
    fc.assert(
      fc.property(share(-5, 5), share(-5, 5), share(0.05, 6), share(0.05, 6), (x, y, width, height) => {
        const crop = held({ x, y, width, height });
        expect([crop.width, crop.height]).toEqual([width, height]);
        for (const [at, size] of [
          [crop.x, width],
          [crop.y, height],
        ]) {
          const [first, last] = [at, at + size];
          if (size <= 1) expect(first >= -1e-9 && last <= 1 + 1e-9).toBe(true);
          else expect(first <= 1e-9 && last >= 1 - 1e-9).toBe(true);
        }
      }),
    );
    expect(held(WHOLE)).toEqual(WHOLE);
  });
  test('grows about the middle, and shrinks back', () => {
    expect(zoomed(null, 2)).toEqual({ x: 0.25, y: 0.25, width: 0.5, height: 0.5 });
    expect(fitCrop(zoomed(zoomed(null, 2), 0.5))).toBeNull();
  });
  test('is kept within what a sheet may hold; just the whole is no crop', () => {
    expect(fitCrop(WHOLE)).toBeNull();
    expect(fitCrop({ x: 0.1, y: 0, width: 0, height: 90 })).toEqual({ x: 0.1, y: 0, width: 0.02, height: 20 });
  });
});

describe('another picture in the place of one', () => {
  test('with the same proportions shows the same part', () => {
    fc.assert(
      fc.property(anyItem, size, (before, picture) => {
        const after = replacedCrop(before, picture, { width: picture.width * 2, height: picture.height * 2 }, false);
        const [was, is] = [before.crop ?? WHOLE, after ?? WHOLE];
        for (const side of ['x', 'y', 'width', 'height'] as const) near(is[side], was[side]);
      }),
    );
  });
  test('is never stretched more than the one before', () => {
    fc.assert(
      fc.property(anyItem, size, size, fc.boolean(), (before, picture, next, fill) => {
        const crop = replacedCrop(before, picture, next, fill);
        const shown = crop ?? WHOLE;
        // At the ends of what a sheet may hold something has to give.
        fc.pre(Math.min(shown.width, shown.height) > 0.025 && Math.max(shown.width, shown.height) < 19.9);
        const [was, is] = [stretch(before, picture), stretch({ ...before, crop }, next)];
        near(is / was, 1, 0.01);
      }),
    );
  });
  test('shows whole where the one before did, and fills the frame where it was cut', () => {
    fc.assert(
      fc.property(anyItem, size, size, (before, picture, next) => {
        const { x, y, width, height } = replacedCrop(before, picture, next, false) ?? WHOLE;
        fc.pre(Math.min(width, height) > 0.025 && Math.max(width, height) < 19.9);
        if (before.crop) {
          expect(Math.min(x, y)).toBeGreaterThanOrEqual(-1e-4);
          expect(Math.max(x + width, y + height)).toBeLessThanOrEqual(1 + 1e-4);
        } else {
          expect(Math.max(x, y)).toBeLessThanOrEqual(1e-4);
          expect(Math.min(x + width, y + height)).toBeGreaterThanOrEqual(1 - 1e-4);
        }
      }),
    );
  });
  test('fills the frame without being cut more than it must', () => {
    const wide = replacedCrop(item(null, 100, 100), { width: 50, height: 50 }, { width: 400, height: 200 }, true);
    expect(wide).toEqual({ x: 0.25, y: 0, width: 0.5, height: 1 });
    const whole = replacedCrop(item(null, 100, 100), { width: 50, height: 50 }, { width: 400, height: 200 }, false);
    expect(whole).toEqual({ x: 0, y: -0.5, width: 1, height: 2 });
  });
});
