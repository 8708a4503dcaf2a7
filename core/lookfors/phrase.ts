import { z } from 'zod';
import { matches, normalised, SPELLING } from '../language/spelling';
import type { Spelling } from '../language/spelling';
import { Id } from '../values/primitives';
import { foundOnce } from '../values/remembered';
import type { Sheet } from '../schema/sheet';
import { boxesFor, boxSlot, boxSources, openBox, readFrom } from './boxes';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { base } from './kind';
import { spellingSlot } from './spelling-slot';
import { plainWords, wordsOfBox } from './words';

/** Given words or phrases that are to stand there, or that are not. */

const PhraseLookFor = z.strictObject({
  kind: z.literal('phrase'),
  ...base,
  item: Id.nullable(),
  words: z.array(z.string().trim().min(1).max(80)).max(20, 'at most 20 words'),
  /** some: at least `min` of them. */
  how: z.enum(['all', 'some', 'none']),
  min: z.number().int().min(1).max(20),
  spelling: z.enum(SPELLING),
});
export type PhraseLookFor = z.infer<typeof PhraseLookFor>;

/** So many letters may be other ones: the most slips that are taken, and what singular and plural differ by. */
const OTHER_LETTERS = 5;
/** Words that are remembered for one look-for. */
const KEPT = 4000;

/** Tells whether so many words in a row are a phrase. Words come again, in a class above all, and are looked at once. */
function phraseTest(phrase: string, spelling: Spelling, others: readonly string[]) {
  const known = new Map<string, boolean>();
  const plain = normalised(phrase);
  return (said: string): boolean => {
    let is = known.get(said);
    if (is !== undefined) return is;
    is = lettersApart(said, plain) <= OTHER_LETTERS && matches(said, [phrase], spelling, others) !== null;
    if (known.size >= KEPT) known.clear();
    known.set(said, is);
    return is;
  };
}

/** How many letters of the longer word the other one lacks, in whatever order: no more than the edits between them. */
function lettersApart(a: string, b: string): number {
  const [long, short] = a.length >= b.length ? [a, b] : [b, a];
  if (long.length - short.length > OTHER_LETTERS) return long.length - short.length;
  let rest = short;
  let lacking = 0;
  for (const letter of long) {
    const at = rest.indexOf(letter);
    if (at < 0) lacking++;
    else rest = rest.slice(0, at) + rest.slice(at + 1);
  }
  return lacking;
}

const testsOf = foundOnce(({ words, spelling }: PhraseLookFor) =>
  words.map((word) =>
    phraseTest(
      word,
      spelling,
      words.filter((other) => other !== word),
    ),
  ),
);

/** How often a phrase stands in a text: its words one after another. */
function timesIn(text: readonly string[], length: number, is: (said: string) => boolean): number {
  let times = 0;
  for (let i = 0; i + length <= text.length; i++) {
    let row = text[i];
    for (let k = 1; k < length; k++) row += ` ${text[i + k]}`;
    if (is(row)) times++;
  }
  return times;
}

/** Which phrases of a look-for stand in a box, and more often than when it was handed out. */
const standIn = readFrom((box) => {
  const [text, given] = [wordsOfBox(box), plainWords(box.given)];
  return foundOnce((lookFor: PhraseLookFor) =>
    lookFor.words.map((phrase, i) => {
      const { length } = plainWords(phrase);
      // A sign, such as a question mark, is no word.
      if (length === 0) return box.text.split(phrase).length > box.given.split(phrase).length;
      const is = testsOf(lookFor)[i];
      return timesIn(text, length, is) > timesIn(given, length, is);
    }),
  );
});

function countPhrases(lookFor: PhraseLookFor, sheet: Sheet, context: Context): Counted {
  const { words, how, min, item } = lookFor;
  const boxes = boxesFor(item, sheet, context);
  const evidence = words.map((word, i): Evidence => {
    const found = boxes.filter((box) => standIn(box)(lookFor)[i]);
    const there = found.length > 0;
    return {
      items: found.map((box) => box.item.id),
      verdict: how === 'none' ? (there ? 'wrong' : 'right') : there ? 'right' : 'empty',
      said: there ? word : '',
      meant: word,
    };
  });
  const got = evidence.filter(({ verdict }) => verdict === 'right').length;
  const need = how === 'some' ? Math.min(min, words.length) : words.length;
  // Nothing written is not a text without these words.
  const met = got >= need && need > 0 && (how !== 'none' || boxes.some(({ text }) => text.trim() !== ''));
  return { got, need, met, evidence };
}

export const PHRASE: LookForKind<PhraseLookFor> = {
  schema: PhraseLookFor,
  kind: 'phrase',
  name: 'certain words, there or not there',
  begin: (sheet) => ({
    settings: { tell: 'result', item: openBox(sheet)?.id ?? null, words: [], how: 'all', min: 1, spelling: 'near' },
  }),
  sentence: ({ item, words, how, min, spelling }, sheet) => [
    {
      slot: 'choice',
      label: 'All, some or none of the words',
      value: how,
      options: [
        { value: 'all', label: words.length > 1 ? 'all of the words' : 'the words' },
        { value: 'some', label: 'at least' },
        { value: 'none', label: words.length > 1 ? 'none of the words' : 'not the words' },
      ],
      set: (to) => ({ how: to as PhraseLookFor['how'] }),
    },
    ...(how === 'some'
      ? [
          {
            slot: 'number' as const,
            label: 'How many of the words',
            value: min,
            min: 1,
            max: 20,
            set: (to: number) => ({ min: to }),
          },
          'of the words',
        ]
      : []),
    {
      slot: 'words',
      label: 'The words or phrases',
      value: words,
      most: 20,
      longest: 80,
      set: (to) => ({ words: to }),
    },
    spellingSlot(spelling, (to) => ({ spelling: to })),
    boxSlot(item, sheet, (to) => ({ item: to })),
  ],
  contradicts: ({ words, how, min }) => {
    if (words.length === 0) return 'Type the words to look for, separated by commas.';
    if (how === 'some' && min > words.length) return `There are only ${words.length} words to choose from.`;
    return new Set(words.map(normalised)).size < words.length ? 'One word stands there twice.' : null;
  },
  count: countPhrases,
  sources: ({ item }, sheet) => boxSources(item, sheet),
  worded: ({ verdict, meant }) => {
    if (verdict === 'empty') return `no “${meant}”`;
    return verdict === 'wrong' ? `“${meant}” stands there` : `“${meant}”`;
  },
  missed: ({ verdict, meant }) => (verdict === 'empty' ? `“${meant}” not there` : null),
};
