import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { page, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { ownPicture } from '../../tests/support/own';
import { coloursOf, paletteOf, shuffled } from '../palettes/palette';
import { recolouredPage, withPalette } from '../palettes/recolour';
import { contrastOf, hexFrom, lchOf, luminanceOf, readHex, withLuminance } from './space';

const hex = fc
  .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
  .map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`);

describe('colour space', () => {
  it('black on white has the largest contrast there is', () => {
    expect(contrastOf('#000000', '#ffffff')).toBeCloseTo(21, 5);
    expect(contrastOf('#777777', '#777777')).toBe(1);
  });
  it('a colour survives the way to OKLCH and back', () => {
    fc.assert(fc.property(hex, (one) => hexFrom(lchOf(one)) === one));
  });
  it('a colour can be made for any luminance', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.95, noNaN: true }), fc.integer({ min: 0, max: 359 }), (wanted, hue) => {
        expect(Math.abs(luminanceOf(withLuminance(wanted, 0.12, hue)) - wanted)).toBeLessThan(0.02);
      }),
    );
  });
  it('reads colours as people type them, and nothing else', () => {
    expect(readHex(' 2F4 ')).toBe('#22ff44');
    expect(readHex('#C8632e')).toBe('#c8632e');
    for (const wrong of ['', '#12', 'red', '#12345g', '#1234567']) expect(readHex(wrong)).toBeNull();
  });
});

describe('palettes', () => {
  const seen = new Map([
    ['#ff0000', 60],
    ['#f80404', 30],
    ['#0000ff', 20],
    ['#00a000', 5],
  ]);
  it('takes the telling colours of a picture, the most frequent first', () => {
    const [first, second, third] = paletteOf(seen, 3);
    expect(contrastOf(first, '#fe0000')).toBeLessThan(1.1);
    expect([second, third]).toEqual(['#0000ff', '#00a000']);
  });
  it('does not depend on the order in which colours were met', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...seen], { minLength: 4 }), (order) => {
        expect(paletteOf(new Map(order), 3)).toEqual(paletteOf(seen, 3));
      }),
    );
  });
  it('has nothing for a picture without colours', () => expect(paletteOf(new Map(), 4)).toEqual([]));
  it('counts the colours of a drawn picture, and leaves out where it is empty', () => {
    const path = { stroke: null, width: 0, opacity: 1 };
    const found = coloursOf({
      width: 10,
      height: 10,
      targets: [],
      paths: [
        { ...path, d: 'M0 0L10 0L10 5L0 5Z', fill: '#112233' },
        { ...path, d: 'M0 0L5 0L5 5L0 5Z', fill: '#aabbcc' },
      ],
    } as unknown as Parameters<typeof coloursOf>[0]);
    expect([...found.keys()].sort()).toEqual(['#112233', '#aabbcc']);
    expect(found.get('#112233')).toBe(found.get('#aabbcc'));
  });
  it('counts those of an own picture from its pixels', () =>
    expect([...coloursOf(ownPicture()).keys()].sort()).toEqual(['#0000ff', '#ff0000']));
  it('shuffling keeps every contrast between two colours, and is decided by its seed', () => {
    fc.assert(
      fc.property(fc.array(hex, { minLength: 2, maxLength: 10 }), fc.nat(), (palette, seed) => {
        const other = shuffled(palette, seed);
        expect(shuffled(palette, seed)).toEqual(other);
        for (let i = 1; i < palette.length; i++) {
          const [was, is] = [contrastOf(palette[i - 1], palette[i]), contrastOf(other[i - 1], other[i])];
          expect(Math.abs(is / was - 1)).toBeLessThan(0.06);
        }
      }),
    );
  });
});

/** Every colour that is met when colours are exchanged. */
function coloursUsed({ pages }: Sheet): string[] {
  const used = new Set<string>();
  for (const one of pages) recolouredPage(one, (hex) => (used.add(hex), hex));
  return [...used];
}

describe('recolouring', () => {
  const made = sheet({
    title: 'x',
    palette: ['#111111', '#222222'],
    pages: [
      page({
        id: 'p',
        items: [
          shape({ id: 'a', fill: solid('#111111'), outline: null }),
          text({ id: 'b', body: [{ format: {}, runs: [{ text: 'x', style: { colour: '#222222' } }] }] }),
          text({ id: 'c', body: plain('y'), fill: solid('#00ff00') }),
        ],
      }),
    ],
  });
  it('exchanges the palette wherever it was used, and leaves other colours', () => {
    const after = withPalette(made, ['#aa0000', '#0000aa']);
    const used = coloursUsed(after);
    expect(used).toEqual(expect.arrayContaining(['#aa0000', '#0000aa', '#00ff00']));
    expect(used).not.toContain('#111111');
    expect(after.palette).toEqual(['#aa0000', '#0000aa']);
  });
});
