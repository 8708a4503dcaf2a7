import { seeded } from '../../values/random';
import { shuffled } from '../kit/shuffle';
import { normalised } from '../../language/spelling';
import type { Edition, LabelsRecipe, Spot } from '../../schema/recipes/labels';

/** One diagram, many editions: what stands in each label, and what is right there. */

export type Label = {
  spot: Spot;
  /** What stands in it when it is given out and what is right where that is not the same. */
  words: string;
  answer: string;
  /** Given out empty. */
  blank: boolean;
  /** Whether students write in it. */
  fill: boolean;
};

/** The first letter of each word, the rest as gaps to write in. */
export const firstLetters = (words: string): string =>
  words
    .split(' ')
    .map((word) => (word.length > 1 ? `${[...word][0]}${'_'.repeat(Math.min(12, [...word].length - 1))}` : word))
    .join(' ');

const EMPTY: ReadonlySet<Edition> = new Set<Edition>(['blank', 'bank', 'numbers']);

export function labelsFor(recipe: Pick<LabelsRecipe, 'spots' | 'edition' | 'some'>, seed: number): Label[] {
  const { spots, edition } = recipe;
  const random = seeded(seed);
  const named = spots.filter(({ words }) => words.trim() !== '');
  const picked = new Set(shuffled(named, random).slice(0, recipe.some));
  const swapped =
    edition === 'swapped'
      ? exchanged(
          named.filter((spot) => picked.has(spot)),
          random,
        )
      : new Map<Spot, string>();
  return spots.map((spot): Label => {
    const plain = { spot, words: spot.words, answer: spot.words, blank: false, fill: false };
    if (spot.words.trim() === '') return { ...plain, fill: edition !== 'filled' };
    if (EMPTY.has(edition)) return { ...plain, blank: true, fill: true };
    if (edition === 'some') return picked.has(spot) ? { ...plain, blank: true, fill: true } : plain;
    if (edition === 'first') return { ...plain, words: firstLetters(spot.words), fill: true };
    // All may be corrected, so that nothing gives away which are wrong.
    if (edition === 'swapped') return { ...plain, words: swapped.get(spot) ?? spot.words, fill: true };
    return plain;
  });
}

/** Words handed on round the list, so that each stands at a wrong spot: where two spots say the same, neither moves. */
function exchanged(spots: readonly Spot[], random: () => number): Map<Spot, string> {
  const different = spots.filter(
    (spot, i) => spots.findIndex((other) => normalised(other.words) === normalised(spot.words)) === i,
  );
  if (different.length < 2) return new Map();
  const order = shuffled(different, random);
  return new Map(order.map((spot, i) => [spot, order[(i + 1) % order.length].words]));
}

/** The words of a bank, shuffled, each once; decoys that are right somewhere are no decoys and come back by themselves. */
export function bankFor(
  recipe: Pick<LabelsRecipe, 'spots' | 'decoys'>,
  seed: number,
): { words: string[]; useless: string[] } {
  const right = new Set(recipe.spots.flatMap(({ words, also }) => [words, ...also].map(normalised)));
  const useless = recipe.decoys.filter((word) => right.has(normalised(word)));
  const seen = new Set<string>();
  const words = [
    ...recipe.spots.map(({ words }) => words),
    ...recipe.decoys.filter((word) => !useless.includes(word)),
  ].filter((word) => {
    const key = normalised(word);
    if (!key || seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  // Another random stream than the one that picks blanks, so that the two are independent.
  return { words: shuffled(words, seeded(seed ^ 0x5bd1e995)), useless };
}
