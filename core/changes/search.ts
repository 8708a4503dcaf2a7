import { bodyText, sliceBody } from '../text/body';
import { packed } from './between';
import type { Change } from './change';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';

/** Finding text on all pages, and replacing it. */

export type Wanted = { words: string; matchCase: boolean; whole: boolean };
/** A stretch [from, to) of the words of an item. */
export type Hit = { page: string; item: string; from: number; to: number };

const escaped = (words: string) => words.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&').replace(/\s+/g, '\\s+');

/** Every place where the text occurs, page by page, front items first. None for an empty text. */
export function findWords(sheet: Sheet, { words, matchCase, whole }: Wanted): Hit[] {
  const wanted = words.trim();
  if (wanted === '') return [];
  const edge = whole ? ['(?<![\\p{L}\\p{N}])', '(?![\\p{L}\\p{N}])'] : ['', ''];
  const pattern = new RegExp(`${edge[0]}${escaped(wanted)}${edge[1]}`, matchCase ? 'gu' : 'giu');
  return sheet.pages.flatMap((page) =>
    everyItem(page).flatMap((item) =>
      isWritten(item) && !item.hidden
        ? [...bodyText(item.body).matchAll(pattern)].map(({ index, 0: { length } }): Hit => ({
            page: page.id,
            item: item.id,
            from: index,
            to: index + length,
          }))
        : [],
    ),
  );
}

/** A replacement with the capitals of what it replaces: all capitals, a first capital, or as it is. */
export function inCapitalsOf(found: string, words: string): string {
  const letters = found.match(/\p{L}/gu) ?? [];
  const [first] = letters;
  if (!first || first === first.toLowerCase()) return words;
  if (letters.length > 1 && found === found.toUpperCase()) return words.toUpperCase();
  return words.replace(/\p{L}/u, (letter) => letter.toUpperCase());
}

/**
 * The change that puts other words in the place of some, each in the style of the first letter that it replaces.
 * @param keepCapitals whether each takes its capitals from what it replaces
 */
export function replaceWords(sheet: Sheet, hits: readonly Hit[], words: string, keepCapitals = false): Change {
  const items = new Map(everyItem(sheet).map((item) => [item.id, item]));
  // From the end of each item, so that earlier positions stay valid.
  const ordered = [...hits].sort((a, b) => b.from - a.from);
  return packed(
    ordered.flatMap(({ item: id, from, to }): Change[] => {
      const item = items.get(id);
      if (!item || !isWritten(item)) return [];
      const found = sliceBody(item.body, from, to);
      const [first] = found;
      const style = first.runs[0]?.style ?? {};
      const insert = (keepCapitals ? inCapitalsOf(bodyText(found), words) : words)
        .split(/\r?\n/)
        .map((text) => ({ format: first.format, runs: text ? [{ text, style }] : [] }));
      return [{ kind: 'splice', id, at: from, remove: to - from, insert }];
    }),
  );
}
