import { packed } from '../changes/between';
import type { Change } from '../changes/change';
import { isBeside } from '../items/beside';
import type { Page, PictureItem, Sheet, TextItem } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { bodyLength, bodyText } from '../text/body';
import { inWords } from '../values/listed';

/** Where the pictures of a sheet are from, and a line on a page that says so and follows the page. */

/** What the sets that ship are given away under. */
const LICENCES: Record<string, string> = {
  diagram: 'CC0 1.0',
  drawn: 'CC0 1.0',
  flat: 'MIT',
  map: 'public domain',
  silhouette: 'CC BY 3.0',
};

export type Source = {
  credit: string;
  /** Empty for pictures that were brought along. */
  licence: string;
  /** What the pictures show, each once. */
  names: string[];
};

/** How many letters of a description stand for the picture's name. */
const LONGEST_NAME = 40;

function nameOf({ alt, picture }: PictureItem): string {
  const [words] = alt.split(/[.,;:\n]/);
  const name = words.trim();
  return name && name.length <= LONGEST_NAME
    ? name
    : picture.startsWith('own/')
      ? 'picture'
      : picture.split('/')[1].replace(/-/g, ' ');
}

/** A maker's parts carry the licence behind the credit. */
const creditOf = ({ credit }: PictureItem) => credit.replace(/ \([^()]*\)$/, '').trim();

const shownOn = (page: Page): PictureItem[] =>
  everyItem({ ...page, items: page.items.filter((item) => !item.hidden && !isBeside(page, item)) }).filter(
    (item): item is PictureItem => item.kind === 'picture' && !item.hidden,
  );

/** The sources of what is seen on some pages, in the order in which they are met; and how many pictures name none. */
export function sourcesOf(pages: readonly Page[]): { sources: Source[]; without: PictureItem[] } {
  const sources = new Map<string, Source>();
  const without: PictureItem[] = [];
  for (const item of pages.flatMap(shownOn)) {
    const credit = creditOf(item);
    if (credit === '') {
      without.push(item);
      continue;
    }
    const licence = LICENCES[item.picture.split('/')[0]] ?? '';
    const key = `${credit}\n${licence}`;
    const source = sources.get(key) ?? { credit, licence, names: [] };
    const name = nameOf(item);
    if (!source.names.includes(name)) source.names.push(name);
    sources.set(key, source);
  }
  return { sources: [...sources.values()], without };
}

/** A page with more than so many pictures of one source names only how many. */
const MOST_NAMES = 8;

/** “Pictures: owl and fox by Fluent Emoji, Microsoft (MIT); curlew: Photo, class 5b.” Empty for a page without sources. */
export function creditLine(page: Page): string {
  const parts = sourcesOf([page]).sources.map(({ credit, licence, names }) => {
    const shown = names.length > MOST_NAMES ? `${names.length} pictures` : inWords(names);
    return `${shown}: ${credit}${licence ? ` (${licence})` : ''}`;
  });
  return parts.length > 0 ? `Pictures. ${parts.join('; ')}.` : '';
}

const linesOn = (page: Page): TextItem[] =>
  everyItem(page).filter((item): item is TextItem => item.kind === 'text' && item.follows === 'credits');

/** Whether some page has a line that follows. */
export const hasCreditLine = ({ pages }: Pick<Sheet, 'pages'>): boolean =>
  pages.some((page) => linesOn(page).length > 0);

/** The words of a line in the look that it has. */
function withWords(item: TextItem, words: string): TextItem['body'] {
  const [{ format, runs }] = item.body;
  return [{ format, runs: [{ text: words, style: runs[0]?.style ?? {} }] }];
}

/**
 * What brings all lines in step after a change; null where nothing is to do. A line whose words were changed by hand is let go: it
 * stays as it was written.
 */
export function creditsChange(before: Sheet, after: Sheet): Change | null {
  const was = new Map(before.pages.flatMap(linesOn).map((item) => [item.id, item]));
  const changes = after.pages.flatMap((page) =>
    linesOn(page).flatMap((item): Change[] => {
      const wanted = creditLine(page);
      const words = bodyText(item.body);
      if (words === wanted) return [];
      const old = was.get(item.id);
      return [
        old && bodyText(old.body) !== words
          ? { kind: 'set', id: item.id, values: { follows: null } }
          : { kind: 'splice', id: item.id, at: 0, remove: bodyLength(item.body), insert: withWords(item, wanted) },
      ];
    }),
  );
  return changes.length > 0 ? packed(changes) : null;
}
