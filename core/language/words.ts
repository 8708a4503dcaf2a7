import { editDistance } from './spelling';

/** Words in a text, for spelling: letters with apostrophes and hyphen-free, as people write them. */

export type Word = { word: string; from: number; to: number };

const LETTER = /\p{L}/u;
/** Letters without accents are known without being looked up in Unicode's tables: texts hold little else. */
const isPlain = (letter: string) => (letter >= 'a' && letter <= 'z') || (letter >= 'A' && letter <= 'Z');
const PLAIN_WORD = /^[a-zA-Z'’]+$/;

/** A text that is mostly in capitals: then they say nothing about a word. */
export function isLoud(text: string): boolean {
  let [all, large] = [0, 0];
  // By units: of letters that have two of them, hardly any are capitals.
  for (let at = 0; at < text.length; at++) {
    const letter = text.charAt(at);
    if (!isPlain(letter) && (letter < '\u0080' || !LETTER.test(letter))) continue;
    all++;
    if (letter !== letter.toLowerCase()) large++;
  }
  return large * 2 > all;
}

/** What a word never stands beside: then it is part of a number, an address or a path. */
const PART_OF_MORE = '0123456789@_/';

/**
 * Words of one letter, with digits beside them, all in capitals (names of things, initials) or in another script than Latin are
 * not looked up.
 * @param loud short words in capitals are looked up, too
 */
export function wordsIn(text: string, loud = false): Word[] {
  const out: Word[] = [];
  let end = 0;
  for (const word of text.match(/[\p{L}\p{M}]+(?:['’][\p{L}\p{M}]+)*/gu) ?? []) {
    // No letters lie between two words: the next place where it stands is its own.
    const index = text.indexOf(word, end);
    end = index + word.length;
    if (word.length < 2) continue;
    const [before, after] = [text.charAt(index - 1), text.charAt(end)];
    if ((before && PART_OF_MORE.includes(before)) || (after && PART_OF_MORE.includes(after))) continue;
    if (before === '.' && /\p{L}\.$/u.test(text.slice(Math.max(0, index - 2), index))) continue;
    if (!loud && word.length <= 6 && word === word.toUpperCase()) continue;
    if (!PLAIN_WORD.test(word) && !/^[\p{Script=Latin}\p{M}'’]+$/u.test(word)) continue;
    out.push({ word, from: index, to: end });
  }
  return out;
}

/** The parts of people's names as they are written. */
export const wordsOfNames = (names: readonly string[]): string[] =>
  names.flatMap((name) => wordsIn(name).map(({ word }) => word));

/** The parts of people's names, in lower case. */
export const partsOfNames = (names: readonly string[]): string[] => [
  ...new Set(wordsOfNames(names).map((word) => word.toLowerCase())),
];

/** A word without the ’s of what is somebody’s. */
export const withoutPossessive = (word: string) => word.replace(/['’]s$/u, '');

/** Whether one word contains the other's letters in order: a letter was left out or added. */
function isWithin(short: string, long: string): boolean {
  let at = 0;
  for (const letter of long) if (letter === short[at]) at++;
  return at === short.length;
}

const letters = (word: string) => [...word].sort().join('');

/**
 * What may have been meant by a word, the likeliest first: fewest slips (editDistance); among as many, the same letters in
 * another order or one too few or too many, the same first letter, the same length, and what is common.
 * @param rarity 0 for the commonest words to 1 for those that are hardly ever used
 */
export function byNearness(
  word: string,
  candidates: readonly string[],
  rarity: (word: string) => number = () => 0,
): string[] {
  const wanted = word.toLowerCase();
  const far = (candidate: string) => {
    const given = candidate.toLowerCase();
    const slip = letters(given) === letters(wanted) || isWithin(given, wanted) || isWithin(wanted, given) ? 0 : 0.4;
    const first = given[0] === wanted[0] ? 0 : 0.3;
    return (
      editDistance(wanted, given) + slip + first + Math.abs(given.length - wanted.length) * 0.05 + rarity(given) * 0.5
    );
  };
  return candidates
    .map((candidate) => ({ candidate, far: far(candidate) }))
    .sort((a, b) => a.far - b.far)
    .map(({ candidate }) => candidate);
}
