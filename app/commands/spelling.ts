import { useEffect } from 'react';
import { bodyText } from '../../core/text/body';
import type { Page, WrittenItem } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import type { Word } from '../../core/language/words';
import { partsOfNames, withoutPossessive, wordsIn, wordsOfNames } from '../../core/language/words';
import { z } from 'zod';
import { Fetched } from '../browser/later';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { spelling } from '../document/helpers';

/** Finds words of the page that are in no dictionary. Off the main thread, each word once. */

const known = new Map<string, boolean>();
/** Names of people at the school, as written and in lower case. Until they have loaded they count as ordinary words. */
const people = new Fetched(async () => {
  const list = z.array(z.string()).parse(await (await fetch('/names')).json());
  return { written: wordsOfNames(list), parts: new Set(partsOfNames(list)) };
});
const names = () => (people.now.kind === 'here' ? people.now.value : null);

const isName = (word: string) => names()?.parts.has(withoutPossessive(word).toLowerCase()) ?? false;

/** Milliseconds to wait before new words are looked up: not while somebody types, nor while the sheet is opening. */
const [REST, OPENING] = [700, 2500];
const touchedOf = (editor: Editor) => editor.history.past.length > 0;

/** Looks up the new words of a page. False when there are none. */
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

/** Keeps the spelling marks up to date. Without a dictionary there are none. */
export function useSpelling(editor: Editor): void {
  const page = useEditor(editor, 'page');
  const touched = useEditor(editor, touchedOf);
  // A student who only reads, perhaps on a slow computer, needs no dictionary.
  const wanted = touched || editor.rights.kind === 'all';
  useEffect(() => {
    if (!wanted) return;
    const timer = setTimeout(
      () => {
        lookUp(page).then(
          (more) => more && editor.put({ checked: editor.checked + 1 }),
          () => {},
        );
      },
      touched ? REST : OPENING,
    );
    return () => clearTimeout(timer);
  }, [editor, page, wanted, touched]);
}

/** Whether a word of a sheet that was looked up is spelt as a dictionary or somebody's name has it. */
export const isSpelt = (word: string): boolean => known.get(word) !== false || isName(word);

/** The words of an item that are taken to be misspelt. */
export function misspelt(item: WrittenItem, ownWords: readonly string[]): Word[] {
  const text = bodyText(item.body);
  return wordsIn(text).filter(
    ({ word }) => known.get(word) === false && !isName(word) && !ownWords.includes(word.toLowerCase()),
  );
}

export const suggestionsFor = (word: string): Promise<string[]> =>
  spelling.ask((worker) => worker.suggest(word, names()?.written ?? [])).catch(() => []);
