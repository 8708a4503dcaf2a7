import { z } from 'zod';
import { Id } from '../values/primitives';
import { bodyText } from '../text/body';
import type { Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import type { Context, Counted, LookForKind } from './kind';
import { atLeast, base, placed } from './kind';
import { isSeen } from './seen';

const WordsLookFor = z.strictObject({ kind: z.literal('words'), ...base, item: Id.nullable(), min: atLeast });
export type WordsLookFor = z.infer<typeof WordsLookFor>;

export const wordsIn = (text: string): string[] => text.match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu) ?? [];

/** This many words in a row from the sheet count as copied. Single words of it may be used. */
const RUN = 5;
/** How often a word counts; in a longer text, as often as this share of its different words. */
const OFTEN = 3;
const OFTEN_SHARE = 0.25;

const plainWords = (text: string) => wordsIn(text.normalize('NFC').toLowerCase());
const runAt = (words: readonly string[], at: number) => words.slice(at, at + RUN).join(' ');

const runs = new WeakMap<Sheet, Set<string>>();
/** All rows of words that stand on the sheet as it was handed out. */
function runsOf(handedOut: Sheet): Set<string> {
  let all = runs.get(handedOut);
  if (!all) {
    all = new Set();
    for (const item of everyItem(handedOut)) {
      if (!isWritten(item)) continue;
      const words = plainWords(bodyText(item.body));
      for (let i = 0; i + RUN <= words.length; i++) all.add(runAt(words, i));
    }
    runs.set(handedOut, all);
  }
  return all;
}

/** How many words are the student's own: not printed, copied from the sheet, or repeated. */
export function ownWords(text: string, given: string, handedOut: Sheet): number {
  const words = plainWords(text);
  const copied = words.map(() => false);
  const all = runsOf(handedOut);
  for (let i = 0; i + RUN <= words.length; i++) if (all.has(runAt(words, i))) copied.fill(true, i, i + RUN);
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

/** At least so many words in one box, or in all that the student may write in. */
function countWords(lookFor: WordsLookFor, sheet: Sheet, context: Context): Counted {
  const written: WrittenItem[] = [];
  if (lookFor.item !== null) {
    const item = find(sheet, lookFor.item)?.item;
    if (item && isWritten(item)) written.push(item);
  } else for (const item of everyItem(sheet)) if (isWritten(item) && item.touch !== 'fixed') written.push(item);
  const counts = written.map((item) => {
    const given = find(context.handedOut, item.id)?.item;
    const text = bodyText(item.body);
    const before = given && isWritten(given) ? bodyText(given.body) : '';
    const count = isSeen(sheet, item.id, context.pictures) ? ownWords(text, before, context.handedOut) : 0;
    return { id: item.id, text, count };
  });
  const got = counts.reduce((sum, { count }) => sum + count, 0);
  return {
    got,
    need: lookFor.min,
    evidence: counts
      .filter(({ count }) => count > 0 || lookFor.item !== null)
      .map(({ id, text, count }) => ({
        items: [id],
        verdict: count === 0 ? 'empty' : got >= lookFor.min ? 'right' : 'near',
        said: text,
        meant: '',
      })),
  };
}

/** The first text box that students write in, besides blanks and the name line. */
const openBox = (sheet: Sheet) =>
  [...everyItem(sheet)].find(
    (item) => item.kind === 'text' && item.touch !== 'fixed' && !item.blank && item.role !== 'name',
  );

export const WORDS: LookForKind<WordsLookFor> = {
  schema: WordsLookFor,
  kind: 'words',
  name: 'a number of words',
  unit: () => ['word', 'words'],
  begin: (sheet) => ({
    settings: {
      title: 'At least 15 words of your own',
      tell: 'result',
      item: openBox(sheet)?.id ?? null,
      min: 15,
    },
  }),
  suits: (sheet) => openBox(sheet) !== undefined,
  count: countWords,
  sources: (lookFor, sheet) => (lookFor.item === null ? sheet.pages : placed(sheet, lookFor.item)),
  whole: true,
};
