import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contrastOf, luminanceOf } from '../colour/space';
import { DRAWN } from '../schema/defaults';
import type { DrawnPicture } from '../pictures/picture';
import { ownPicture } from '../../tests/support/own';
import { inPalette, ownColours } from './picture-colours';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const some = fc.uniqueArray(hex, { minLength: 1, maxLength: 14 });
const seen = (colours: readonly string[]) => new Map(colours.map((one, i) => [one, 1 + ((i * 7) % 5)] as const));

describe('the colours of a picture', () => {
  const path = (d: string, fill: string | null, stroke: string | null = null) => ({
    d,
    fill,
    stroke,
    width: 0.1,
    opacity: 1,
  });
  const drawn: DrawnPicture = {
    id: 'flat/house',
    name: 'house',
    width: 100,
    height: 100,
    targets: [],
    licence: '',
    credit: '',
    paths: [
      path('M0 0H100V100H0Z', '#a03020'),
      path('M0 0H20V20H0Z', '#f0e0d0'),
      path('M50 50L50.1 50.1', null, '#000000'),
    ],
  };
  test('are those that it is drawn with, the largest first, thin lines too', () => {
    expect([...ownColours(drawn).keys()]).toEqual(['#a03020', '#f0e0d0', '#000000']);
  });
  test('of one made of pixels are none', () => {
    expect(ownColours(ownPicture()).size).toBe(0);
  });
});

describe('a picture in the colours of a palette', () => {
  test('keeps its order of lightness, whatever the colours', () => {
    fc.assert(
      fc.property(some, some, (own, palette) => {
        const to = inPalette(seen(own), palette);
        expect(Object.keys(to).sort()).toEqual([...own].sort());
        for (const a of own)
          for (const b of own)
            if (luminanceOf(a) < luminanceOf(b))
              // As near as colours of 8 bits come to it.
              expect(luminanceOf(to[a])).toBeLessThanOrEqual(luminanceOf(to[b]) + 0.005);
      }),
    );
  });
  test('takes the nearest hue of those that are as light', () => {
    const to = inPalette(seen(['#c0392b', '#2e7d32', '#ffffff', '#111111']), [
      '#1f2a1a',
      '#b5482f',
      '#3f7d4a',
      '#fbf7ea',
    ]);
    expect(to).toEqual({ '#c0392b': '#b5482f', '#2e7d32': '#3f7d4a', '#ffffff': '#fbf7ea', '#111111': '#1f2a1a' });
  });
  test('makes shades where it has more colours than the palette, so that nothing in it disappears', () => {
    const own = ['#f6d0c8', '#c0392b', '#701c12'];
    const to = inPalette(
      new Map([
        ['#f6d0c8', 1],
        ['#c0392b', 9],
        ['#701c12', 1],
      ]),
      ['#3f7d4a'],
    );
    expect(to['#c0392b']).toBe('#3f7d4a');
    expect(contrastOf(to[own[0]], to[own[1]])).toBeGreaterThan(1.5);
    expect(contrastOf(to[own[1]], to[own[2]])).toBeGreaterThan(1.5);
  });
  test('in no palette, or without colours of its own, stays as it is', () => {
    expect(inPalette(new Map(), [DRAWN.ink])).toEqual({});
    expect(inPalette(seen(['#123456']), [])).toEqual({});
  });
});
