import { z } from 'zod';
import { bodyText } from '../text/body';
import { Id } from '../values/primitives';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { boxesFor, boxSlot, boxSources, openBox, readFrom } from './boxes';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { atLeast, base } from './kind';
import { plainWords } from './words';

/** Words in quotation marks, of any text or word for word from the sheet. */

const QuotationLookFor = z.strictObject({
  kind: z.literal('quotation'),
  ...base,
  item: Id.nullable(),
  min: atLeast,
  from: z.enum(['anywhere', 'sheet']),
});
export type QuotationLookFor = z.infer<typeof QuotationLookFor>;

/** Pairs of quotation marks, as English, German, French and keyboards have them; and single ones, which apostrophes are not. */
const DOUBLE = /“([^“”„«»"]+)”|„([^“”„«»"]+)[“”]|«([^«»]+)»|»([^«»]+)«|"([^"“”„]+)"/gu;
const SINGLE = /(?<![\p{L}\p{N}])[‘']([^‘’']*(?:[’'](?=\p{L})[^‘’']*)*)[’'](?!\p{L})/gu;

function quotedIn(text: string): string[] {
  const found = /["“„«»]/.test(text) ? [...text.matchAll(DOUBLE)] : [];
  if (/[‘']/.test(text)) found.push(...text.matchAll(SINGLE));
  return found.map((one) => one.slice(1).find((group) => group !== undefined) ?? '');
}

const plainly = (text: string) => plainWords(text.replace(/’/g, "'")).join(' ');

/** Different words of a quotation: one word over and over is no quotation. */
const lengthOf = (plain: string) => {
  const words = plain.split(' ').filter(Boolean);
  return words.length > 3 && new Set(words).size < words.length / 2 ? new Set(words).size : words.length;
};

/** The quotations of a box, besides those that were handed out in it. */
const quotesOf = readFrom(({ text, given }) => {
  const before = new Set(quotedIn(given).map(plainly));
  return quotedIn(text)
    .map((quoted) => ({ quoted, plain: plainly(quoted) }))
    .filter(({ plain }) => !before.has(plain))
    .map((one) => ({ ...one, words: lengthOf(one.plain) }));
});

/** What is printed on the sheet, box by box: a quotation does not run over from one to another. */
const printed = (handedOut: Sheet): string[] =>
  everyItem(handedOut).flatMap((item) => (isWritten(item) ? [` ${plainly(bodyText(item.body))} `] : []));

function countQuotations({ item, min, from }: QuotationLookFor, sheet: Sheet, context: Context): Counted {
  const texts = from === 'sheet' ? printed(context.handedOut) : [];
  const boxes = boxesFor(item, sheet, context);
  let best: { got: number; evidence: Evidence } | null = null;
  for (const box of boxes) {
    for (const { quoted, plain, words } of quotesOf(box)) {
      const isFrom = from === 'anywhere' || texts.some((other) => other.includes(` ${plain} `));
      const got = isFrom ? words : 0;
      const verdict = !isFrom ? 'wrong' : words >= min ? 'right' : 'near';
      if (!best || got > best.got)
        best = { got, evidence: { items: [box.item.id], verdict, said: quoted.trim(), meant: '' } };
    }
  }
  const empty: Evidence[] =
    item !== null && boxes.length > 0 ? [{ items: [item], verdict: 'empty', said: '', meant: '' }] : [];
  return { got: best?.got ?? 0, need: min, evidence: best ? [best.evidence] : empty };
}

export const QUOTATION: LookForKind<QuotationLookFor> = {
  schema: QuotationLookFor,
  kind: 'quotation',
  name: 'a quotation',
  unit: () => ['word', 'words'],
  begin: (sheet) => ({ settings: { tell: 'result', item: openBox(sheet)?.id ?? null, min: 3, from: 'anywhere' } }),
  sentence: ({ item, min, from }, sheet) => [
    'a quotation of at least',
    { slot: 'number', label: 'How many words', value: min, min: 1, max: 200, set: (to) => ({ min: to }) },
    'words in quotation marks',
    {
      slot: 'choice',
      label: 'Where the quotation is from',
      value: from,
      options: [
        { value: 'anywhere', label: '', listed: 'from any text' },
        { value: 'sheet', label: ', word for word from this sheet' },
      ],
      set: (to) => ({ from: to as QuotationLookFor['from'] }),
    },
    boxSlot(item, sheet, (to) => ({ item: to })),
  ],
  hint: ({ from }) =>
    from === 'sheet'
      ? 'Copy the words exactly as they stand, with “ before and ” after them.'
      : 'Put “ before the words that somebody else said or wrote, and ” after them.',
  count: countQuotations,
  sources: ({ item }, sheet) => boxSources(item, sheet),
  worded: ({ verdict, said }) => {
    if (verdict === 'empty') return 'no quotation marks';
    return verdict === 'wrong' ? `“${said}” does not stand on the sheet` : `“${said}”`;
  },
};
