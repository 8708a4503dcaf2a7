import { z } from 'zod';
import { labelsOn, rightWords } from '../handout/copy';
import { matches, SPELLING } from '../language/spelling';
import { Id } from '../values/primitives';
import { bodyText } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import type { Counted, Evidence, LookForKind } from './kind';
import { keyedBase, rightIn } from './kind';
import { spellingSlot } from './spelling-slot';
import { withSwaps } from './swaps';

/** The blanks of a sheet, each with its right answer: sums, clocks, gaps, tables, or boxes of one's own. Labels have their own look-for. */

/** Blanks that one look-for can hold. */
const MOST = 400;

const AnswersLookFor = z.strictObject({
  kind: z.literal('answers'),
  ...keyedBase,
  /** The key. Never sent to a student. */
  expect: z
    .array(z.strictObject({ item: Id, words: z.array(z.string().max(200)).min(1).max(20) }))
    .min(1)
    .max(MOST),
  spelling: z.enum(SPELLING),
});
export type AnswersLookFor = z.infer<typeof AnswersLookFor>;

function keyOn(sheet: Sheet): AnswersLookFor['expect'] {
  const labels = new Set(sheet.pages.flatMap(labelsOn).map(({ item }) => item.id));
  const all = everyItem(sheet).flatMap((item) => {
    if (item.kind !== 'text' || item.role === 'key' || item.hidden || labels.has(item.id)) return [];
    const words = rightWords(item);
    return words.length > 0 ? [{ item: item.id, words }] : [];
  });
  return all.slice(0, MOST);
}

function countAnswers({ expect, spelling }: AnswersLookFor, sheet: Sheet): Counted {
  const all = expect.flatMap(({ words }) => words);
  const evidence = expect.map(({ item: id, words }): Evidence => {
    const item = find(sheet, id)?.item;
    const said = item && isWritten(item) ? bodyText(item.body).trim() : '';
    if (!item || said === '') return { items: item ? [id] : [], verdict: 'empty', said: '', meant: words[0] };
    const match = matches(said, words, spelling, all);
    return {
      items: [id],
      verdict: match === 'exact' ? 'right' : match === 'near' ? 'near' : 'wrong',
      said,
      meant: words[0],
    };
  });
  return {
    got: rightIn(evidence),
    need: expect.length,
    evidence: withSwaps(evidence),
  };
}

const NOTHING =
  'No blank with an answer is on this sheet. Make a practice sheet, or mark a text box as given out blank.';

export const ANSWERS: LookForKind<AnswersLookFor> = {
  schema: AnswersLookFor,
  kind: 'answers',
  name: 'right answers in the blanks',
  begin(sheet) {
    const expect = keyOn(sheet);
    return expect.length > 0 ? { settings: { tell: 'filled', spelling: 'near', expect } } : { nothing: NOTHING };
  },
  sentence: ({ expect, spelling }) => [
    expect.length === 1 ? 'the right answer in the blank' : `the right answers in the ${expect.length} blanks`,
    spellingSlot(spelling, (to) => ({ spelling: to })),
  ],
  suits: (sheet) => keyOn(sheet).length > 0,
  count: countAnswers,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const expect = keyOn(sheet);
    return expect.length > 0 ? { ...lookFor, expect } : null;
  },
  worded({ verdict, said, meant }) {
    if (verdict === 'empty') return `nothing written for “${meant}”`;
    if (verdict === 'swapped') return `“${said}” is swapped with “${meant}”`;
    if (verdict === 'wrong') return `“${said}”, where “${meant}” is right`;
    return verdict === 'near' ? `“${said}” taken for “${meant}”` : `“${said}” is right`;
  },
  missed({ verdict, meant }) {
    if (verdict === 'wrong' || verdict === 'swapped') return `“${meant}” answered wrongly`;
    return verdict === 'empty' ? `“${meant}” left empty` : null;
  },
  keyed: true,
};
