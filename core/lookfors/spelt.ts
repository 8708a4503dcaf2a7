import { z } from 'zod';
import { isLoud, partsOfNames, withoutPossessive, wordsIn } from '../language/words';
import { Id } from '../values/primitives';
import { foundOnce } from '../values/remembered';
import type { Sheet } from '../schema/sheet';
import { boxesFor, boxSlot, boxSources, openBox, readFrom } from './boxes';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { base } from './kind';
import { wordsOfBox } from './words';

/** English words, spelt as a dictionary has them; names, and words that the teacher knows, are right as well. */

const MOST_WORDS_KNOWN = 60;
const SpeltLookFor = z.strictObject({
  kind: z.literal('spelt'),
  ...base,
  item: Id.nullable(),
  /** Words that may look misspelt; the same one counts once. */
  most: z.number().int().min(0).max(100, 'at most 100').default(2),
  /** Words that are right whatever the dictionary says. */
  also: z.array(z.string().min(1).max(60)).max(MOST_WORDS_KNOWN).default([]),
});
export type SpeltLookFor = z.infer<typeof SpeltLookFor>;

const HAS_LETTER = /\p{L}/u;
/** What of a box can be looked up, and how many words there are in all. */
const readBox = readFrom((box) => {
  const words = wordsIn(box.text, isLoud(box.text)).map(({ word }) => word);
  return {
    looked: words.length,
    words: [...new Set(words)],
    of: wordsOfBox(box).filter((word) => word.length > 1 && HAS_LETTER.test(word)).length,
  };
});

type IsWord = NonNullable<Context['isWord']>;
/** The words of a box that no dictionary has. */
const unknownIn = readFrom((box) => foundOnce((isWord: IsWord) => readBox(box).words.filter((word) => !isWord(word))));

/** Where fewer than this share of the words can be looked up, nobody but a person can judge them. */
const LOOKED_UP = 0.5;

function countSpelt({ item, most, also }: SpeltLookFor, sheet: Sheet, context: Context): Counted | null {
  const { isWord, handedOut, studentName } = context;
  if (!isWord) return null;
  const listed = [...also, ...handedOut.ownWords].map((word) => word.toLowerCase());
  const known = new Set([...partsOfNames([studentName, ...listed]), ...listed]);
  const isRight = (word: string) => known.has(word.toLowerCase()) || known.has(withoutPossessive(word).toLowerCase());
  const boxes = boxesFor(item, sheet, context).filter(({ text, given }) => text.trim() !== given.trim());
  let [looked, of] = [0, 0];
  const wrong = new Map<string, Evidence>();
  for (const box of boxes) {
    const found = readBox(box);
    [looked, of] = [looked + found.looked, of + found.of];
    for (const word of unknownIn(box)(isWord))
      if (!wrong.has(word.toLowerCase()) && !isRight(word))
        wrong.set(word.toLowerCase(), { items: [box.item.id], verdict: 'wrong', said: `“${word}”`, meant: '' });
  }
  if (of > 0 && looked < of * LOOKED_UP) return null;
  if (of === 0) {
    const empty: Evidence[] = item === null ? [] : [{ items: [item], verdict: 'empty', said: '', meant: '' }];
    return { got: 0, need: most, met: false, evidence: empty };
  }
  const met = wrong.size <= most;
  const evidence = [...wrong.values()].map((one): Evidence => (met ? { ...one, verdict: 'near' } : one));
  return { got: wrong.size, need: most, met, evidence };
}

export const SPELT: LookForKind<SpeltLookFor> = {
  schema: SpeltLookFor,
  kind: 'spelt',
  name: 'English spelling',
  unit: () => ['word looks misspelt', 'words look misspelt', 'at most '],
  begin: (sheet) => ({ settings: { tell: 'result', item: openBox(sheet)?.id ?? null, most: 2, also: [] } }),
  sentence: ({ item, most, also }, sheet) => [
    ...(most === 0 ? [{ aside: 'at most' }, { told: 'no' }] : ['at most']),
    {
      slot: 'number',
      label: 'Words that may look misspelt',
      value: most,
      min: 0,
      max: 100,
      ...(most === 0 && { quiet: 'here' as const }),
      set: (to) => ({ most: to }),
    },
    most < 2 ? 'English word that looks misspelt' : 'English words that look misspelt',
    boxSlot(item, sheet, (to) => ({ item: to })),
    { aside: 'also right:' },
    {
      slot: 'words',
      label: 'Words that are right, too',
      value: also,
      quiet: true,
      most: MOST_WORDS_KNOWN,
      longest: 60,
      set: (to) => ({ also: to }),
    },
  ],
  hint: () => 'Look at each word that is marked. Names may stay as they are.',
  saysWhy: true,
  count: countSpelt,
  sources: ({ item }, sheet) => boxSources(item, sheet),
  asksSpelling: true,
  /** Whether anything is written. */
  filled: ({ held, evidence }) => {
    const got = held || evidence.some(({ verdict }) => verdict !== 'empty') ? 1 : 0;
    return { got, need: 1, evidence: [] };
  },
  worded: ({ verdict, said }) => (verdict === 'empty' ? 'nothing written' : `${said} looks misspelt`),
};
