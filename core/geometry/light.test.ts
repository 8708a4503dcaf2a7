import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { overlaps } from './box';
import { beamTo, flecksOn, poolOver } from './light';

const box = fc.record({
  x: fc.integer({ min: -50, max: 900 }),
  y: fc.integer({ min: -50, max: 700 }),
  width: fc.integer({ min: 0, max: 900 }),
  height: fc.integer({ min: 0, max: 700 }),
});

describe('light', () => {
  test('takes in every corner of its spot', () => {
    fc.assert(
      fc.property(box, (spot) => {
        const { cx, cy, rx, ry } = poolOver(spot);
        for (const x of [spot.x, spot.x + spot.width])
          for (const y of [spot.y, spot.y + spot.height])
            expect(((x - cx) / rx) ** 2 + ((y - cy) / ry) ** 2).toBeLessThanOrEqual(1);
      }),
    );
  });
  test('comes from its card, and is as high as the pool where it meets it', () => {
    const pool = poolOver({ x: 600, y: 200, width: 100, height: 40 });
    const [from, up, down, back] = beamTo(pool, { x: 960, y: 180 });
    expect([from.x, back.x, (from.y + back.y) / 2]).toEqual([960, 960, 180]);
    expect([up.y, down.y]).toEqual([pool.cy - pool.ry, pool.cy + pool.ry]);
  });
  test('never falls steeply, however far its card was pushed', () => {
    const pool = poolOver({ x: 600, y: 100, width: 100, height: 40 });
    const [from, , , back] = beamTo(pool, { x: 960, y: 700 });
    expect((from.y + back.y) / 2 - pool.cy).toBeLessThan(100);
  });
});

describe('flecks', () => {
  const sheet = { x: 20, y: 20, width: 900, height: 700 };
  test('lie on the sheet, on nothing that stands there, and not on each other', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 12 }), (taken) => {
        const areas = flecksOn(sheet, taken).map(({ x, y, long }) => ({
          x: x - long,
          y: y - long,
          width: 2 * long,
          height: 2 * long,
        }));
        areas.forEach((area, i) => {
          expect(area.x).toBeGreaterThanOrEqual(sheet.x);
          expect(area.y + area.height).toBeLessThanOrEqual(sheet.y + sheet.height + 1e-6);
          for (const other of [...taken, ...areas.slice(0, i)]) expect(overlaps(area, other)).toBe(false);
        });
      }),
    );
  });
  test('are the same each time, and none where the sheet is full', () => {
    expect(flecksOn(sheet, [])).toEqual(flecksOn(sheet, []));
    expect(flecksOn(sheet, []).length).toBeGreaterThan(2);
    expect(flecksOn(sheet, [sheet])).toEqual([]);
  });
});
