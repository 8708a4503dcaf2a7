import { z } from 'zod';
import { keyOf, labelsOn } from '../handout/copy';
import { bodyText } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { targetSpot } from '../handout/veil';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { keyedBase, rightIn } from './kind';
import { Id } from '../values/primitives';
import { matches, SPELLING } from '../language/spelling';
import { spellingSlot } from './spelling-slot';
import { withSwaps } from './swaps';

const LabelsLookFor = z.strictObject({
  kind: z.literal('labels'),
  ...keyedBase,
  picture: Id,
  /** The key. Never sent to a student. */
  expect: z
    .array(z.strictObject({ target: z.string().max(60), words: z.array(z.string().max(200)).min(1).max(20) }))
    .min(1)
    .max(60),
  spelling: z.enum(SPELLING),
});
export type LabelsLookFor = z.infer<typeof LabelsLookFor>;

/** Every part has its right word: the label whose line ends on the part says one of the accepted words. */
function countLabels(lookFor: LabelsLookFor, sheet: Sheet, { pictures }: Context): Counted {
  const spotOf = (target: string) => targetSpot(sheet, lookFor.picture, target, pictures);
  const labels = sheet.pages
    .flatMap(labelsOn)
    .filter((label) => label.picture === lookFor.picture)
    .map((label) => ({ ...label, target: spotOf(label.target) }));
  const all = lookFor.expect.flatMap(({ words }) => words);
  const evidence = lookFor.expect.map(({ target, words }): Evidence => {
    const ends = labels.filter((label) => label.target === spotOf(target));
    // A number that was given there says nothing: only what may be written in counts, where there is such.
    const open = ends.filter((label) => label.item.touch !== 'fixed');
    const here = open.length > 0 ? open : ends;
    const said = here.map((label) => ({ id: label.item.id, text: bodyText(label.item.body).trim() }));
    const best = said
      .map(({ id, text }) => ({ id, text, match: matches(text, words, lookFor.spelling, all) }))
      .sort((a, b) => rank(b.match) - rank(a.match))[0];
    if (best?.match)
      return { items: [best.id], verdict: best.match === 'exact' ? 'right' : 'near', said: best.text, meant: words[0] };
    const written = said.find((label) => label.text !== '');
    if (written) return { items: [written.id], verdict: 'wrong', said: written.text, meant: words[0] };
    return { items: here.map((label) => label.item.id), verdict: 'empty', said: '', meant: words[0] };
  });
  return {
    got: rightIn(evidence),
    need: lookFor.expect.length,
    evidence: withSwaps(evidence),
  };
}

const rank = (match: 'exact' | 'near' | null) => (match === 'exact' ? 2 : match === 'near' ? 1 : 0);

export const LABELS: LookForKind<LabelsLookFor> = {
  schema: LabelsLookFor,
  kind: 'labels',
  name: 'labels on their parts',
  begin(sheet) {
    const [key] = keyOf(sheet);
    if (!key) return { nothing: 'There is no blank label with a line to a part of a diagram on this sheet.' };
    return { settings: { tell: 'filled', spelling: 'near', ...key } };
  },
  sentence: ({ expect, spelling }) => [
    'every part has its name',
    { aside: `(${expect.length} parts)` },
    spellingSlot(spelling, (to) => ({ spelling: to })),
  ],
  suits: () => true,
  count: countLabels,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const now = keyOf(sheet).find(({ picture }) => picture === lookFor.picture);
    return now ? { ...lookFor, expect: now.expect } : null;
  },
  worded({ verdict, said, meant }) {
    if (verdict === 'right')
      return said.toLowerCase() === meant.toLowerCase()
        ? `“${said}” is right`
        : `“${said}” for ${meant} is one of your other words`;
    if (verdict === 'near') return `“${said}” taken for “${meant}”`;
    if (verdict === 'swapped') return `“${said}” is swapped with “${meant}”`;
    if (verdict === 'wrong') return `“${said}” points at the ${meant}`;
    return `nothing points at the ${meant}`;
  },
  missed({ verdict, meant }) {
    if (verdict === 'wrong' || verdict === 'swapped') return `“${meant}” named wrongly`;
    return verdict === 'empty' ? `“${meant}” left empty` : null;
  },
  keyed: true,
};
