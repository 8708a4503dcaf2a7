import { seeded } from '../../values/random';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { PracticeDraft as Draft } from './draft';
import { drawBingo, drawCutouts, drawDominoes } from './cards';
import { drawCounting } from './counting';
import { drawCrossword } from './crossword';
import { drawGaps } from './gaps';
import { drawColouring, drawTracing } from './hand';
import { drawMatching } from './matching';
import { drawBars, drawClocks, drawMoney, drawNumberline, drawSums, drawTables } from './numbers';
import { drawOdd } from './odd';
import { drawSequence } from './sequence';
import { drawSorting } from './sorting';
import { drawWordsearch } from './wordsearch';
import type { PracticeRecipe, PracticeType, RecipeFor } from '../../schema/recipes/practice';

/** Adding a type of practice sheet is a schema in recipe.ts, a drawing of it in kinds/, and a row here. */
const DRAWN: { [T in PracticeType]: (draft: Draft, recipe: RecipeFor<T>, seed: number) => void } = {
  matching: drawMatching,
  counting: drawCounting,
  sorting: drawSorting,
  odd: drawOdd,
  sequence: drawSequence,
  tracing: drawTracing,
  colouring: drawColouring,
  cutouts: drawCutouts,
  numberline: drawNumberline,
  sums: drawSums,
  tables: drawTables,
  bars: drawBars,
  clocks: drawClocks,
  money: drawMoney,
  wordsearch: drawWordsearch,
  crossword: drawCrossword,
  gaps: drawGaps,
  bingo: drawBingo,
  dominoes: drawDominoes,
};

/** The name line, title and instruction, which all types have; gives what is left below them. */
function drawHead(draft: Draft, width: number): number {
  const { recipe, em } = draft;
  const wide = Math.min(width * 0.5, em * 17);
  let y = 0;
  if (recipe.nameLine) {
    const label = draft.sizeOf('Name').width + em * 0.5;
    draft.words('name', 'Name', { x: width - wide - label, y, width: label, height: em * 1.7 }, { align: 'left' });
    draft.words(
      'nameline',
      '',
      { x: width - wide, y, width: wide, height: em * 1.7 },
      { role: 'name', touch: 'fill', prompt: 'your name', align: 'left' },
    );
    draft.line('under', width - wide, em * 1.75, width, em * 1.75);
    y = em * 0.1;
  }
  if (recipe.version) {
    const right = recipe.nameLine ? width - wide - draft.sizeOf('Name').width - em : width;
    const box = { x: right - em * 2, y: 0, width: em * 1.9, height: em * 1.9 };
    draft.frame('version', box, { adjust: [0.3] });
    draft.words('edition', recipe.version, box, { style: { bold: true } });
    y = Math.max(y, recipe.nameLine || recipe.title ? em * 0.1 : em * 2.1);
  }
  if (recipe.title) {
    const style = { size: em * 1.7, bold: true };
    const beside = (recipe.nameLine ? width - wide - em * 4 : width) - (recipe.version ? em * 2.4 : 0);
    const fits = draft.sizeOf(recipe.title, 5000, style).width <= beside;
    // A long title gets a row of its own under the name.
    if (recipe.nameLine && !fits) y = em * 2.1;
    const free = fits ? beside : recipe.nameLine ? width : beside;
    const { height } = draft.sizeOf(recipe.title, free, style);
    draft.words('title', recipe.title, { x: 0, y, width: free, height }, { align: 'left', vertical: 'top', style });
    y += height;
  } else if (recipe.nameLine) y = em * 2;
  if (recipe.instruction) {
    const { height } = draft.sizeOf(recipe.instruction, width);
    y = Math.max(y, recipe.nameLine ? em * 2.1 : 0);
    draft.words(
      'task',
      recipe.instruction,
      { x: 0, y, width, height },
      { role: 'instruction', align: 'left', vertical: 'top' },
    );
    y += height;
  }
  return y > 0 ? y + em * 0.9 : 0;
}

export function makePractice({ recipe, seed, width, height }: Asked<PracticeRecipe>, kit: Kit): Made {
  const draft = new Draft(recipe, seeded(seed), { x: 0, y: 0, width, height }, kit);
  const top = drawHead(draft, width);
  draft.area = { x: 0, y: top, width, height: Math.max(20, height - top) };
  (DRAWN[recipe.type] as (draft: Draft, recipe: PracticeRecipe, seed: number) => void)(draft, recipe, seed);
  draft.sayCrammed('Make the frame larger, or put less on the sheet.');
  const notes = [...new Set(draft.notes)];
  if (height - top < recipe.size * 6) notes.push('There is little room. Make the frame taller, or use smaller text.');
  return { items: draft.items, notes };
}

export const PRACTICE: Maker<PracticeRecipe> = { kind: 'practice', make: makePractice };
