import nspell from 'nspell';
import { byNearness } from '../core/language/words';

/** Spelling beside the page: the dictionary takes a moment to load, and words are looked up by the hundred. */

export type SpellingTask =
  { id: number; kind: 'check'; words: string[] } | { id: number; kind: 'suggest'; word: string };
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

async function answer(task: SpellingTask): Promise<SpellingAnswer> {
  if (task.kind === 'check') return { id: task.id, kind: 'check', wrong: await unknown(task.words) };
  const words = new Set<string>();
  for (const name of ['en-gb', 'en']) for (const word of (await open(name)).suggest(plain(task.word))) words.add(word);
  return { id: task.id, kind: 'suggest', words: byNearness(task.word, [...words]).slice(0, MOST_SUGGESTIONS) };
}

self.onmessage = (event: MessageEvent<SpellingTask>) => {
  answer(event.data).then(
    (done) => self.postMessage(done),
    (error: unknown) => self.postMessage({ id: event.data.id, kind: 'failed', reason: String(error) }),
  );
};
