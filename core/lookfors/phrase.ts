import { z } from 'zod';
import { matches, normalised, SPELLING } from '../language/spelling';
import type { Spelling } from '../language/spelling';
import { Id } from '../values/primitives';
import type { Sheet } from '../schema/sheet';
import { boxesFor, boxSlot, boxSources, openBox } from './boxes';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { base } from './kind';
import { spellingSlot } from './spelling-slot';

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

const split = (text: string) => normalised(text).split(' ').filter(Boolean);

/** How often a phrase stands in a text: by its words, whatever is between or around them. */
function timesIn(text: readonly string[], phrase: string, spelling: Spelling, others: readonly string[]): number {
  const { length } = split(phrase);
  let times = 0;
  for (let i = 0; i + length <= text.length; i++) {
    if (matches(text.slice(i, i + length).join(' '), [phrase], spelling, others) === null) continue;
    times++;
    i += length - 1;
  }
  return times;
}

function countPhrases(lookFor: PhraseLookFor, sheet: Sheet, context: Context): Counted {
  const { words, how, min, spelling, item } = lookFor;
  const boxes = boxesFor(item, sheet, context).map(({ item: box, text, given }) => ({
    id: box.id,
    text: split(text),
    given: split(given),
  }));
  const evidence = words.map((word): Evidence => {
    const others = words.filter((other) => other !== word);
    const found = boxes.filter(
      ({ text, given }) => timesIn(text, word, spelling, others) > timesIn(given, word, 'exact', []),
    );
    const there = found.length > 0;
    return {
      items: found.map(({ id }) => id),
      verdict: how === 'none' ? (there ? 'wrong' : 'right') : there ? 'right' : 'empty',
      said: there ? word : '',
      meant: word,
    };
  });
  const got = evidence.filter(({ verdict }) => verdict === 'right').length;
  const need = how === 'some' ? Math.min(min, words.length) : words.length;
  // Nothing written is not a text without these words.
  const met = got >= need && need > 0 && (how !== 'none' || boxes.some(({ text }) => text.length > 0));
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
