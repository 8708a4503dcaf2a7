import type { LookFor } from '../core/lookfors/all';
import { begun } from '../core/lookfors/all';
import type { Kit } from '../core/makers/kit/maker';
import { remake } from '../core/makers/all';
import { beginPractice } from '../core/makers/practice/begin';
import { defaultRoles, group, page, sheet } from '../core/schema/defaults';
import type { Sheet, TextItem } from '../core/schema/sheet';
import { everyItem } from '../core/sheet/tree';
import { bodyText } from '../core/text/body';
import type { Answers } from './makers';

/** Sums that the class Avocet got in three versions, so that neighbours have others. */

export async function sumsSheet(given: Pick<Kit, 'faces' | 'pictures'>): Promise<Sheet> {
  const empty = group({ id: 'sums', x: 36, y: 36, width: 720, height: 540, items: [] });
  const recipe = {
    ...beginPractice('sums'),
    title: 'Sums from the shore',
    instruction: 'Work out how many there are in all.',
    most: 100,
    count: 12,
    version: 'A',
  };
  const { group: made } = await remake(
    { group: empty, state: { kind: 'practice', recipe, seed: 5 } },
    { ...given, roles: defaultRoles() },
  );
  return sheet({ title: 'Sums from the shore', pages: [page({ id: 'page1', items: [made] })] });
}

export function sumsLookFors(made: Sheet): LookFor[] {
  const answers = begun('answers', made, 'answers');
  return typeof answers === 'string'
    ? []
    : [{ ...answers, title: 'The right result of every sum', follows: undefined }];
}

/** What a student wrote: all results but some, which are one too many, and only so many of them. */
export const SUMS_ANSWERS: readonly (Omit<Answers, 'words'> & { filled: number; wrong: readonly number[] })[] = [
  { fate: 'handed-in', ago: 5, filled: 12, wrong: [] },
  { fate: 'handed-in', ago: 4, filled: 12, wrong: [3, 7] },
  { fate: 'under-way', ago: 2, filled: 5, wrong: [] },
  { fate: 'handed-in', ago: 3, filled: 12, wrong: [10] },
  { fate: 'done', ago: 20, filled: 12, wrong: [], note: ['', 'All of them right, and quickly done.'] },
  { fate: 'not-begun', ago: 0, filled: 0, wrong: [] },
  { fate: 'another-go', ago: 22, filled: 12, wrong: [1, 2, 5], note: ['', 'Look once more at where you carry.'] },
];

/** The same answers on a version of the sheet. */
export function sumsWords(version: Sheet): Answers[] {
  const blanks = everyItem(version).filter((item): item is TextItem => item.kind === 'text' && item.blank);
  return SUMS_ANSWERS.map(({ filled, wrong, note, ...rest }) => ({
    ...rest,
    ...(note && { note: [blanks[0].id, note[1]] as [string, string] }),
    words: Object.fromEntries(
      blanks.slice(0, filled).map((item, i) => {
        const right = bodyText(item.body);
        return [item.id, wrong.includes(i) ? String(Number(right) + 1) : right];
      }),
    ),
  }));
}
