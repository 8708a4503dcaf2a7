import { labelsOn } from '../../handout/copy';
import { bodyText } from '../../sheet/body';
import type { Sheet } from '../../sheet/schema';
import { targetSpot } from '../../handout/veil';
import type { Context, Counted, Evidence, LookForOf } from '../lookfor';
import { matches } from '../spelling';

/** Every part has its right word: the label whose line ends on the part says one of the accepted words. */
export function countLabels(lookFor: LookForOf<'labels'>, sheet: Sheet, { pictures }: Context): Counted {
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
    got: evidence.filter((e) => e.verdict === 'right' || e.verdict === 'near').length,
    need: lookFor.expect.length,
    evidence,
  };
}

const rank = (match: 'exact' | 'near' | null) => (match === 'exact' ? 2 : match === 'near' ? 1 : 0);
