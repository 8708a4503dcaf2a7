import sharp from 'sharp';
import { expect, test } from 'vitest';
import { pngOf } from './png';

const svg = (inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100pt" height="50pt" viewBox="0 0 100 50">${inner}</svg>`;

test('a page without a ground is transparent, and what is half see-through keeps its colour', async () => {
  const png = await pngOf(svg('<rect width="50" height="50" fill="#c8632e" fill-opacity="0.5"/>'), 20);
  const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height, info.channels]).toEqual([20, 10, 4]);
  const [r, g, b, a] = data;
  expect(a).toBe(128);
  for (const [got, wanted] of [
    [r, 0xc8],
    [g, 0x63],
    [b, 0x2e],
  ])
    expect(Math.abs(got - wanted)).toBeLessThanOrEqual(2);
  expect(data[19 * 4 + 3]).toBe(0);
});
