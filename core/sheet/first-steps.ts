import type { Item, Page, Sheet, TextItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { bodyText, isEmpty } from '../text/body';
import { everyItem } from './tree';

/** What comes first on a new sheet, by what it is for. Each step is done once the sheet shows it, whatever way it came about. */

/** The words that a new sheet begins with: they are there to be written over. */
export const SAMPLES = ['A new worksheet', 'A new diagram', 'A new map', 'A new poster', 'What to do'];
/** The background that a new poster begins with. */
export const POSTER_PAPER = '#f3ead2';

export type FirstStep = {
  id: 'title' | 'task' | 'answers' | 'map' | 'picture' | 'background' | 'labels' | 'bank';
  done: boolean;
  /** The item that it is about, where it is on the page. */
  item: string | null;
};

export const isSample = ({ body }: Pick<TextItem, 'body'>) => SAMPLES.includes(bodyText(body).trim());
const isOf =
  (roles: readonly string[]) =>
  (item: Item): item is TextItem =>
    item.kind === 'text' && !item.hidden && roles.includes(item.role ?? '');

/** Written once one of these texts says something of its own. */
function written(id: FirstStep['id'], items: readonly Item[], roles: readonly string[]): FirstStep {
  const texts = items.filter(isOf(roles));
  const done = texts.some((text) => !isSample(text) && !isEmpty(text.body));
  return { id, done, item: texts.find(isSample)?.id ?? texts[0]?.id ?? null };
}

const TITLES = ['title', 'heading'];
/** A map of fewer ideas is no map yet. */
const FEWEST_IDEAS = 4;
const FEWEST_LABELS = 3;

function mapStep(items: readonly Item[]): FirstStep {
  const map = items.find((item) => item.kind === 'group' && item.maker?.kind === 'map');
  const ideas =
    map?.kind === 'group' && map.maker?.kind === 'map'
      ? map.maker.recipe.nodes.filter(({ text }) => text.trim() !== '').length
      : 0;
  return { id: 'map', done: ideas >= FEWEST_IDEAS, item: map?.id ?? null };
}

const isPlain = ({ background }: Page) => background?.kind === 'solid' && background.colour === POSTER_PAPER;

/** Whether a student can write in it, apart from the line for the name. */
const isAnswer = (item: Item) =>
  item.touch !== 'fixed' && !item.hidden && !(item.kind === 'text' && item.role === 'name');
const labelsOf = (items: readonly Item[]) => items.filter(isOf(['label']));

const FIRST_STEPS: Record<string, (sheet: Sheet, items: readonly Item[]) => FirstStep[]> = {
  worksheet: (_, items) => [
    written('title', items, TITLES),
    written('task', items, ['instruction']),
    { id: 'answers', done: items.some(isAnswer), item: null },
  ],
  poster: ({ pages }, items) => [
    written('title', items, TITLES),
    { id: 'picture', done: items.some(({ kind }) => kind === 'picture'), item: null },
    { id: 'background', done: !isPlain(pages[0]), item: null },
  ],
  map: (_, items) => [
    written('title', items, TITLES),
    mapStep(items),
    { id: 'answers', done: items.some((item) => isAnswer(item) && isWritten(item)), item: null },
  ],
  diagram: (_, items) => [
    written('title', items, TITLES),
    { id: 'labels', done: labelsOf(items).length >= FEWEST_LABELS, item: labelsOf(items)[0]?.id ?? null },
    { id: 'bank', done: items.some(isOf(['bank'])), item: null },
  ],
};

/** The steps of a sheet of a purpose; none for a blank page. */
export const firstSteps = (purpose: string, sheet: Sheet): FirstStep[] =>
  FIRST_STEPS[purpose]?.(sheet, everyItem(sheet)) ?? [];
