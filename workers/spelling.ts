import { expose } from 'comlink';
import nspell from 'nspell';
import { has, plainWord } from '../core/language/dictionary';
import { editDistance } from '../core/language/spelling';
import { byNearness } from '../core/language/words';

/** Spelling off the main thread: the dictionary takes a moment to load, and words are looked up by the hundred. */

type Speller = ReturnType<typeof nspell>;
const file = (name: string) =>
  fetch(`/art/spelling/${name}`).then((answer) => {
    if (!answer.ok) throw new Error(`${name}: ${answer.status}`);
    return answer.text();
  });
const opened = new Map<string, Promise<Speller>>();
function open(name: string): Promise<Speller> {
  let way = opened.get(name);
  if (!way) {
    way = Promise.all([file(`${name}.aff`), file(`${name}.dic`)]).then(([aff, dic]) => nspell(aff, dic));
    // A failed fetch may be tried again.
    way.catch(() => opened.delete(name));
    opened.set(name, way);
  }
  return way;
}

const MOST_SUGGESTIONS = 4;

/** Schools write either English: the second dictionary is fetched when the first does not have a word. */
async function unknown(words: readonly string[]): Promise<string[]> {
  const first = await open('en');
  const left = words.filter((word) => !has(first, word));
  if (left.length === 0) return [];
  const second = await open('en-gb');
  return left.filter((word) => !has(second, word));
}

/** Common words, the commonest first: how rare a word is grows with the logarithm of its place. */
let ranks: Promise<Map<string, number>> | null = null;
async function rarities(): Promise<(word: string) => number> {
  // Suggestions without it are in a worse order, and better than none.
  ranks ??= file('common.txt').then((list) => new Map(list.split('\n').map((word, place) => [word, place])));
  const places = await ranks.catch(() => ((ranks = null), new Map<string, number>()));
  const most = Math.log(places.size + 2);
  return (word) => Math.log((places.get(word) ?? places.size) + 1) / most;
}

/** Slips within which a name may have been meant. */
const NEAR = 2;

export const SPELLING = {
  /** Those of the words that neither dictionary has. */
  check: unknown,

  /** What may have been meant, the likeliest first. @param names of people who may have been meant */
  async suggest(word: string, names: readonly string[]): Promise<string[]> {
    const words = new Set<string>();
    for (const name of ['en-gb', 'en'])
      for (const found of (await open(name)).suggest(plainWord(word))) words.add(found);
    const typed = word.toLowerCase();
    const named = new Set(names.filter((name) => editDistance(typed, name.toLowerCase(), NEAR) <= NEAR));
    const rarity = await rarities();
    // The name of somebody at the school is as likely to be meant as the commonest word.
    const ordered = byNearness(word, [...words, ...named], (one) => (named.has(one) ? 0 : rarity(one)));
    return [...new Set(ordered)].slice(0, MOST_SUGGESTIONS);
  },
};
export type SpellingWorker = typeof SPELLING;
expose(SPELLING);
