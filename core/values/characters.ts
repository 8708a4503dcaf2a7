/** Text as people count it: in whole characters, and such that every database and file takes it. */

const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** Printed characters of ASCII never join with one another (Unicode Standard Annex 29). */
const isAlone = (code: number) => code >= 0x20 && code < 0x7f;

/** At most so many UTF-16 units from the start, without cutting a character in two. */
export function cutTo(text: string, most: number): string {
  if (text.length <= most) return text;
  if (isAlone(text.charCodeAt(most - 1)) && isAlone(text.charCodeAt(most))) return text.slice(0, most);
  // What makes one character seldom has more than a few dozen units: segmenting a little more than is kept will do.
  let end = 0;
  for (const { index, segment } of segmenter.segment(text.slice(0, most + 64))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}

const NUL = /\0/g;

/**
 * The text with what no database takes, halves of characters and NUL, given as the sign for what can't be read. It stays as
 * long as it was, so that positions in it stay right.
 */
export const wellFormed = (text: string): string => text.toWellFormed().replace(NUL, '\ufffd');
export const isWellFormed = (text: string): boolean => text.isWellFormed() && !text.includes('\0');

/** Letters without their accents, where those can be taken off: not those of ø or ł. */
export const withoutAccents = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '');
