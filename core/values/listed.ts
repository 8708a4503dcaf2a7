import { cutTo } from './characters';

/** What was typed with commas between, each at most so long, and at most so many. */
export const listed = (typed: string, most: number, long: number): string[] =>
  typed
    .split(/[,;\n]/)
    .map((word) => cutTo(word.trim(), long))
    .filter(Boolean)
    .slice(0, most);

const and = new Intl.ListFormat('en-GB', { type: 'conjunction' });
/** Several words as a sentence has them: “a, b and c”. */
export const inWords = (words: readonly string[]): string => and.format(words);

/** “1 stroke”, “2 strokes”. */
export const howMany = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
