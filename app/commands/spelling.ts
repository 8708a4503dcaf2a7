import { useEffect } from 'react';
import { bodyText } from '../../core/text/body';
import type { Page, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import type { Word } from '../../core/language/words';
import { partsOfNames, withoutPossessive, wordsIn, wordsOfNames } from '../../core/language/words';
import { z } from 'zod';
import { Fetched } from '../browser/later';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { spelling } from '../document/helpers';

/** Which words of the page are in no dictionary. Looked up off the main thread, each word once. */

const known = new Map<string, boolean>();
/** Who is at the school: their names as they are written, and in small letters. Until they have come they are words as others. */
const people = new Fetched(async () => {
  const list = z.array(z.string()).parse(await (await fetch('/names')).json());
  return { written: wordsOfNames(list), parts: new Set(partsOfNames(list)) };
});
const names = () => (people.now.kind === 'here' ? people.now.value : null);

const isName = (word: string) => names()?.parts.has(withoutPossessive(word).toLowerCase()) ?? false;

const pageOf = (bench: Bench) => bench.page;
/** Milliseconds of rest before new words are looked up: not while somebody types them, nor while the sheet still opens. */
const [REST, OPENING] = [700, 2500];
const touchedOf = (bench: Bench) => bench.history.past.length > 0;

/** Looks up the words of a page that were not looked up before; false when there are none. */
export async function lookUp(page: Page): Promise<boolean> {
  const words = new Set<string>();
  for (const item of everyItem(page))
    if (isWritten(item)) for (const { word } of wordsIn(bodyText(item.body))) if (!known.has(word)) words.add(word);
  if (words.size === 0) return false;
  const learnt = people.fetch();
  const wrong = await spelling.ask((worker) => worker.check([...words]));
  await learnt;
  for (const word of words) known.set(word, true);
  for (const word of wrong) known.set(word, false);
  return true;
}

/** Keeps the marks of a bench up to date. Should the dictionary not load, there are simply none. */
export function useSpelling(bench: Bench): void {
  const page = useBench(bench, pageOf);
  const touched = useBench(bench, touchedOf);
  // A student who only looks, perhaps on a slow machine, need not load a dictionary.
  const wanted = touched || bench.rights.kind === 'all';
  useEffect(() => {
    if (!wanted) return;
    const timer = setTimeout(
      () => {
        lookUp(page).then(
          (more) => more && bench.put({ checked: bench.checked + 1 }),
          () => {},
        );
      },
      touched ? REST : OPENING,
    );
    return () => clearTimeout(timer);
  }, [bench, page, wanted, touched]);
}

/** The words of an item that are taken to be misspelt. */
export function misspelt(item: WrittenItem, ownWords: readonly string[]): Word[] {
  const text = bodyText(item.body);
  return wordsIn(text).filter(
    ({ word }) => known.get(word) === false && !isName(word) && !ownWords.includes(word.toLowerCase()),
  );
}

export const suggestionsFor = (word: string): Promise<string[]> =>
  spelling.ask((worker) => worker.suggest(word, names()?.written ?? [])).catch(() => []);
