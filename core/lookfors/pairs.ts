import { z } from 'zod';
import type { Point } from '../geometry/matrix';
import { transform } from '../geometry/matrix';
import { lineEnds } from '../placement/line';
import { pageMatrix, parentMatrix } from '../placement/on-page';
import type { Pictures } from '../pictures/picture';
import type { Item, Page, Sheet } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { Id } from '../values/primitives';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { keyedBase, rightIn } from './kind';
import type { Practice } from './practice-parts';
import { partsOf, practicesOn, wordsOf } from './practice-parts';
import { boxOn, isSeen } from './seen';
import { withSwaps } from './swaps';

/** Two columns that students join by lines or with the pen: each thing goes to what belongs to it, and to nothing else. */

/** A line that ends this near to a thing, in points, ends there. */
const NEAR = 14;

/** What a line to it may end on: the thing and its dot. */
const Spots = z.array(Id).min(1).max(4);
const Said = z.string().max(200);
const PairsLookFor = z.strictObject({
  kind: z.literal('pairs'),
  ...keyedBase,
  rights: z
    .array(z.strictObject({ spots: Spots, said: Said }))
    .min(1)
    .max(60),
  /** The key: to which of `rights` each thing may go. Never sent to a student. */
  expect: z
    .array(z.strictObject({ spots: Spots, said: Said, rights: z.array(z.number().int().min(0)).min(1).max(60) }))
    .min(1)
    .max(60),
});
export type PairsLookFor = z.infer<typeof PairsLookFor>;
type Key = Pick<PairsLookFor, 'rights' | 'expect'>;
type Ended = { page: Page; at: Point; on: string | null };

/** Where the lines and strokes that join something end. */
function endsOf(page: Page, item: Item, pictures: Pictures): [Ended, Ended] | null {
  if (item.kind === 'line') {
    const { from, to } = lineEnds(page, item, pictures);
    const matrix = parentMatrix(page, item.id);
    return [
      { page, at: transform(matrix, from), on: item.from.item },
      { page, at: transform(matrix, to), on: item.to.item },
    ];
  }
  // Three numbers a point: shares of its width and height, and how hard it was pressed.
  if (item.kind !== 'ink' || item.points.length < 6) return null;
  const matrix = pageMatrix(page, item);
  const { points, width, height } = item;
  const point = (i: number) => transform(matrix, { x: points[i] * width, y: points[i + 1] * height });
  return [
    { page, at: point(0), on: null },
    { page, at: point(item.points.length - 3), on: null },
  ];
}

/** Which of some things an end is at; -1 for none. */
function thingAt(
  sheet: Sheet,
  things: readonly { spots: readonly string[] }[],
  end: Ended,
  pictures: Pictures,
): number {
  const held = things.findIndex(({ spots }) => end.on !== null && spots.includes(end.on));
  if (held >= 0) return held;
  let [best, least] = [-1, NEAR];
  things.forEach(({ spots }, i) => {
    for (const id of spots) {
      const place = find(sheet, id);
      if (place?.page !== end.page) continue;
      const box = boxOn(place.page, place.item, pictures);
      const dx = Math.max(box.x - end.at.x, 0, end.at.x - box.x - box.width);
      const dy = Math.max(box.y - end.at.y, 0, end.at.y - box.y - box.height);
      const away = Math.hypot(dx, dy);
      if (away < least) [best, least] = [i, away];
    }
  });
  return best;
}

/** What is joined, left to right, by the numbers of both, with the lines that do. */
function joinsOn(sheet: Sheet, { rights, expect }: Key, joins: (item: Item) => boolean, pictures: Pictures) {
  const found: { left: number; right: number; item: string }[] = [];
  for (const page of sheet.pages)
    for (const item of everyItem(page)) {
      const ends = joins(item) ? endsOf(page, item, pictures) : null;
      if (!ends) continue;
      for (const [a, b] of [ends, [ends[1], ends[0]]] as const) {
        const [left, right] = [thingAt(sheet, expect, a, pictures), thingAt(sheet, rights, b, pictures)];
        if (left < 0 || right < 0) continue;
        found.push({ left, right, item: item.id });
        break;
      }
    }
  return found;
}

const same = (item: Item) => (item.kind === 'picture' ? item.picture : wordsOf(item).toLowerCase());

/** The pairs of one practice sheet, from the lines of its key. What looks the same is the same. */
function pairsOf(sheet: Sheet, practice: Practice<'matching'>): Key {
  const [lefts, rights, dots] = ['left', 'right', 'dot'].map((kind) => partsOf(practice, kind));
  const side = (things: Map<number, Item>, dot: 0 | 1) =>
    [...things].map(([number, item]) => {
      const own = dots.get(2 * number + dot);
      return { item, spots: own ? [item.id, own.id] : [item.id], said: wordsOf(item) };
    });
  const [left, right] = [side(lefts, 0), side(rights, 1)];
  const key = new Set([...partsOf(practice, 'key').values()].map(({ id }) => id));
  const drawn = joinsOn(
    sheet,
    { rights: right, expect: left.map((one) => ({ ...one, rights: [] })) },
    ({ id }) => key.has(id),
    () => undefined,
  );
  const fits = (number: number): number[] => {
    const alike = drawn.filter((join) => same(left[join.left].item) === same(left[number].item));
    const shown = new Set(alike.map((join) => same(right[join.right].item)));
    return right.flatMap(({ item }, i) => (shown.has(same(item)) ? [i] : []));
  };
  return {
    rights: right.map(({ spots, said }) => ({ spots, said })),
    expect: left.flatMap(({ spots, said }, i) => {
      const to = fits(i);
      return to.length > 0 ? [{ spots, said, rights: to }] : [];
    }),
  };
}

function keyOn(sheet: Sheet): Key | null {
  const key: Key = { rights: [], expect: [] };
  for (const practice of practicesOn(sheet, 'matching')) {
    const { rights, expect } = pairsOf(sheet, practice);
    const first = key.rights.length;
    key.rights.push(...rights);
    key.expect.push(...expect.map((one) => ({ ...one, rights: one.rights.map((i) => first + i) })));
  }
  return key.expect.length > 0 ? key : null;
}

function countPairs(lookFor: PairsLookFor, sheet: Sheet, { handedOut, pictures = () => undefined }: Context): Counted {
  const { rights, expect } = lookFor;
  const added = (item: Item) => !find(handedOut, item.id) && isSeen(sheet, item.id, pictures);
  const joins = joinsOn(sheet, lookFor, added, pictures);
  const evidence = expect.map(({ spots: [id], rights: fits }, left): Evidence => {
    const own = joins.filter((join) => join.left === left);
    const meant = rights[fits[0]].said;
    if (own.length === 0) return { items: find(sheet, id) ? [id] : [], verdict: 'empty', said: '', meant };
    // Whoever joins everything with everything knows nothing.
    const wrong = own.find(({ right }) => !fits.includes(right));
    const shown = wrong ?? own[0];
    return {
      items: [id, ...own.map(({ item }) => item)],
      verdict: wrong ? 'wrong' : 'right',
      said: rights[shown.right].said,
      meant,
    };
  });
  const paired = withSwaps(evidence).map((one, i) => ({
    ...one,
    said: one.said && `${expect[i].said} – ${one.said}`,
    meant: `${expect[i].said} – ${one.meant}`,
  }));
  return { got: rightIn(paired), need: expect.length, evidence: paired };
}

export const PAIRS: LookForKind<PairsLookFor> = {
  schema: PairsLookFor,
  kind: 'pairs',
  name: 'pairs joined by lines',
  begin(sheet) {
    const key = keyOn(sheet);
    return key
      ? { settings: { tell: 'filled', ...key } }
      : { nothing: 'There is nothing to match on this sheet. Make a practice sheet for matching, with its key.' };
  },
  sentence: ({ expect }) => [`all ${expect.length} pairs are joined`],
  hint: () => 'Draw a line from each to what belongs to it: one end on the one, one end on the other.',
  suits: (sheet) => keyOn(sheet) !== null,
  count: countPairs,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const key = keyOn(sheet);
    return key && { ...lookFor, ...key };
  },
  worded({ verdict, said, meant }) {
    if (verdict === 'empty') return `not joined: “${meant}”`;
    if (verdict === 'swapped') return `“${said}” is swapped: “${meant}”`;
    return verdict === 'right' ? `“${said}” is right` : `“${said}”, where “${meant}” is right`;
  },
  missed: ({ verdict, meant }) => (verdict === 'wrong' || verdict === 'swapped' ? `“${meant}” joined wrongly` : null),
  needs: {
    any: ['line', 'ink'],
    why: 'To join pairs, students need lines or the pen. Open one of them under supplies.',
  },
  keyed: true,
};
