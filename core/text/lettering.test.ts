import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { drawItem } from '../items/draw';
import { warpOfItem, wordsOf } from '../items/words';
import type { GlyphsNode } from '../drawing/list';
import { defaultRoles, page, plain, text } from '../schema/defaults';
import type { Lettering, TextItem } from '../schema/sheet';
import type { Faces } from './faces';
import { grownHeight, layOut } from './fit';
import { amountAt, amountHandle, curveRise } from './lettering';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const roles = defaultRoles();
const CURVES = ['straight', 'arch', 'circle', 'wave', 'slope'] as const;
const lettered = (curve: Lettering['curve'], amount: number, given: Partial<TextItem> = {}) =>
  text({
    id: 'a',
    role: 'title',
    width: 400,
    height: 300,
    body: plain('Salt marsh'),
    lettering: { curve, amount, fill: null, outline: null },
    ...given,
  });
const glyphs = (item: TextItem) =>
  (
    drawItem(item, { faces, roles, page: page({ id: 'p', items: [item] }), pictures: () => undefined }) as {
      children: GlyphsNode[];
    }
  ).children
    .filter((node) => node.kind === 'glyphs')
    .flatMap((node) => node.glyphs);

describe('words made to measure', () => {
  test.each(['width', 'lines'] as const)('fit %s: the longest line is just as wide as the box', (fit) => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 900 }), fc.integer({ min: 0, max: 20 }), (width, padding) => {
        const layout = layOut(
          plain('Low\ntide at\nsix'),
          roles.title,
          { width, height: 50, padding, vertical: 'top', fit },
          faces,
        );
        const widths = layout.lines.map((line) => line.width);
        expect(Math.max(...widths)).toBeCloseTo(width - 2 * padding, 1);
        if (fit === 'lines') for (const own of widths) expect(own).toBeCloseTo(width - 2 * padding, 1);
        expect(layout.lines.length).toBe(3);
        expect(layout.overflows).toBe(false);
      }),
      { numRuns: 30 },
    );
  });
  test('a change of face keeps the width', () => {
    const box = { width: 300, height: 50, padding: 0, vertical: 'top' as const, fit: 'width' as const };
    for (const font of ['andika', 'bungee', 'caveat', 'fraunces']) {
      const role = { ...roles.title, run: { ...roles.title.run, font } };
      expect(layOut(plain('Tides'), role, box, faces).lines[0].width).toBeCloseTo(300, 1);
    }
  });
  test('an empty box is not blown up', () => {
    const { scale } = layOut(
      plain(''),
      roles.title,
      { width: 300, height: 50, padding: 0, vertical: 'top', fit: 'width' },
      faces,
    );
    expect(scale).toBe(1);
  });
});

describe.each(CURVES)('along a %s', (curve) => {
  test('every letter stays, as it was typed', () => {
    expect(glyphs(lettered(curve, 0.5))).toHaveLength('Salt marsh'.length);
  });
  test('the letters stand in the box that grows with them', () => {
    fc.assert(
      fc.property(fc.double({ min: -1, max: 1, noNaN: true }), (amount) => {
        const item = lettered(curve, amount, { fit: 'width' });
        const height = grownHeight(item.body, roles.title, item, faces);
        for (const { x, y } of glyphs({ ...item, height })) {
          expect(x).toBeGreaterThan(-60);
          expect(x).toBeLessThan(460);
          expect(y).toBeGreaterThan(-30);
          expect(y).toBeLessThan(height + 30);
        }
      }),
      { numRuns: 30 },
    );
  });
  test('its handle gives the amount that it stands for', () => {
    const box = { x: 0, y: 0, width: 400, height: 300 };
    fc.assert(
      fc.property(fc.double({ min: -0.98, max: 0.98, noNaN: true }), (amount) => {
        expect(amountAt(curve, box, amountHandle({ curve, amount }, box))).toBeCloseTo(amount, 1);
      }),
    );
  });
});

test('an arch of nothing is straight, and a full one turns its ends', () => {
  const flat = lettered('arch', 0);
  expect(warpOfItem(flat, wordsOf(flat, { faces, roles }).layout)).toBeNull();
  const [first, ...rest] = glyphs(lettered('arch', 1, { fit: 'width' }));
  const last = rest.at(-1)!;
  expect(first.turn![1]).toBeLessThan(-0.8);
  expect(last.turn![1]).toBeGreaterThan(0.8);
});

test('the rise of a curve grows with its amount, either way', () => {
  for (const curve of ['arch', 'wave', 'slope'] as const) {
    expect(curveRise({ curve, amount: 0 }, 300, 40)).toBe(0);
    expect(curveRise({ curve, amount: -0.8 }, 300, 40)).toBeCloseTo(curveRise({ curve, amount: 0.8 }, 300, 40), 6);
    expect(curveRise({ curve, amount: 0.8 }, 300, 40)).toBeGreaterThan(curveRise({ curve, amount: 0.3 }, 300, 40));
  }
});
