import { z } from 'zod';
import { singular } from '../language/spelling';
import type { GroupItem, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { bodyText } from '../text/body';
import { Id } from '../values/primitives';
import { cutTo } from '../values/characters';
import { boxesFor, boxSlot, boxSources } from './boxes';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { atLeast, base } from './kind';
import { eitherSlot } from './sentence';
import { isSeen } from './seen';
import { once } from './survey';
import { plainWords } from './words';

/** A word cloud that students make, of words of their own. */

const CloudLookFor = z.strictObject({
  kind: z.literal('cloud'),
  ...base,
  min: atLeast,
  /** Only words that are written in this box count; null: any. */
  item: Id.nullable(),
  /** Words that stand on the sheet or on the example count as well. */
  printed: z.boolean().default(false),
});
export type CloudLookFor = z.infer<typeof CloudLookFor>;

/** A text as a row of its words, one or many alike. */
const row = (text: string) => ` ${plainWords(singular(text)).join(' ')} `;
const rowsOf = (sheet: Sheet): string[] =>
  everyItem(sheet).flatMap((item) => (isWritten(item) ? [row(bodyText(item.body))] : []));

/** The words that a cloud shows, each once and as they were typed; those for which there was no room are not there. */
function wordsOf({ items, maker }: GroupItem): string[] {
  if (maker?.kind !== 'cloud') return [];
  const shown = new Set(items.flatMap((item) => (isWritten(item) ? [row(bodyText(item.body))] : [])));
  const words = maker.recipe.words.map(({ text }) => text).filter((text) => /\p{L}{2}/u.test(text));
  return [...new Map(words.map((text) => [row(text), text])).entries()].flatMap(([key, text]) =>
    shown.has(key) ? [text] : [],
  );
}

function countCloud({ min, item, printed }: CloudLookFor, sheet: Sheet, context: Context): Counted {
  const { handedOut, example, pictures } = context;
  const there = printed
    ? []
    : once(context, sheet, 'printed rows', () => [...rowsOf(handedOut), ...(example ? rowsOf(example) : [])]);
  const texts = item === null ? null : boxesFor(item, sheet, context).map(({ text }) => row(text));
  const isOwn = (word: string) => {
    const key = row(word);
    return !there.some((text) => text.includes(key)) && (texts?.some((text) => text.includes(key)) ?? true);
  };
  let best: Counted = { got: 0, need: min, evidence: [] };
  for (const one of everyItem(sheet)) {
    if (one.kind !== 'group' || one.maker?.kind !== 'cloud' || find(handedOut, one.id)) continue;
    if (!isSeen(sheet, one.id, pictures)) continue;
    const words = wordsOf(one);
    const own = words.filter(isOwn);
    const others = words.filter((word) => !own.includes(word));
    if (own.length < best.got || (own.length === 0 && best.evidence.length > 0)) continue;
    const said = own.length > 0 ? own.join(', ') : others.length > 0 ? `not counted: ${others.join(', ')}` : '';
    const verdict = own.length >= min ? 'right' : own.length > 0 ? 'near' : 'empty';
    const evidence: Evidence[] = [{ items: [one.id], verdict, said: cutTo(said, 200), meant: '' }];
    best = { got: own.length, need: min, evidence };
  }
  return best;
}

export const CLOUD: LookForKind<CloudLookFor> = {
  schema: CloudLookFor,
  kind: 'cloud',
  name: 'a word cloud',
  unit: () => ['word', 'words'],
  begin: () => ({ settings: { tell: 'result', min: 12, item: null, printed: false } }),
  sentence: ({ min, item, printed }, sheet) => [
    'a word cloud of at least',
    { slot: 'number', label: 'How many words', value: min, min: 1, max: 200, set: (to) => ({ min: to }) },
    'different words of your own',
    { told: item === null ? '' : 'that also stand in your text' },
    boxSlot(item, sheet, (to) => ({ item: to }), 'written nowhere else'),
    {
      ...eitherSlot(
        'Words on the sheet',
        printed,
        ['not those on the sheet', 'those on the sheet count, too'],
        (to) => ({
          printed: to,
        }),
      ),
      quiet: true,
    },
  ],
  hint: ({ item }) =>
    item === null
      ? 'Make a word cloud under Makers, and type your words into its list.'
      : 'Make a word cloud under Makers, and take its words from your own text.',
  needs: { any: ['cloud'], why: 'To make a word cloud, students need word clouds. Open them under supplies.' },
  count: countCloud,
  // A cloud may stand anywhere.
  sources: ({ item }, sheet) => (item === null ? sheet.pages : [...sheet.pages, ...boxSources(item, sheet)]),
  worded: ({ verdict, said }) => (verdict === 'empty' ? said || 'no words in the cloud' : said),
};
