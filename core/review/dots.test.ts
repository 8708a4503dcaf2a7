import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Placed } from './dots';
import { heatOf, seeded, whatWasPut } from './dots';

const dot = (x: number, y: number, right: boolean | null = null): Placed => ({
  page: 'p1',
  item: 'i',
  what: 'w',
  x,
  y,
  right,
});

describe('dots of one place', () => {
  test('all stay, none lies on another, and none goes far', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.array(fc.constantFrom(true, false, null), { minLength: 1 }),
        (n, kinds) => {
          const dots = Array.from({ length: n }, (_, i) => dot(300, 200, kinds[i % kinds.length]));
          const out = seeded(dots, 10);
          expect(out).toHaveLength(n);
          for (const [i, a] of out.entries()) {
            expect(Math.hypot(a.x - 300, a.y - 200)).toBeLessThan(10 * Math.sqrt(n) + 1);
            for (const b of out.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(5);
          }
          // Right ones are the innermost.
          const away = (right: boolean) =>
            out.filter((one) => one.right === right).map((one) => Math.hypot(one.x - 300, one.y - 200));
          expect(Math.max(0, ...away(true))).toBeLessThan(
            Math.min(Infinity, ...away(false)) + 1e-9 + (away(true).length ? 0 : 1),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
  test('those far apart stay where they are', () => {
    const dots = [dot(10, 10), dot(100, 100), { ...dot(10, 10), page: 'p2' }];
    expect(seeded(dots, 10)).toEqual(dots);
  });
});

describe('heat', () => {
  const size = { width: 792, height: 612 };
  const outlines = (dots: Placed[]) => heatOf(dots, size);
  test('is nothing where nothing is', () => expect(outlines([])).toEqual([]));
  test('lies where the dots are, warmest where most are', () => {
    const out = outlines([...Array.from({ length: 20 }, () => dot(200, 150)), dot(600, 450)]);
    expect(out.length).toBeGreaterThan(2);
    const points = [...out.at(-1)!.matchAll(/([\d.]+) ([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
    for (const [x, y] of points) expect(Math.hypot(x - 200, y - 150)).toBeLessThan(60);
  });
  test('draws two hundred dots in two places as quickly as one asks for', () => {
    const dots = Array.from({ length: 200 }, (_, i) => dot(i % 2 ? 100 : 700, 300 + (i % 7)));
    expect(outlines(dots).every((d) => /^M[\d. LMZ-]+Z$/.test(d))).toBe(true);
  });
});

test('what was put is told by how often, capitals side by side but not together', () => {
  const dots = ['neck', 'Neck', 'leg', 'neck', 'wing', 'Wing', 'wing'].map((what, i) => ({
    ...dot(i, i, what === 'leg' ? false : i < 3 ? true : null),
    what,
  }));
  expect(whatWasPut(dots)).toEqual([
    { what: 'neck', count: 2, right: 1, wrong: 0 },
    { what: 'Neck', count: 1, right: 1, wrong: 0 },
    { what: 'wing', count: 2, right: 0, wrong: 0 },
    { what: 'Wing', count: 1, right: 0, wrong: 0 },
    { what: 'leg', count: 1, right: 0, wrong: 1 },
  ]);
});
