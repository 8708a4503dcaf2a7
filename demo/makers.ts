import { keyOf } from '../core/handout/copy';
import type { LookFor } from '../core/lookfors/all';
import { lookFor } from '../core/lookfors/all';
import { remake } from '../core/makers/all';
import { beginChart } from '../core/makers/chart/begin';
import type { ChartRecipe } from '../core/schema/recipes/chart';
import { beginLabels, spotsOf } from '../core/makers/labels/begin';
import type { LabelsRecipe } from '../core/schema/recipes/labels';
import type { Kit } from '../core/makers/kit/maker';
import { DEFAULT_PALETTE, defaultRoles, group, page, plain, sheet, text } from '../core/schema/defaults';
import type { Item, Sheet, TextItem } from '../core/schema/sheet';
import type { Fate } from './pieces';

/** Two sheets that makers made and that the class Avocet got: a chart to be read, and a crab to be labelled. */

type Given = Pick<Kit, 'faces' | 'pictures'>;
const kitOf = ({ faces, pictures }: Given): Kit => ({ faces, pictures, roles: defaultRoles() });
const blank = { role: 'name', touch: 'fill' as const, fit: 'shrink' as const };

const head = (title: string, prompt: string): TextItem[] => [
  text({ id: 'title', role: 'title', x: 40, y: 28, width: 470, height: 46, body: plain(title) }),
  text({
    id: 'name',
    ...blank,
    x: 540,
    y: 36,
    width: 212,
    height: 28,
    prompt,
    outline: { colour: '#8a8471', width: 1, dash: 'solid' },
  }),
];

export const countsChart = (): ChartRecipe => ({ ...beginChart(DEFAULT_PALETTE), title: '', task: 'read', size: 14 });

export async function countsSheet(given: Given): Promise<Sheet> {
  const empty = group({ id: 'birds', x: 40, y: 92, width: 712, height: 350, items: [] });
  const { group: made } = await remake(
    { group: empty, state: { kind: 'chart', recipe: countsChart(), seed: 1 } },
    kitOf(given),
  );
  return sheet({
    title: 'Birds we counted',
    pages: [
      page({
        id: 'page1',
        items: [
          ...head('Birds we counted', 'your name'),
          text({
            id: 'ask',
            role: 'instruction',
            x: 40,
            y: 456,
            width: 712,
            height: 24,
            body: plain('Write the number of birds above each bar. Then say what you notice.'),
          }),
          text({
            id: 'notice',
            touch: 'fill',
            x: 40,
            y: 486,
            width: 712,
            height: 84,
            fit: 'shrink',
            prompt: 'what you notice, in a sentence or two',
            outline: { colour: '#8a8471', width: 1, dash: 'solid' },
          }),
          made,
        ],
      }),
    ],
  });
}

export const crabLabels = ({ pictures }: Given): LabelsRecipe => ({
  ...beginLabels(DEFAULT_PALETTE, 'diagram/shore-crab', spotsOf(pictures('diagram/shore-crab'))),
  size: 15,
  edition: 'bank',
  decoys: ['feather', 'fin'],
});

export async function crabSheet(given: Given): Promise<Sheet> {
  const empty = group({ id: 'crab', x: 40, y: 92, width: 712, height: 480, items: [] });
  const { group: made } = await remake(
    { group: empty, state: { kind: 'labels', recipe: crabLabels(given), seed: 4 } },
    kitOf(given),
  );
  return sheet({
    title: 'A crab and its parts',
    pages: [page({ id: 'page1', items: [...head('A crab and its parts', 'your name'), made] })],
  });
}

export const countsLookFors = (): LookFor[] => [
  lookFor({ kind: 'name', id: 'name', title: 'Your name', tell: 'result', item: 'name' }),
  lookFor({
    kind: 'words',
    id: 'notice',
    title: 'What you notice, in at least 8 words',
    tell: 'result',
    item: 'notice',
    min: 8,
  }),
  { kind: 'teacher', id: 'read', title: 'Reads the numbers off the axis', tell: 'after' },
];
export const crabLookFors = (made: Sheet): LookFor[] => [
  lookFor({ kind: 'name', id: 'name', title: 'Your name', tell: 'result', item: 'name' }),
  {
    kind: 'labels',
    id: 'labels',
    title: 'Every part has its name',
    tell: 'filled',
    spelling: 'near',
    ...keyOf(made)[0],
  },
];

export type Answers = {
  fate: Fate;
  words: Record<string, string>;
  /** What is put on the sheet beside what is written. */
  adds?: readonly Item[];
  /** On a piece that is handed in: it is read, and goes back when the others do. */
  note?: [item: string, body: string];
  ago: number;
};

/** What is written into the boxes above the bars, by the rows of the table. */
const numbers = (...all: string[]): Record<string, string> =>
  Object.fromEntries(all.map((said, i) => [`birds-value-${i + 1}-1`, said]));

export const COUNTS_ANSWERS: readonly Answers[] = [
  {
    fate: 'done',
    ago: 60,
    words: {
      ...numbers('14', '9', '3', '11', '2'),
      notice: 'There are most redshanks, seven times as many as herons.',
    },
    note: ['notice', 'You even compared two of them. Well read.'],
  },
  {
    fate: 'handed-in',
    ago: 30,
    words: {
      ...numbers('14', '9', '3', '11', '2'),
      notice: 'The redshank has the tallest bar and the heron the smallest one.',
    },
  },
  {
    fate: 'handed-in',
    ago: 29,
    words: { ...numbers('14', '8', '4', '11', '2'), notice: 'avocets are nearly as many' },
    note: ['notice', 'As many as what? Name both birds.'],
  },
  {
    fate: 'another-go',
    ago: 40,
    words: { ...numbers('13', '9', '3', '1', ''), notice: 'many' },
    note: ['birds-value-4-1', 'Follow the top of the bar over to the numbers at the left.'],
  },
  { fate: 'under-way', ago: 8, words: numbers('14', '9', '', '', '') },
  {
    fate: 'done',
    ago: 58,
    words: {
      ...numbers('14', '9', '3', '11', '2'),
      notice: 'Waders that eat worms come in flocks, herons come alone.',
    },
  },
  {
    fate: 'handed-in',
    ago: 28,
    words: { ...numbers('14', '9', '3', '12', '2'), notice: 'Most of the birds on the mud are redshanks and avocets.' },
  },
  { fate: 'under-way', ago: 5, words: { ...numbers('14', '', '', '', ''), notice: 'The' } },
  { fate: 'not-begun', ago: 0, words: {} },
];

/** Which words of the crab are right, wrong or missing, by the places of its parts in the key. */
export const CRAB_ANSWERS: readonly (Omit<Answers, 'words'> & { wrong: Record<number, string>; filled: number })[] = [
  { fate: 'done', ago: 90, filled: 99, wrong: {}, note: ['name', 'All of them, and neatly written.'] },
  { fate: 'done', ago: 88, filled: 99, wrong: { 2: 'antena' } },
  { fate: 'handed-in', ago: 26, filled: 99, wrong: { 0: 'fin' } },
  { fate: 'handed-in', ago: 25, filled: 6, wrong: {} },
  {
    fate: 'another-go',
    ago: 48,
    filled: 99,
    wrong: { 0: 'feather', 1: 'fin' },
    note: ['name', 'Two words of the bank belong nowhere. Which ones?'],
  },
  { fate: 'handed-in', ago: 24, filled: 99, wrong: {} },
  { fate: 'under-way', ago: 7, filled: 3, wrong: {} },
  { fate: 'not-begun', ago: 0, filled: 0, wrong: {} },
  { fate: 'under-way', ago: 3, filled: 1, wrong: {} },
];
