import { withoutAccents } from '../values/characters';
import { remembered } from '../values/remembered';
import { AKIN, SAME } from './same-words';
import { editDistance } from './spelling';

/**
 * Finds things by their names as people mean them: “moon” is the moon before a moon cake, “trees” a tree, “aeroplane” an airplane,
 * and “hammr” a hammer. A list of some thousand names is gone through in a few milliseconds.
 */

export type Named = { name: string; tags: readonly string[]; group: string };

const IRREGULAR = new Map([
  ['children', 'child'],
  ['feet', 'foot'],
  ['geese', 'goose'],
  ['leaves', 'leaf'],
  ['knives', 'knife'],
  ['lives', 'life'],
  ['loaves', 'loaf'],
  ['men', 'man'],
  ['mice', 'mouse'],
  ['oxen', 'ox'],
  ['people', 'person'],
  ['scarves', 'scarf'],
  ['shelves', 'shelf'],
  ['teeth', 'tooth'],
  ['thieves', 'thief'],
  ['wolves', 'wolf'],
  ['women', 'woman'],
]);

/** A word as it is when there is one of the thing. */
function singular(word: string): string {
  const known = IRREGULAR.get(word);
  if (known !== undefined) return known;
  if (word.length < 4) return word;
  if (/[^aeiou]ies$/.test(word)) return `${word.slice(0, -3)}y`;
  if (/(?:ss|x|ch|sh|zz|o)es$/.test(word)) return word.slice(0, -2);
  return /[^suiy]s$|[aeiou]ys$/.test(word) ? word.slice(0, -1) : word;
}

const wordsOf = (text: string): string[] =>
  (
    withoutAccents(text.normalize('NFKC'))
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? []
  ).map(singular);

/** After these, a name only tells more of its thing: a house with garden is a house. */
const MORE = new Set(['of', 'with', 'in', 'on', 'from', 'for', 'without', 'over', 'under', 'at', 'and', 'to']);

type Entry<T> = {
  one: T;
  /** Its name up to the first comma, without an article; all of it, with what stands behind the comma. */
  called: string[];
  label: string;
  named: string[];
  /** The place in `called` of the word that says what it is. */
  head: number;
  tags: string[][];
  /** All words of its name and tags. */
  words: Set<string>;
  group: string[];
};

function entryOf<T extends Named>(one: T): Entry<T> {
  const [first, ...rest] = one.name.split(',');
  const called = wordsOf(first.replace(/^(?:an?|the)\s+/i, ''));
  const more = called.findIndex((word, i) => i > 0 && MORE.has(word));
  const named = [...called, ...rest.flatMap(wordsOf)];
  const tags = one.tags.map(wordsOf);
  return {
    one,
    called,
    label: called.join(' '),
    named,
    head: (more < 0 ? called.length : more) - 1,
    tags,
    words: new Set([...named, ...tags.flat()]),
    group: wordsOf(one.group),
  };
}

const isSame = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((x, i) => x === b[i]);
const isIn = (part: readonly string[], all: readonly string[]) =>
  all.some((_, from) => part.every((word, i) => all[from + i] === word));

/** How well an entry is what was asked for in whole words; 0 where it is not. */
function wholeScore(
  wanted: readonly string[],
  { called, label, named, head, tags, words, group }: Entry<unknown>,
): number {
  if (isSame(wanted, called)) return named.length === called.length ? 100 : 94;
  // The word that says what it is, with no more than is said of it.
  const ends = isSame(wanted, called.slice(Math.max(0, head + 1 - wanted.length), head + 1));
  // What stands behind it tells it apart less than a word before it: a dog house is another thing than a house with garden.
  const behind = (called.length - 1 - head) * (called[head + 1] === 'of' ? 1.5 : 0.5);
  if (ends) return 80 - 2 * (head + 1 - wanted.length) - behind;
  if (tags.some((tag) => isSame(wanted, tag)))
    return label.startsWith(wanted.join(' ')) ? 61.5 - called.length / 10 : isIn(wanted, named) ? 60 : 44;
  if (isIn(wanted, named)) return 50;
  if (tags.some((tag) => isIn(wanted, tag))) return 30;
  if (wanted.every((word) => words.has(word))) return 24;
  return isSame(wanted, group) ? 20 : 0;
}

/** The same by the beginnings of words. */
function begunScore(wanted: readonly string[], { called, label, named, tags, words, group }: Entry<unknown>): number {
  const last = wanted.at(-1)!;
  const before = wanted.slice(0, -1);
  const begins = (some: readonly string[]) =>
    some.some((word) => word.startsWith(last)) && before.every((word) => some.includes(word));
  if (label.startsWith(wanted.join(' '))) return 18 - Math.min(6, (called[0].length - last.length) / 2);
  if (begins(named)) return 10;
  if (tags.some(begins)) return 5;
  return before.length > 0 && begins([...words, ...group]) ? 3 : 0;
}

/** Texts whose distance is remembered. */
const KNOWN = 10_000;

/** The same in spite of slips: as many as the word is long enough to bear. */
function nearScore(wanted: readonly string[]): (entry: Entry<unknown>) => number {
  const asked = wanted.join(' ');
  if (asked.length < 4) return () => 0;
  const most = asked.length < 7 ? 1 : 2;
  // Most tags stand at many things.
  const far = remembered(KNOWN, (text: string) =>
    Math.abs(text.length - asked.length) > most
      ? Infinity
      : editDistance(asked, text) + (text[0] === asked[0] ? 0 : 0.5),
  );
  return ({ called, label, tags }) => {
    const least = Math.min(
      far(label),
      ...called.map((word) => 0.2 + far(word)),
      ...tags.map((tag) => 0.5 + far(tag.join(' '))),
    );
    return least <= most + 0.5 ? 4 - least : 0;
  };
}
/** How many of several words an entry has: more are better. */
const someScore = (wanted: readonly string[], { words }: Entry<unknown>): number =>
  wanted.filter((word) => words.has(word)).length;

/** What something may be called as well, and how much of its score that is worth. */
const OTHERS = new Map<string, { words: string[]; worth: number }[]>();
// Another word for it is better than a longer name with it: an automobile is a car, rather than a railway car.
for (const [rows, worth] of [[SAME, 0.82] as const, [AKIN, 0.62] as const])
  for (const row of rows)
    for (const name of row) {
      const key = wordsOf(name).join(' ');
      const others = row.filter((other) => other !== name).map((other) => ({ words: wordsOf(other), worth }));
      OTHERS.set(key, [...(OTHERS.get(key) ?? []), ...others]);
    }

type Score<T> = (entry: Entry<T>) => number;

/** A list that is searched again and again, as somebody types. */
export class Finder<T extends Named> {
  private entries: Entry<T>[];
  constructor(list: readonly T[]) {
    this.entries = list.map(entryOf);
  }

  /**
   * The best match first; what is equally good stays in the order of the list. Slips are borne only where nothing else is found:
   * “hear” begins “heart”, it is not a misspelt “pear”. Nor need all words fit then.
   */
  find(asked: string): T[] {
    const wanted = wordsOf(asked);
    if (wanted.length === 0) return [];
    const others = OTHERS.get(wanted.join(' ')) ?? [];
    const plain = asked.trim().toLowerCase();
    const found = this.ranked(
      (entry) =>
        // Among one and several of a thing, what was written.
        (entry.one.name.toLowerCase() === plain ? 1 : 0) +
        Math.max(
          wholeScore(wanted, entry),
          begunScore(wanted, entry),
          ...others.map(({ words, worth }) => worth * wholeScore(words, entry)),
        ),
    );
    if (found.length > 0) return found;
    const near = this.ranked(nearScore(wanted));
    return near.length > 0 ? near : this.ranked((entry) => someScore(wanted, entry));
  }

  private ranked(score: Score<T>): T[] {
    return this.entries
      .map((entry) => ({ one: entry.one, score: score(entry) }))
      .filter((one) => one.score > 0)
      .sort((a, b) => b.score - a.score)
      .map(({ one }) => one);
  }
}
