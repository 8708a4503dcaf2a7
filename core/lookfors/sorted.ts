import { z } from 'zod';
import { centre, contains } from '../geometry/box';
import type { Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';
import { Id } from '../values/primitives';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { keyedBase, rightIn } from './kind';
import { partsOf, practicesOn, wordsOf } from './practice-parts';
import { boxOn, isSeen } from './seen';

/** Things that students sort into boxes: each lies in a box where it belongs. */

const Said = z.string().max(200);
const SortedLookFor = z.strictObject({
  kind: z.literal('sorted'),
  ...keyedBase,
  boxes: z
    .array(z.strictObject({ item: Id, said: Said }))
    .min(2)
    .max(16),
  /** The key: in which of the boxes each thing may lie. Never sent to a student. */
  expect: z
    .array(z.strictObject({ item: Id, said: Said, boxes: z.array(z.number().int().min(0)).min(1).max(16) }))
    .min(1)
    .max(200),
});
export type SortedLookFor = z.infer<typeof SortedLookFor>;
type Key = Pick<SortedLookFor, 'boxes' | 'expect'>;

function keyOn(sheet: Sheet): Key | null {
  const key: Key = { boxes: [], expect: [] };
  for (const practice of practicesOn(sheet, 'sorting')) {
    const first = key.boxes.length;
    const groups = practice.recipe.groups.filter(({ things }) => things.length > 0);
    const boxes = partsOf(practice, 'box');
    // Without one of its boxes nobody could sort into it.
    if (groups.length < 2 || groups.some((_, i) => !boxes.has(i))) continue;
    groups.forEach(({ name }, i) => key.boxes.push({ item: boxes.get(i)!.id, said: name }));
    for (const card of partsOf(practice, 'card').values()) {
      const said = wordsOf(card);
      const fits = groups.flatMap(({ things }, i) =>
        things.some((thing) => (card.kind === 'picture' ? thing.picture === card.picture : thing.word === said))
          ? [first + i]
          : [],
      );
      if (fits.length > 0) key.expect.push({ item: card.id, said, boxes: fits });
    }
  }
  return key.expect.length > 0 ? key : null;
}

function countSorted({ boxes, expect }: SortedLookFor, sheet: Sheet, { pictures = () => undefined }: Context): Counted {
  const areas = boxes.map(({ item }) => {
    const place = find(sheet, item);
    return place && { page: place.page, box: boxOn(place.page, place.item, pictures) };
  });
  const evidence = expect.map(({ item: id, said, boxes: fits }): Evidence => {
    const meant = `${said}: ${boxes[fits[0]]?.said ?? ''}`;
    const place = find(sheet, id);
    if (!place || !isSeen(sheet, id, pictures)) return { items: [], verdict: 'empty', said: '', meant };
    const middle = centre(boxOn(place.page, place.item, pictures));
    const at = areas.findIndex((area) => area?.page === place.page && contains(area.box, middle));
    if (at < 0) return { items: [id], verdict: 'empty', said: '', meant };
    return { items: [id], verdict: fits.includes(at) ? 'right' : 'wrong', said: `${said}: ${boxes[at].said}`, meant };
  });
  return { got: rightIn(evidence), need: expect.length, evidence };
}

export const SORTED: LookForKind<SortedLookFor> = {
  schema: SortedLookFor,
  kind: 'sorted',
  name: 'things sorted into their boxes',
  begin(sheet) {
    const key = keyOn(sheet);
    return key
      ? { settings: { tell: 'filled', ...key } }
      : { nothing: 'There is nothing to sort on this sheet. Make a practice sheet for sorting.' };
  },
  sentence: ({ expect, boxes }) => [`all ${expect.length} things lie in the right one of ${boxes.length} boxes`],
  hint: () => 'Drag each thing into the box where it belongs.',
  suits: (sheet) => keyOn(sheet) !== null,
  count: countSorted,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const key = keyOn(sheet);
    return key && { ...lookFor, ...key };
  },
  worded({ verdict, said, meant }) {
    if (verdict === 'empty') return `not sorted: “${meant}”`;
    return verdict === 'right' ? `“${said}” is right` : `“${said}”, where “${meant}” is right`;
  },
  missed: ({ verdict, meant }) => (verdict === 'wrong' ? `“${meant}” sorted wrongly` : null),
  keyed: true,
};
