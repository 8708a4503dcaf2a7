import { withoutAccents } from '../values/characters';

/** Words in dictionaries of either English, for the browser and the server. */

export type Speller = { correct(word: string): boolean };

/** Curly apostrophes are the same as straight ones to the dictionary. */
export const plainWord = (word: string) => word.replace(/’/g, "'");
/** The dictionaries have few words with accents: “naïve” is right as “naive” is. */
const bare = (word: string) => withoutAccents(plainWord(word));

export const has = (speller: Speller, word: string): boolean =>
  speller.correct(plainWord(word)) || speller.correct(bare(word));
