import nspell from 'nspell';
import { editDistance } from '../core/language/spelling';
import { byNearness } from '../core/language/words';

/** Spelling beside the page: the dictionary takes a moment to load, and words are looked up by the hundred. */

export type SpellingTask =
  | { id: number; kind: 'check'; words: string[] }
  | { id: number; kind: 'suggest'; word: string; /** Names that may have been meant. */ names: readonly string[] };
export type SpellingAnswer =
  | { id: number; kind: 'check'; wrong: string[] }
  | { id: number; kind: 'suggest'; words: string[] }
  | { id: number; kind: 'failed'; reason: string };

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

/** Curly apostrophes are the same as straight ones to the dictionary. */
const plain = (word: string) => word.replace(/’/g, "'");
const MOST_SUGGESTIONS = 4;

/** Schools write either English: the second dictionary is fetched when the first does not have a word. */
async function unknown(words: readonly string[]): Promise<string[]> {
  const first = await open('en');
  const left = words.filter((word) => !first.correct(plain(word)));
  if (left.length === 0) return [];
  const second = await open('en-gb');
  return left.filter((word) => !second.correct(plain(word)));
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

async function answer(task: SpellingTask): Promise<SpellingAnswer> {
  if (task.kind === 'check') return { id: task.id, kind: 'check', wrong: await unknown(task.words) };
  const words = new Set<string>();
  for (const name of ['en-gb', 'en']) for (const word of (await open(name)).suggest(plain(task.word))) words.add(word);
  const typed = task.word.toLowerCase();
  const named = new Set(task.names.filter((name) => editDistance(typed, name.toLowerCase(), NEAR) <= NEAR));
  const rarity = await rarities();
  // Whoever is at the school is as likely to be meant as the commonest word.
  const ordered = byNearness(task.word, [...words, ...named], (word) => (named.has(word) ? 0 : rarity(word)));
  return { id: task.id, kind: 'suggest', words: [...new Set(ordered)].slice(0, MOST_SUGGESTIONS) };
}

self.onmessage = (event: MessageEvent<SpellingTask>) => {
  answer(event.data).then(
    (done) => self.postMessage(done),
    (error: unknown) => self.postMessage({ id: event.data.id, kind: 'failed', reason: String(error) }),
  );
};
