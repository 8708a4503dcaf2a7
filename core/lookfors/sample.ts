import { z } from 'zod';
import { bodyText } from '../text/body';
import type { Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import type { Context, Counted, LookForKind } from './kind';
import { base } from './kind';
import { plainWords } from './words';

/** Nothing is left of the words that stood in boxes to write in. */

const SampleLookFor = z.strictObject({ kind: z.literal('sample'), ...base });
export type SampleLookFor = z.infer<typeof SampleLookFor>;

/** This many words in a row of a longer sample are still it; a shorter one than that may well come in what is written. */
const [RUN, SHORT] = [5, 3];

/** The boxes that students may write in and that have words already. Blanks are given out empty. */
const samplesOn = (sheet: Sheet): WrittenItem[] =>
  everyItem(sheet).filter(
    (item): item is WrittenItem =>
      isWritten(item) &&
      item.touch !== 'fixed' &&
      !(item.kind === 'text' && item.blank) &&
      plainWords(bodyText(item.body)).length > 0,
  );

/** Whether a text still holds a sample, or so much of it that it was only written around. */
function isLeft(text: string, sample: string): boolean {
  const [words, given] = [` ${plainWords(text).join(' ')} `, plainWords(sample)];
  if (given.length < SHORT) return words === ` ${given.join(' ')} `;
  const size = Math.min(RUN, given.length);
  for (let i = 0; i + size <= given.length; i++)
    if (words.includes(` ${given.slice(i, i + size).join(' ')} `)) return true;
  return false;
}

function countSamples(_: SampleLookFor, sheet: Sheet, { handedOut }: Context): Counted {
  const evidence = samplesOn(handedOut).map((given) => {
    const item = find(sheet, given.id)?.item;
    const text = item && isWritten(item) && !item.hidden ? bodyText(item.body) : '';
    const left = isLeft(text, bodyText(given.body));
    return {
      items: item ? [item.id] : [],
      verdict: left ? ('wrong' as const) : ('right' as const),
      said: text,
      meant: '',
    };
  });
  return { got: evidence.filter(({ verdict }) => verdict === 'right').length, need: evidence.length, evidence };
}

export const SAMPLE: LookForKind<SampleLookFor> = {
  schema: SampleLookFor,
  kind: 'sample',
  name: 'no sample text left',
  begin: (sheet) =>
    samplesOn(sheet).length > 0
      ? { settings: { tell: 'result' } }
      : { nothing: 'No box that students may write in has sample words on this sheet.' },
  sentence: () => ['your own words instead of the sample text, everywhere'],
  hint: () => 'Replace what stood in the boxes by your own words, or delete it.',
  count: countSamples,
  sources: (_lookFor, sheet) => sheet.pages,
  worded: ({ verdict, said }) =>
    verdict === 'wrong' ? 'sample text left' : said.trim() === '' ? 'taken away' : 'replaced',
};
