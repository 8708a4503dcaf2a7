import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { covers, flatten } from '../geometry/flatten';
import { blursFor, linesOf } from './lines';
import { colourAt, mosaicOf } from './mosaic';
import { outlineOf, shownIn } from './outline';
import { patchesOf } from './patches';
import type { Pixels } from './pixels';

type Colour = [number, number, number, number?];

function painted(width: number, height: number, colour: (x: number, y: number) => Colour): Pixels {
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [r, g, b, a = 255] = colour(x, y);
      data.set([r, g, b, a], (y * width + x) * 4);
    }
  return { width, height, data };
}
const inDisc = (x: number, y: number, r = 20) => Math.hypot(x + 0.5 - 40, y + 0.5 - 30) < r;
const CLEAR: Colour = [0, 0, 0, 0];
const RED: Colour = [200, 30, 30];

describe('the outline of a picture', () => {
  const discOn = (ground: (x: number, y: number) => Colour) =>
    painted(80, 60, (x, y) => (inDisc(x, y) ? RED : ground(x, y)));
  test.each<[string, (x: number, y: number) => Colour]>([
    ['clear ground', () => CLEAR],
    ['white ground', () => [255, 255, 255]],
    ['a plain ground that is not even, as JPEG leaves it', (x, y) => [200 + ((x * 7 + y * 3) % 9), 220, 230 - (y % 6)]],
  ])('is that of a disc on %s, at the scale asked for', (_, ground) => {
    const { rings, box } = flatten(outlineOf(discOn(ground), 10)!);
    expect(rings).toHaveLength(1);
    for (const [got, wanted] of [
      [box.x, 200],
      [box.y, 100],
      [box.width, 400],
      [box.height, 400],
    ])
      expect(Math.abs(got - wanted)).toBeLessThan(9);
  });
  test('keeps holes, by the even-odd rule', () => {
    const ring = painted(80, 60, (x, y) => (inDisc(x, y) && !inDisc(x, y, 10) ? RED : CLEAR));
    const shape = flatten(outlineOf(ring)!);
    expect(shape.rings).toHaveLength(2);
    expect(covers(shape, { x: 40, y: 30 }, true)).toBe(false);
    expect(covers(shape, { x: 40, y: 15 }, true)).toBe(true);
  });
  test('leaves specks out', () => {
    const specked = painted(80, 60, (x, y) => (inDisc(x, y) || (x === 3 && y === 3) ? RED : CLEAR));
    expect(flatten(outlineOf(specked)!).rings).toHaveLength(1);
  });
  test('is none where a picture fills its frame, is all clear, or has a mixed rim', () => {
    expect(outlineOf(painted(40, 40, () => RED))).toBeNull();
    expect(outlineOf(painted(40, 40, () => CLEAR))).toBeNull();
    expect(outlineOf(painted(40, 40, (x, y) => [x * 6, y * 6, 128]))).toBeNull();
  });
  test('what is of the colour of the ground but shut in by the picture belongs to it', () => {
    const mask = shownIn(painted(80, 60, (x, y) => (inDisc(x, y) && !inDisc(x, y, 10) ? RED : [255, 255, 255])))!;
    expect(mask[30 * 80 + 40]).toBe(1);
    expect(mask[0]).toBe(0);
  });
  test('of any rectangle covers its middle and not the corners of the frame', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 30 }),
        fc.integer({ min: 3, max: 20 }),
        fc.integer({ min: 8, max: 40 }),
        fc.integer({ min: 8, max: 30 }),
        (left, top, wide, high) => {
          const [right, bottom] = [left + wide, top + high];
          const boxed = painted(80, 60, (x, y) => (x >= left && x < right && y >= top && y < bottom ? RED : CLEAR));
          const shape = flatten(outlineOf(boxed)!);
          expect(covers(shape, { x: left + wide / 2, y: top + high / 2 }, true)).toBe(true);
          expect(covers(shape, { x: 0.5, y: 0.5 }, true)).toBe(false);
          expect(Math.abs(shape.box.width - wide)).toBeLessThan(1.6);
          expect(Math.abs(shape.box.height - high)).toBeLessThan(1.6);
        },
      ),
    ));
});

describe('the mosaic of a picture', () => {
  test('has the mean colours of its cells, and tells what is clear', () => {
    const mosaic = mosaicOf(
      painted(96, 48, (x, y) => (x < 48 ? (x % 2 ? [0, 0, 200] : [0, 0, 100]) : y < 24 ? RED : CLEAR)),
    );
    expect([mosaic.columns, mosaic.rows]).toEqual([48, 24]);
    expect(colourAt(mosaic, 0.1, 0.5)).toBe('#000096');
    expect(colourAt(mosaic, 0.9, 0.1)).toBe('#c81e1e');
    expect(colourAt(mosaic, 0.9, 0.9)).toBeNull();
    expect(colourAt(mosaic, -3, 7)).toBe('#000096');
  });
  test('of the smallest picture is one cell', () =>
    expect(mosaicOf(painted(1, 1, () => RED))).toEqual({ columns: 1, rows: 1, cells: ['#c81e1e'] }));
});

describe('a drawing in lines', () => {
  const flat = (value: (x: number) => number) => ({
    width: 40,
    height: 4,
    values: Float32Array.from({ length: 40 * 4 * 3 }, (_, i) => value(Math.floor(i / 3) % 40)),
  });
  // An edge in the middle, blurred by as much as it is wide on either side.
  const edge = (wide: number) => flat((x) => Math.max(0.2, Math.min(0.9, 0.55 + ((x - 19.5) / wide) * 0.35)));
  test('is white on even grounds, dark ones too', () => {
    for (const light of [0, 0.3, 1])
      expect(
        Math.max(
          ...linesOf(
            flat(() => light),
            flat(() => light),
          ),
        ),
      ).toBe(0);
  });
  test('is inked on the darker side of an edge only', () => {
    const ink = linesOf(edge(3), edge(6)).subarray(0, 40);
    const inked = [...ink.keys()].filter((x) => ink[x] > 128);
    expect(inked.length).toBeGreaterThan(1);
    expect(Math.max(...inked)).toBeLessThan(20);
  });
  test('has lines that grow with the picture', () => {
    expect(blursFor(2000).near).toBeGreaterThan(blursFor(800).near * 2);
    expect(blursFor(50).near).toBeGreaterThanOrEqual(0.7);
  });
});

describe('the patches of a picture', () => {
  const kindOf = (hex: string) => (hex === '#ff0000' ? 1 : 2);
  const tiles = (rows: string[]) => ({
    columns: rows[0].length,
    rows: rows.length,
    cells: rows.flatMap((row) => [...row].map((c) => ({ r: '#ff0000', b: '#0000ff', '.': '' })[c]!)),
  });
  test('are numbered at their innermost place', () => {
    const found = patchesOf(
      tiles(['.........', '.rrrrr.bb', '.rrrrr.bb', '.rrrrr.bb', '.rrrrr...', '.rrrrr...']),
      kindOf,
    );
    expect(found).toEqual([{ x: 3.5 / 9, y: 3.5 / 6, kind: 1 }]);
  });
  test('of one colour that do not touch are two', () => {
    const found = patchesOf(tiles(['rrr.rrr', 'rrr.rrr', 'rrr.rrr']), kindOf);
    expect(found.map(({ kind }) => kind)).toEqual([1, 1]);
    expect(found[0].x).toBeLessThan(found[1].x);
  });
  test('always lie within their own colour', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('rrrrbbbb', 'rrrrrrrr', 'bbbbbbrr', '....bbbb'), { minLength: 3, maxLength: 12 }),
        (rows) => {
          const mosaic = tiles(rows);
          for (const { x, y, kind } of patchesOf(mosaic, kindOf)) expect(kindOf(colourAt(mosaic, x, y)!)).toBe(kind);
        },
      ),
    ));
});
