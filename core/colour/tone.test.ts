import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { luminanceOf } from './space';
import type { Tone } from './tone';
import { filterValues, toned, toneMatrix, tonePixels } from './tone';

const PLAIN: Tone = { brightness: 0, contrast: 0, twoColours: null, tint: null };
const tone = (given: Partial<Tone>, soften = 0) => toneMatrix({ ...PLAIN, ...given }, soften);

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
const anyTone: fc.Arbitrary<Tone> = fc.record({
  brightness: fc.double({ min: -1, max: 1, noNaN: true }),
  contrast: fc.double({ min: -1, max: 1, noNaN: true }),
  twoColours: fc.option(fc.record({ dark: hex, light: hex })),
  tint: fc.option(fc.record({ colour: hex, share: fc.double({ min: 0, max: 1, noNaN: true }) })),
});

describe('a tone', () => {
  test('that changes nothing is none', () => {
    expect(toneMatrix(null)).toBeNull();
    expect(toneMatrix(PLAIN)).toBeNull();
    expect(tone({ tint: { colour: '#ff0000', share: 0 } })).toBeNull();
    expect(toned('#123456', null)).toBe('#123456');
  });
  test.each<[string, Partial<Tone>, number, string, string]>([
    ['half as bright', { brightness: -0.5 }, 0, '#806040', '#403020'],
    ['twice as bright, as far as white goes', { brightness: 1 }, 0, '#206090', '#40c0ff'],
    ['without contrast', { contrast: -1 }, 0, '#206090', '#808080'],
    ['with more contrast, away from grey', { contrast: 0.5 }, 0, '#60a080', '#41c181'],
    ['in two colours: the darkest', { twoColours: { dark: '#102030', light: '#ffeedd' } }, 0, '#000000', '#102030'],
    ['in two colours: the lightest', { twoColours: { dark: '#102030', light: '#ffeedd' } }, 0, '#ffffff', '#ffeedd'],
    ['tinted by half', { tint: { colour: '#ff0000', share: 0.5 } }, 0, '#0000ff', '#800080'],
    ['softened by half', {}, 0.5, '#000080', '#8080c0'],
    [
      'first in two colours, then softened',
      { twoColours: { dark: '#000000', light: '#ffffff' } },
      0.5,
      '#ffffff',
      '#ffffff',
    ],
  ])('%s', (_, given, soften, from, to) => {
    expect(toned(from, tone(given, soften))).toBe(to);
  });
  test('gives pixels the colours that it gives to paths, and leaves their opacity', () => {
    fc.assert(
      fc.property(anyTone, hex, fc.nat(255), (given, colour, opacity) => {
        const matrix = toneMatrix(given);
        if (!matrix) return;
        const rgb = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
        const pixels = new Uint8Array([...rgb, opacity]);
        tonePixels(pixels, matrix);
        const [r, g, b, a] = pixels;
        expect(`#${[r, g, b].map((n) => n.toString(16).padStart(2, '0')).join('')}`).toBe(toned(colour, matrix));
        expect(a).toBe(opacity);
      }),
    );
  });
  test('in two colours keeps the order of lightness of greys', () => {
    const grey = fc.nat(255).map((n) => `#${n.toString(16).padStart(2, '0').repeat(3)}`);
    const matrix = tone({ twoColours: { dark: '#1f2a44', light: '#f6e7c8' } });
    fc.assert(
      fc.property(grey, grey, (a, b) => {
        const [dark, light] = luminanceOf(a) <= luminanceOf(b) ? [a, b] : [b, a];
        expect(luminanceOf(toned(dark, matrix))).toBeLessThanOrEqual(luminanceOf(toned(light, matrix)));
      }),
    );
  });
  test('is told to a filter with opacity as it is', () => {
    expect(filterValues(toneMatrix(null, 0.25)!)).toEqual([
      0.75, 0, 0, 0, 0.25, 0, 0.75, 0, 0, 0.25, 0, 0, 0.75, 0, 0.25, 0, 0, 0, 1, 0,
    ]);
  });
});
