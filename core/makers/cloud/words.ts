import { cutTo } from '../../values/characters';
import { stemmer } from 'stemmer';
import { eng } from 'stopword';
import type { Weighted } from '../../schema/recipes/cloud';
import { MOST_WORDS } from '../../schema/recipes/cloud';

/** Words and their weights from what was typed, pasted or written by a class. */

const LONGEST = 120;
const STOP: ReadonlySet<string> = new Set([
  ...eng.map((word) => word.replaceAll('’', "'")),
  ...(
    'can could would should may might must shall also very really just like lot lots thing things get got gets im ive dont ' +
    'its isnt cant wasnt theres do does did done go goes went come comes make makes made am been being had him her hers his ' +
    'she he they them their theirs we us our ours you your yours me my mine i too so such each every any both few more most ' +
    'other own same than then there these those what when where which who whom whose why how into onto over under again once ' +
    'here out off up down while because until about between through during before after above below no nor not only some if'
  ).split(' '),
]);

export const tidy = (text: string) => cutTo(text.replace(/\s+/g, ' ').trim(), LONGEST);
const numberOf = (text: string) => Number(text.replace(',', '.'));
/** A weight that a cloud can take. */
export const weighed = (weight: number) => Math.max(0.01, Math.min(1_000_000, weight));
const NUMBER = String.raw`\d{1,7}(?:[.,]\d{1,3})?`;
/** A word, then how often: behind a tab, semicolon, colon, equals sign, times sign, comma or spaces. */
const COUNTED = new RegExp(String.raw`^(.*?\S)\s*(?:[\t;:=×,]|\s[x×*]?)\s*(${NUMBER})$`);
const COUNT_FIRST = new RegExp(String.raw`^(${NUMBER})\s*(?:[\t;:=×x*]\s*|\s+)(\S.*)$`);

/** The same weights for words that are the same but for case, joined in the order they came. */
export function joinedWords(list: readonly Weighted[]): Weighted[] {
  const found = new Map<string, Weighted>();
  for (const { text, weight } of list) {
    const key = text.toLowerCase();
    const had = found.get(key);
    if (had) had.weight = Math.min(1_000_000, had.weight + weight);
    else found.set(key, { text, weight });
  }
  return [...found.values()].slice(0, MOST_WORDS);
}

/** A list as it is typed: a word or phrase in each line, with its weight behind or before it, or with none. */
export function readList(text: string): Weighted[] {
  return joinedWords(
    text.split(/\r?\n/).flatMap((line): Weighted[] => {
      const bare = line.replace(/^\s*(?:[•◦▪*–-]\s+)/, '').trim();
      if (!bare) return [];
      const after = COUNTED.exec(bare);
      const before = after ? null : COUNT_FIRST.exec(bare);
      const [said, count] = after ? [after[1], after[2]] : before ? [before[2], before[1]] : [bare, '1'];
      const weight = weighed(numberOf(count));
      const word = tidy(said);
      return word ? [{ text: word, weight }] : [];
    }),
  );
}

/** Words of a list that are beyond what a cloud takes, as they were typed. */
export function beyondList(text: string): string[] {
  const known = new Set(readList(text).map((word) => word.text.toLowerCase()));
  return text.split(/\r?\n/).flatMap((line) => {
    const [word] = readList(line);
    return word && !known.has(word.text.toLowerCase()) ? [word.text] : [];
  });
}

/** The list as it is typed; a weight of 1 goes without saying. */
export const writtenList = (words: readonly Weighted[]): string =>
  words.map(({ text, weight }) => (weight === 1 ? text : `${text}: ${weight}`)).join('\n');

const wordsIn = (text: string): string[] => text.normalize('NFC').match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu) ?? [];
const plainOf = (word: string) => word.toLowerCase().replaceAll('’', "'").replace(/'s$/, '');

/** How a form of a word is known among others: by its stem (M. Porter, An algorithm for suffix stripping, 1980). */
const stemOf = (word: string) => stemmer(plainOf(word));

/** What a form is shown as: the one that was used most, of those the shortest. */
function mostUsed(forms: ReadonlyMap<string, number>): string {
  const [[best]] = [...forms].sort((a, b) => b[1] - a[1] || a[0].length - b[0].length || (a[0] < b[0] ? -1 : 1));
  return best;
}

class Tally {
  private found = new Map<string, { count: number; forms: Map<string, number> }>();
  add(key: string, form: string): void {
    const had = this.found.get(key) ?? { count: 0, forms: new Map<string, number>() };
    had.count++;
    had.forms.set(form, (had.forms.get(form) ?? 0) + 1);
    this.found.set(key, had);
  }
  get list(): Weighted[] {
    return [...this.found.values()]
      .map(({ count, forms }) => ({ text: mostUsed(forms), weight: count }))
      .sort((a, b) => b.weight - a.weight || (a.text < b.text ? -1 : 1))
      .slice(0, MOST_WORDS);
  }
}

/** A word at the start of a sentence is no name: it is counted in small letters unless it is written large elsewhere. */
function formsIn(text: string): string[] {
  const out: string[] = [];
  for (const sentence of text.split(/[.!?\n]+\s*/)) {
    const [first, ...rest] = wordsIn(sentence);
    if (first === undefined) continue;
    out.push(/^\p{Lu}[^\p{Lu}]*$/u.test(first) ? first.toLowerCase() : first, ...rest);
  }
  return out;
}

/** The words of running text, counted: those that carry no sense left out, forms of one word joined. */
export function countWords(texts: readonly string[]): Weighted[] {
  const tally = new Tally();
  for (const text of texts)
    for (const word of formsIn(text)) {
      const plain = plainOf(word);
      if (plain.length < 2 || STOP.has(plain) || STOP.has(plain.replaceAll("'", '')) || /^\d+$/.test(plain)) continue;
      tally.add(stemOf(word), word.replaceAll('’s', '').replaceAll("'s", ''));
    }
  return tally.list;
}

/** Answers of a few words, counted as they are: `salt marsh` and `the salt marshes` are one. */
export function countAnswers(texts: readonly string[]): Weighted[] {
  const tally = new Tally();
  for (const answer of texts.flatMap((text) => text.split(/[\n;]+/))) {
    const words = wordsIn(answer);
    while (words.length > 1 && ['a', 'an', 'the'].includes(plainOf(words[0]))) words.shift();
    if (words.length === 0) continue;
    const form = tidy(words.join(' '));
    tally.add(words.map(stemOf).join(' '), /^\p{Lu}\p{Ll}*(?: [^\p{Lu}]*)?$/u.test(form) ? form.toLowerCase() : form);
  }
  return tally.list;
}

/** What a class wrote in one box: answers of a few words whole, sentences word by word. */
export function countWritten(texts: readonly string[]): Weighted[] {
  const written = texts.filter((text) => text.trim() !== '');
  const lengths = written.flatMap((text) => text.split(/[\n;]+/).map((line) => wordsIn(line).length)).filter(Boolean);
  const short = lengths.filter((length) => length <= 3).length;
  return short * 4 >= lengths.length * 3 ? countAnswers(written) : countWords(written);
}
