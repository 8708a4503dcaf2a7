import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clearedMask, groundMask, maskPixels } from './clearing';
import type { Clearing } from './recipe';
import { clearingCode } from './recipe';

type Rgb = readonly [number, number, number];
/** A ground with a disc on it, and a hole of the ground's colour in the disc. */
function disc(size: number, ground: Rgb, colour: Rgb, spotted = 0) {
  const data = new Uint8ClampedArray(size * size * 4);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const away = Math.hypot(x - size / 2, y - size / 2) / size;
      const [r, g, b] = away < 0.08 || away > 0.3 ? ground : colour;
      const by = spotted * (((x * 7 + y * 13) % 5) - 2);
      data.set([r + by, g + by, b + by, 255], (y * size + x) * 4);
    }
  return { width: size, height: size, data };
}
const PLAIN: Clearing = { border: true, spots: [], tolerance: 0.15, soft: 0, strokes: [] };
const SIZE = 100;
const at = (mask: Uint8Array, x: number, y: number) => mask[y * SIZE + x];
const RED: Rgb = [200, 40, 40];
const SKY: Rgb = [150, 200, 230];

describe('a background', () => {
  test('goes where it reaches the edge; what is like it inside stays until it is touched', () => {
    const picture = disc(SIZE, SKY, RED);
    const mask = clearedMask(picture, PLAIN);
    expect([at(mask, 2, 2), at(mask, 50, 30), at(mask, 50, 50)]).toEqual([0, 255, 255]);
    const touched = clearedMask(picture, { ...PLAIN, spots: [{ x: 0.5, y: 0.5 }] });
    expect([at(touched, 2, 2), at(touched, 50, 30), at(touched, 50, 50)]).toEqual([0, 255, 0]);
  });
  test('of a slightly uneven colour goes as a whole, with enough tolerance', () => {
    const picture = disc(SIZE, SKY, RED, 6);
    const gone = (tolerance: number) =>
      clearedMask(picture, { ...PLAIN, tolerance }).filter((left) => left === 0).length / SIZE ** 2;
    expect(gone(0.15)).toBeGreaterThan(0.7);
    expect(gone(0)).toBeLessThan(0.3);
  });
  test('the more is tolerated, the more goes', () => {
    const picture = disc(48, SKY, RED, 9);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)].map((tolerance) =>
          clearedMask(picture, { ...PLAIN, tolerance }),
        );
        expect(more.every((left, i) => left <= less[i])).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
  test('has a soft edge where that is wanted, and none else', () => {
    const picture = disc(SIZE, SKY, RED);
    const between = (soft: number) =>
      clearedMask(picture, { ...PLAIN, soft }).filter((left) => left > 0 && left < 255).length;
    expect(between(0)).toBe(0);
    expect(between(1)).toBeGreaterThan(100);
  });
  test('that is clear already is ground, whatever colour it hides', () => {
    const picture = disc(SIZE, SKY, RED);
    for (let i = 0; i < SIZE * 20; i++) picture.data.set([(i * 37) % 256, (i * 91) % 256, 0, 0], i * 4);
    expect(at(clearedMask(picture, PLAIN), 50, 10)).toBe(0);
  });
});

describe('a brush', () => {
  const stroke = (erases: boolean, points: number[]) => ({ erases, size: 0.1, points });
  test('erases and brings back along its way, the last stroke last', () => {
    const picture = disc(SIZE, SKY, RED);
    const strokes = [stroke(true, [0.2, 0.3, 0.8, 0.3]), stroke(false, [0.05, 0.05])];
    const mask = clearedMask(picture, { ...PLAIN, strokes });
    expect([at(mask, 50, 30), at(mask, 50, 70), at(mask, 5, 5), at(mask, 15, 5)]).toEqual([0, 255, 255, 0]);
    const again = clearedMask(picture, { ...PLAIN, strokes: [...strokes, stroke(false, [0.5, 0.3])] });
    expect(at(again, 50, 30)).toBe(255);
  });
  test('that leaves the picture does no harm', () => {
    const mask = clearedMask(disc(SIZE, SKY, RED), { ...PLAIN, strokes: [stroke(true, [-0.4, -0.4, 1.4, 1.4])] });
    expect(mask).toHaveLength(SIZE * SIZE);
    expect(at(mask, 50, 50)).toBe(0);
  });
  test('is of the same size on any size of the picture', () => {
    const share = (size: number) =>
      clearedMask(disc(size, RED, RED), { ...PLAIN, border: false, strokes: [stroke(true, [0.5, 0.5])] }).filter(
        (left) => left === 0,
      ).length /
      size ** 2;
    expect(share(400)).toBeCloseTo(share(200), 3);
  });
});

test('a recipe has one code, and another recipe another', () => {
  const code = clearingCode(PLAIN);
  expect(code).toMatch(/^[0-9a-f]{16}$/);
  expect(clearingCode({ strokes: [], soft: 0, tolerance: 0.15, spots: [], border: true })).toBe(code);
  const others = [
    { ...PLAIN, border: false },
    { ...PLAIN, tolerance: 0.16 },
    { ...PLAIN, soft: 0.01 },
    { ...PLAIN, spots: [{ x: 0.1, y: 0.2 }] },
    { ...PLAIN, spots: [{ x: 0.2, y: 0.1 }] },
    { ...PLAIN, strokes: [{ erases: true, size: 0.1, points: [0, 0] }] },
    { ...PLAIN, strokes: [{ erases: false, size: 0.1, points: [0, 0] }] },
  ];
  expect(new Set([code, ...others.map(clearingCode)]).size).toBe(others.length + 1);
});

test('a soft edge leaves what is far from it as it is, however wide it is, up to the largest pictures', () => {
  const [width, height] = [30_000, 3];
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  const soft = { ...PLAIN, border: false, soft: 1 };
  expect(groundMask({ width, height, data }, soft).every((left) => left === 255)).toBe(true);
  // Half of it black, half white: the white half goes, by a slope as the averages of so many pixels say.
  for (let i = 0; i < data.length; i += 4) if ((i / 4) % width < width / 2) data.fill(0, i, i + 3);
  const mask = groundMask({ width, height, data }, { ...soft, spots: [{ x: 0.9, y: 0.5 }] });
  const radius = 360;
  for (const away of [-361, -360, -100, -1, 0, 99, 359, 360]) {
    const kept = Math.min(2 * radius + 1, Math.max(0, radius - away));
    expect(Math.abs(mask[width + width / 2 + away] - (255 * kept) / (2 * radius + 1))).toBeLessThanOrEqual(1);
  }
});

test('a mask of another size is drawn over smoothly', () => {
  const data = new Uint8ClampedArray(8 * 8 * 4).fill(255);
  maskPixels({ width: 8, height: 8, data }, Uint8Array.from([0, 255, 0, 255]), 2, 2);
  const row = Array.from({ length: 8 }, (_, x) => data[x * 4 + 3]);
  expect(row[0]).toBe(0);
  expect(row[7]).toBe(255);
  expect(row.toSorted((a, b) => a - b)).toEqual(row);
});
