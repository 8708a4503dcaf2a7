import { DEFAULT_PALETTE } from '../../schema/defaults';
import type { PracticeRecipe, PracticeType, Thing } from '../../schema/recipes/practice';

/** Practice sheets as they begin, and how hard they are in plain words. */

const thing = (word: string, other = '', picture: string | null = `flat/${word.replace(/ /g, '-')}`): Thing => ({
  picture,
  word,
  other,
});

/** Of the shore and the marsh: what the sheets of the demo are about, and a start for any other. */
export const SHORE: readonly Thing[] = [
  thing('crab', 'walks sideways'),
  thing('fish', 'breathes with gills'),
  thing('snail', 'carries its house'),
  thing('duck', 'oils its feathers'),
  thing('spiral shell', 'was somebody’s house'),
  thing('shrimp', 'swims backwards'),
  thing('octopus', 'has eight arms'),
  thing('frog', 'lays its eggs in water'),
];
const LAND: readonly Thing[] = [
  thing('fox'),
  thing('hedgehog'),
  thing('owl'),
  thing('butterfly'),
  thing('bee', '', 'flat/honeybee'),
  thing('rabbit'),
];

type Own<T extends PracticeType> = Omit<
  Extract<PracticeRecipe, { type: T }>,
  'type' | 'title' | 'instruction' | 'nameLine' | 'face' | 'size' | 'ink' | 'tint'
>;
type Beginning<T extends PracticeType> = {
  name: string;
  instruction: string;
  own: Own<T>;
  tell(recipe: Extract<PracticeRecipe, { type: T }>): string;
};

const few = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;

export const PRACTICES: { [T in PracticeType]: Beginning<T> } = {
  matching: {
    name: 'matching',
    instruction: 'Draw a line from each picture to its word.',
    own: { things: [...SHORE], count: 5, left: 'picture', right: 'word', outline: false },
    tell: ({ count }) =>
      `${few(count, 'pair')}; ${count < 5 ? 'easy' : count < 8 ? 'middling' : 'hard'}: no answer stands opposite its own`,
  },
  counting: {
    name: 'counting',
    instruction: 'How many are there? Write the number.',
    own: { things: [...SHORE], rows: 5, most: 10, same: false, outline: false },
    tell: ({ rows, most, same }) => `${few(rows, 'row')} of up to ${most}${same ? ', two of them alike' : ''}`,
  },
  sorting: {
    name: 'sorting',
    instruction: 'Where does each belong? Put it in its box.',
    own: {
      groups: [
        { name: 'in the water', things: [...SHORE] },
        { name: 'on land', things: [...LAND] },
      ],
      count: 8,
      outline: false,
    },
    tell: ({ groups, count }) => `${few(count, 'thing')} into ${few(groups.length, 'box', 'boxes')}`,
  },
  odd: {
    name: 'odd one out',
    instruction: 'One in each row does not belong. Draw a ring round it.',
    own: {
      groups: [
        { name: 'in the water', things: [...SHORE] },
        { name: 'on land', things: [...LAND] },
      ],
      rows: 4,
      across: 4,
      outline: false,
    },
    tell: ({ rows, across }) => `${few(rows, 'row')} of ${across}`,
  },
  sequence: {
    name: 'sequence',
    instruction: 'What comes first, what next? Write the numbers.',
    own: {
      things: ['egg', 'young crab', 'it sheds its shell', 'grown crab'].map((word) => thing(word, '', null)),
      outline: false,
    },
    tell: ({ things }) => few(things.length, 'step'),
  },
  tracing: {
    name: 'tracing',
    instruction: 'Trace the words, then the paths.',
    own: { words: ['crab', 'marsh', 'tide'], ways: 2, copies: 3 },
    tell: ({ words, ways }) =>
      [words.length > 0 && few(words.length, 'word'), ways > 0 && few(ways, 'way')].filter(Boolean).join(' and '),
  },
  colouring: {
    name: 'colouring',
    instruction: 'Colour each part by its number.',
    own: { things: [...SHORE], count: 2, key: true },
    tell: ({ count, key }) => `${few(count, 'picture')}, ${key ? 'by numbers' : 'in any colours'}`,
  },
  cutouts: {
    name: 'cut-outs',
    instruction: 'Cut along the lines.',
    own: { things: [...SHORE], count: 6, tabs: true, outline: true },
    tell: ({ count, tabs }) => `${few(count, 'card')}${tabs ? ' with tabs to glue' : ''}`,
  },
  numberline: {
    name: 'number line',
    instruction: 'Fill in the numbers that are missing.',
    own: { from: 0, step: 1, marks: 11, lines: 3, missing: 4 },
    tell: ({ from, step, marks, missing }) =>
      `from ${from} in steps of ${step}, ${Math.min(missing, marks - 2)} of ${marks} missing`,
  },
  sums: {
    name: 'sums',
    instruction: 'Work out each sum.',
    own: { operations: ['+', '−'], most: 20, carry: 'any', form: 'row', count: 16, gap: 'result' },
    tell: ({ operations, most, carry }) =>
      `${operations.join(' ')} up to ${most}${carry === 'never' ? ', nothing carried' : carry === 'always' ? ', always carrying' : ''}`,
  },
  tables: {
    name: 'times tables',
    instruction: 'Fill in what is missing.',
    own: { tables: [2, 5, 10], to: 10, count: 16, gap: 'result', divide: false },
    tell: ({ tables, to }) => `the tables of ${tables.join(', ')} up to ${to}`,
  },
  bars: {
    name: 'bar models',
    instruction: 'What number is missing from each bar?',
    own: { count: 4, parts: 2, most: 20, gap: 'any' },
    tell: ({ parts, most }) => `${few(parts, 'part')}, wholes up to ${most}`,
  },
  clocks: {
    name: 'clocks',
    instruction: 'What time is it?',
    own: { count: 6, step: 30, task: 'read' },
    tell: ({ step, task }) =>
      `${task === 'read' ? 'read' : 'draw the hands'}, to ${step === 60 ? 'the hour' : step === 30 ? 'the half hour' : step === 15 ? 'the quarter' : step === 5 ? 'five minutes' : 'the minute'}`,
  },
  money: {
    name: 'money',
    instruction: 'How much is it in each row?',
    own: { count: 5, sign: 'p', coins: [1, 2, 5, 10, 20], most: 5 },
    tell: ({ coins, most, sign }) =>
      `up to ${few(most, 'coin')} of ${coins.map((coin) => `${coin}${sign}`).join(', ')}`,
  },
  wordsearch: {
    name: 'word search',
    instruction: 'Find these words.',
    own: {
      words: ['glasswort', 'heron', 'crab', 'creek', 'tide', 'mud', 'lavender', 'snail'],
      across: 12,
      down: 12,
      diagonal: true,
      backwards: false,
      unwanted: [],
      list: true,
    },
    tell: ({ words, across, down, diagonal, backwards }) =>
      `${few(words.length, 'word')} in ${across} by ${down}, ${diagonal ? 'slanting too' : 'across and down'}${backwards ? ', and backwards' : ''}`,
  },
  crossword: {
    name: 'crossword',
    instruction: 'Write each answer into its boxes.',
    own: {
      things: [
        ['tide', 'The sea comes and goes with it'],
        ['heron', 'A tall grey bird that waits'],
        ['crab', 'It walks sideways'],
        ['creek', 'The path of the water through the marsh'],
        ['salt', 'What makes the sea taste'],
        ['mud', 'The ground at low water'],
        ['snail', 'It carries its house'],
        ['eel', 'A fish as thin as a rope'],
      ].map(([word, clue]) => thing(word, clue, null)),
    },
    tell: ({ things }) => few(things.length, 'word'),
  },
  gaps: {
    name: 'fill the gaps',
    instruction: 'Fill the gaps with words from the box.',
    own: {
      text: 'Twice a day the [sea] flows into the salt marsh. It comes along the [creeks], and at spring tide it covers the [grass]. When it leaves, birds look for [worms] in the mud.',
      kind: 'chosen',
      every: 7,
      chosen: [],
      bank: true,
    },
    tell: ({ kind, every, bank }) =>
      `${kind === 'every' ? `every ${every}th word` : kind === 'chosen' ? 'words you chose' : kind === 'long' ? 'long words' : kind === 'numbers' ? 'numbers' : kind === 'joining' ? 'joining words' : 'words of place'}${bank ? ', with a box of words' : ', from memory'}`,
  },
  bingo: {
    name: 'bingo',
    instruction: '',
    own: { things: [...SHORE, ...LAND], across: 3, shows: 'picture', free: true },
    tell: ({ across, things }) => `${across} by ${across} out of ${few(things.length, 'thing')}`,
  },
  dominoes: {
    name: 'dominoes',
    instruction: 'Cut out and lay a ring.',
    own: { things: [...SHORE], left: 'picture', right: 'word' },
    tell: ({ things }) => few(things.length, 'piece'),
  },
};

export function beginPractice<T extends PracticeType>(
  type: T,
  palette: readonly string[] = DEFAULT_PALETTE,
): Extract<PracticeRecipe, { type: T }> {
  const { name, instruction, own } = PRACTICES[type];
  return {
    type,
    title: name[0].toUpperCase() + name.slice(1),
    instruction,
    nameLine: true,
    face: 'andika',
    size: 16,
    ink: palette[0] ?? '#2a2820',
    tint: palette[3] ?? '#dfe8d0',
    ...own,
  } as unknown as Extract<PracticeRecipe, { type: T }>;
}

export const tell = (recipe: PracticeRecipe): string =>
  (PRACTICES[recipe.type].tell as (recipe: PracticeRecipe) => string)(recipe);
