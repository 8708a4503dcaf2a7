import { z } from 'zod';
import { Id } from '../values/primitives';
import { foundOnce } from '../values/remembered';
import { bodyText } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { boxesFor, boxSlot, boxSources, openBox, readFrom } from './boxes';
import type { Context, Counted, LookForKind } from './kind';
import { atLeast, base } from './kind';

const WordsLookFor = z.strictObject({
  kind: z.literal('words'),
  ...base,
  item: Id.nullable(),
  how: z.enum(['least', 'most']).default('least'),
  min: atLeast,
});
export type WordsLookFor = z.infer<typeof WordsLookFor>;

export const wordsIn = (text: string): string[] => text.match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu) ?? [];

/** This many words in a row count as copied: fewer are common by chance. */
export const RUN = 5;
/** How often a word counts; in a longer text, as often as this share of its different words. */
const OFTEN = 3;
const OFTEN_SHARE = 0.25;

export const plainWords = (text: string) => wordsIn(text.normalize('NFC').toLowerCase());

export const wordsOfBox = readFrom(({ text }) => plainWords(text));

export const runAt = (words: readonly string[], at: number) => words.slice(at, at + RUN).join(' ');

/** All rows of words that stand on a sheet. */
export const runsOf = foundOnce((printed: Sheet): ReadonlySet<string> => {
  const all = new Set<string>();
  for (const item of everyItem(printed)) {
    if (!isWritten(item)) continue;
    const words = plainWords(bodyText(item.body));
    for (let i = 0; i + RUN <= words.length; i++) all.add(runAt(words, i));
  }
  return all;
});

/** How many words are the student's own: not printed, copied from the sheet or the example, or repeated. */
function ownWords(words: readonly string[], given: string, printed: ReadonlySet<Sheet>): number {
  const copied: boolean[] = [];
  for (const all of [...printed].map(runsOf))
    if (all.size > 0)
      for (let i = 0; i + RUN <= words.length; i++)
        if (all.has(runAt(words, i))) for (let k = i; k < i + RUN; k++) copied[k] = true;
  const there = new Map<string, number>();
  for (const word of plainWords(given)) there.set(word, (there.get(word) ?? 0) + 1);
  const counts = new Map<string, number>();
  words.forEach((word, i) => {
    const left = there.get(word) ?? 0;
    if (left > 0) there.set(word, left - 1);
    else if (!copied[i] && word !== words[i - 1]) counts.set(word, (counts.get(word) ?? 0) + 1);
  });
  const most = Math.max(OFTEN, Math.floor(counts.size * OFTEN_SHARE));
  return [...counts.values()].reduce((sum, count) => sum + Math.min(count, most), 0);
}

/** The same for a box, on a handout with its example. */
const ownIn = readFrom((box) =>
  foundOnce((handedOut: Sheet) =>
    foundOnce((example: Sheet) => ownWords(wordsOfBox(box), box.given, new Set([handedOut, example]))),
  ),
);

/** At least, or at most, so many words of the student's own. None at all is never enough. */
function countWords(lookFor: WordsLookFor, sheet: Sheet, context: Context): Counted {
  const { handedOut, example } = context;
  const counts = boxesFor(lookFor.item, sheet, context).map((box) => ({
    id: box.item.id,
    text: box.text,
    count: ownIn(box)(handedOut)(example ?? handedOut),
  }));
  const got = counts.reduce((sum, { count }) => sum + count, 0);
  const met = lookFor.how === 'least' ? got >= lookFor.min : got > 0 && got <= lookFor.min;
  return {
    got,
    need: lookFor.min,
    met,
    evidence: counts
      .filter(({ count }) => count > 0 || lookFor.item !== null)
      .map(({ id, text, count }) => ({
        items: [id],
        verdict: count === 0 ? 'empty' : met ? 'right' : 'near',
        said: text,
        meant: '',
      })),
  };
}

export const WORDS: LookForKind<WordsLookFor> = {
  schema: WordsLookFor,
  kind: 'words',
  name: 'a number of words',
  unit: ({ how }) => ['word', 'words', how === 'most' ? 'at most ' : ''],
  begin: (sheet) => ({ settings: { tell: 'result', item: openBox(sheet)?.id ?? null, how: 'least', min: 15 } }),
  sentence: ({ item, how, min }, sheet) => [
    {
      slot: 'choice',
      label: 'At least or at most',
      value: how,
      options: [
        { value: 'least', label: 'at least' },
        { value: 'most', label: 'at most' },
      ],
      set: (to) => ({ how: to as WordsLookFor['how'] }),
    },
    { slot: 'number', label: 'How many words', value: min, min: 1, max: 500, set: (to) => ({ min: to }) },
    'words of your own',
    boxSlot(item, sheet, (to) => ({ item: to })),
  ],
  suits: (sheet) => openBox(sheet) !== undefined,
  count: countWords,
  sources: ({ item }, sheet) => boxSources(item, sheet),
  whole: true,
};
