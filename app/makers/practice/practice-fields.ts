import type { PracticeType } from '../../../core/schema/recipes/practice';
import { CLOCK_STEPS, GAP_KINDS, OPERATIONS, SHOWN } from '../../../core/schema/recipes/practice';

/** What can be set on each type of practice sheet. */

/** A setting of one type of practice sheet, by the kind of field it is set in. */
export type Field =
  | { field: 'number'; key: string; label: string; min: number; max: number; whole?: false }
  | { field: 'check'; key: string; label: string }
  | { field: 'choice'; key: string; label: string; options: readonly { value: string | number; label: string }[] }
  | { field: 'several'; key: string; label: string; options: readonly { value: string | number; label: string }[] }
  | { field: 'numbers'; key: string; label: string; min: number; max: number; most: number }
  | { field: 'words'; key: string; label: string; hint: string; most: number; long: number }
  | { field: 'text'; key: string; label: string }
  | { field: 'short'; key: string; label: string; most: number }
  | { field: 'things'; key: string; label: string; other?: string; pictures?: false }
  | { field: 'groups'; key: string; label: string; most: number };

const number = (key: string, label: string, min: number, max: number, whole?: false): Field => ({
  field: 'number',
  key,
  label,
  min,
  max,
  whole,
});
const check = (key: string, label: string): Field => ({ field: 'check', key, label });
const choice = (key: string, label: string, names: Record<string, string>): Field => ({
  field: 'choice',
  key,
  label,
  options: Object.entries(names).map(([value, name]) => ({ value, label: name })),
});
const OUTLINE = check('outline', 'pictures as outlines');
const SHOWN_NAMES = { picture: 'picture', word: 'word', other: 'what belongs to it' } satisfies Record<
  (typeof SHOWN)[number],
  string
>;
const things = (other?: string, label = 'things'): Field => ({ field: 'things', key: 'things', label, other });

export const FIELDS: { [T in PracticeType]: Field[] } = {
  matching: [
    number('count', 'pairs', 2, 12),
    choice('left', 'left', SHOWN_NAMES),
    choice('right', 'right', SHOWN_NAMES),
    OUTLINE,
    things('what belongs to it'),
  ],
  counting: [
    number('rows', 'rows', 2, 10),
    number('most', 'at most', 2, 20),
    check('same', 'two rows alike'),
    OUTLINE,
    things(),
  ],
  sorting: [number('count', 'things', 2, 24), OUTLINE, { field: 'groups', key: 'groups', label: 'boxes', most: 4 }],
  odd: [
    number('rows', 'rows', 1, 10),
    number('across', 'in each', 3, 6),
    OUTLINE,
    { field: 'groups', key: 'groups', label: 'groups', most: 8 },
  ],
  sequence: [OUTLINE, things(undefined, 'steps')],
  tracing: [
    number('copies', 'copies', 1, 4),
    number('ways', 'ways', 0, 8),
    { field: 'words', key: 'words', label: 'words', hint: 'one in a line', most: 20, long: 40 },
  ],
  colouring: [number('count', 'pictures', 1, 6), check('key', 'by numbers, with a colour key'), things()],
  cutouts: [number('count', 'cards', 1, 30), check('tabs', 'tabs to glue'), OUTLINE, things()],
  numberline: [
    number('from', 'from', -1000, 1000, false),
    number('step', 'steps of', 0.01, 1000, false),
    number('marks', 'marks', 3, 31),
    number('missing', 'missing', 1, 30),
    number('lines', 'lines', 1, 8),
  ],
  sums: [
    {
      field: 'several',
      key: 'operations',
      label: 'kinds',
      options: OPERATIONS.map((value) => ({ value, label: value })),
    },
    number('most', 'up to', 2, 10_000),
    choice('carry', 'carrying', { any: 'as it comes', never: 'never', always: 'always' }),
    choice('form', 'written', { row: 'in a row', column: 'one under the other' }),
    choice('gap', 'missing', { result: 'the result', any: 'anything' }),
    number('count', 'sums', 1, 60),
  ],
  tables: [
    { field: 'numbers', key: 'tables', label: 'tables', min: 1, max: 20, most: 20 },
    number('to', 'up to', 2, 20),
    choice('gap', 'missing', { result: 'the result', any: 'anything' }),
    check('divide', 'dividing too'),
    number('count', 'sums', 1, 60),
  ],
  bars: [
    number('count', 'bars', 1, 8),
    number('parts', 'parts', 2, 4),
    number('most', 'up to', 5, 1000),
    choice('gap', 'missing', { whole: 'the whole', part: 'a part', any: 'either' }),
  ],
  clocks: [
    number('count', 'clocks', 1, 16),
    {
      field: 'choice',
      key: 'step',
      label: 'times to',
      options: CLOCK_STEPS.map((value) => ({
        value,
        label: { 60: 'the hour', 30: 'the half hour', 15: 'the quarter', 5: 'five minutes', 1: 'the minute' }[value],
      })),
    },
    choice('task', 'task', { read: 'read the clock', draw: 'draw the hands' }),
  ],
  money: [
    number('count', 'rows', 1, 10),
    number('most', 'coins', 2, 8),
    { field: 'short', key: 'sign', label: 'sign', most: 3 },
    { field: 'numbers', key: 'coins', label: 'coins', min: 1, max: 1000, most: 12 },
  ],
  wordsearch: [
    number('across', 'across', 4, 26),
    number('down', 'down', 4, 26),
    check('diagonal', 'slanting words too'),
    check('backwards', 'backwards too'),
    check('list', 'the words below'),
    { field: 'words', key: 'words', label: 'words', hint: 'one in a line', most: 40, long: 40 },
    {
      field: 'words',
      key: 'unwanted',
      label: 'never',
      hint: 'words that must not come about by chance',
      most: 200,
      long: 40,
    },
  ],
  crossword: [{ field: 'things', key: 'things', label: 'words', other: 'its clue', pictures: false }],
  gaps: [
    choice('kind', 'gaps', {
      every: 'every so many words',
      chosen: 'words I choose',
      long: 'long words',
      numbers: 'numbers',
      joining: 'joining words',
      placing: 'words of place',
    } satisfies Record<(typeof GAP_KINDS)[number], string>),
    number('every', 'every', 2, 30),
    check('bank', 'a box of words'),
    { field: 'text', key: 'text', label: 'text' },
    {
      field: 'words',
      key: 'chosen',
      label: 'chosen',
      hint: 'or put them in [square brackets] in the text',
      most: 60,
      long: 60,
    },
  ],
  bingo: [
    number('across', 'side', 2, 6),
    choice('shows', 'shows', SHOWN_NAMES),
    check('free', 'free middle'),
    things('what belongs to it'),
  ],
  dominoes: [choice('left', 'left', SHOWN_NAMES), choice('right', 'right', SHOWN_NAMES), things('what belongs to it')],
};
