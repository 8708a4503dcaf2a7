import type { Rgb } from '../../colour/rgb';
import { hexOf, rgbOf } from '../../colour/rgb';
import { contrastOf } from '../../colour/space';
import type { CloudRecipe, Weighted } from '../../schema/recipes/cloud';

/** A word cloud as it begins. */

const MARSH: readonly [string, number][] = [
  ['salt marsh', 12],
  ['tide', 10],
  ['creek', 7],
  ['heron', 6],
  ['glasswort', 6],
  ['mud', 5],
  ['sea lavender', 4],
  ['shore crab', 4],
  ['high water', 4],
  ['snail', 3],
  ['brackish', 3],
  ['redshank', 3],
  ['cordgrass', 3],
  ['worm', 2],
  ['spring tide', 2],
  ['reed', 2],
  ['eel', 2],
  ['ebb', 2],
  ['roots hold the mud', 1],
  ['nursery for fish', 1],
];

export const marshWords = (): Weighted[] => MARSH.map(([text, weight]) => ({ text, weight }));

/** A colour as dark as small words need it on paper. */
function darkened(hex: string): string {
  let out = hex;
  for (let n = 0; n < 12 && contrastOf(out, '#fffdf6') < 4.6; n++)
    out = hexOf(rgbOf(out).map((value) => value * 0.92) as unknown as Rgb);
  return out;
}

/** The colours of a palette, dark enough to be read on paper; black and the palest aside. */
function readable(palette: readonly string[]): string[] {
  const coloured = palette.filter((hex) => contrastOf(hex, '#ffffff') >= 2.4 && contrastOf(hex, '#ffffff') < 13);
  return [...new Set((coloured.length > 1 ? coloured : ['#2f4d26', '#2c5d86']).map(darkened))].slice(0, 6);
}

export const beginCloud = (palette: readonly string[], words: Weighted[] = marshWords()): CloudRecipe => ({
  words,
  shape: { kind: 'round' },
  angles: 'crossed',
  font: ['fredoka'],
  bold: true,
  colours: readable(palette),
  tint: 'mixed',
  spread: 0.7,
  repeat: false,
  wrap: true,
  air: 0.06,
  size: 8,
});
