import { withoutAccents } from '../values/characters';

/** Sentences that a teacher uses again and again in notes, found as they are typed. */

export const LONGEST_PHRASE = 300;
export type Phrase = {
  /** null for what was only written before, and not kept on purpose. */
  id: string | null;
  body: string;
  /** Who has shared it, where it is another teacher's. */
  by: string | null;
  shared: boolean;
  /** Kinds of look-fors that it was written about. */
  about: readonly string[];
  /** How often it was used. */
  used: number;
};

const wordsIn = (text: string): string[] =>
  withoutAccents(text)
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu) ?? [];

/**
 * Phrases that hold the beginning of each word that is typed, accents and capitals aside; with nothing typed, those that were
 * kept. First those about what was missed, then those that were kept, then those used most.
 * @param about kinds of the look-fors that are missed on the spot
 */
export function phrasesFor<P extends Phrase>(
  typed: string,
  about: readonly string[],
  phrases: readonly P[],
  most = 4,
): P[] {
  const wanted = wordsIn(typed);
  const fits = ({ id, body }: P) => {
    const words = wordsIn(body);
    return (wanted.length > 0 || id !== null) && wanted.every((one) => words.some((word) => word.startsWith(one)));
  };
  const isAbout = (phrase: P) => phrase.about.some((kind) => about.includes(kind));
  return phrases
    .filter((phrase) => fits(phrase) && phrase.body.trim() !== typed.trim())
    .sort(
      (a, b) =>
        Number(isAbout(b)) - Number(isAbout(a)) ||
        Number(b.id !== null) - Number(a.id !== null) ||
        b.used - a.used ||
        a.body.localeCompare(b.body),
    )
    .slice(0, most);
}
