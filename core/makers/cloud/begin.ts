import { contrastOf } from '../../colour/space';
import type { CloudRecipe, Weighted } from './recipe';

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

/** The colours of a palette that words can be read in on paper, black aside where there are others. */
function readable(palette: readonly string[]): string[] {
  const found = palette.filter((hex) => contrastOf(hex, '#ffffff') >= 4);
  const coloured = found.filter((hex) => contrastOf(hex, '#ffffff') < 13);
  return (coloured.length > 1 ? coloured : [...found, '#2f4d26', '#2c5d86']).slice(0, 6);
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
