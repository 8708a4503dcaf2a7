import { z } from 'zod';
import { normalised } from '../language/spelling';
import { bodyText } from '../text/body';
import { fullFormat, roleOfItem } from '../text/style';
import { Id } from '../values/primitives';
import type { Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { find } from '../sheet/tree';
import { boxesFor, boxSlot, boxSources, openBox } from './boxes';
import type { Context, Counted, LookForKind } from './kind';
import { atLeast, base } from './kind';
import { eitherSlot } from './sentence';

/** A list of so many points, each on a line of its own. */

const PointsLookFor = z.strictObject({
  kind: z.literal('points'),
  ...base,
  item: Id.nullable(),
  min: atLeast,
  /** Whether a point has to begin with a bullet, a number or a letter. */
  marked: z.boolean(),
});
export type PointsLookFor = z.infer<typeof PointsLookFor>;

/** Bullets and numbers as they are typed by hand. */
const MARK = /^\s*(?:[-–—•·*▪●○]|\p{N}{1,2}[.):]|\p{L}[.)])\s+/u;

/** The points of a box: lines with a word in them, none twice, and none that was handed out. */
function pointsIn(sheet: Sheet, item: WrittenItem, marked: boolean, context: Context): string[] {
  const role = roleOfItem(sheet, item);
  const given = find(context.handedOut, item.id)?.item;
  const known = new Set(
    given && isWritten(given) ? given.body.map((p) => normalised(bodyText([p]).replace(MARK, ''))) : [],
  );
  const out: string[] = [];
  for (const paragraph of item.body) {
    const text = bodyText([paragraph]);
    if (marked && fullFormat(role, paragraph.format).list === 'none' && !MARK.test(text)) continue;
    const point = normalised(text.replace(MARK, ''));
    if (!/\p{L}{2}|\p{N}/u.test(point) || known.has(point)) continue;
    known.add(point);
    out.push(text.trim());
  }
  return out;
}

function countPoints(lookFor: PointsLookFor, sheet: Sheet, context: Context): Counted {
  const { item: id, min, marked } = lookFor;
  const boxes = boxesFor(id, sheet, context).map(({ item, text }) => ({
    id: item.id,
    points: text.trim() === '' ? [] : pointsIn(sheet, item, marked, context),
  }));
  // A list stands in one box: lines of several boxes are no list.
  const best = boxes.reduce((a, b) => (b.points.length > a.points.length ? b : a), {
    id: id ?? '',
    points: [] as string[],
  });
  const got = best.points.length;
  return {
    got,
    need: min,
    evidence:
      best.id === '' || !find(sheet, best.id)
        ? []
        : [
            {
              items: [best.id],
              verdict: got === 0 ? 'empty' : got >= min ? 'right' : 'near',
              said: best.points.join('; '),
              meant: '',
            },
          ],
  };
}

export const POINTS: LookForKind<PointsLookFor> = {
  schema: PointsLookFor,
  kind: 'points',
  name: 'a list of points',
  unit: () => ['point', 'points'],
  begin: (sheet) => ({ settings: { tell: 'result', item: openBox(sheet)?.id ?? null, min: 3, marked: false } }),
  sentence: ({ item, min, marked }, sheet) => [
    'a list of at least',
    { slot: 'number', label: 'How many points', value: min, min: 1, max: 100, set: (to) => ({ min: to }) },
    'points',
    eitherSlot('How points begin', marked, [', each on its own line', ', with bullets or numbers'], (to) => ({
      marked: to,
    })),
    boxSlot(item, sheet, (to) => ({ item: to })),
  ],
  hint: ({ marked }) =>
    marked
      ? 'Choose bullets or numbers for the lines, and press Enter after each point.'
      : 'Press Enter after each point.',
  count: countPoints,
  sources: ({ item }, sheet) => [...boxSources(item, sheet), sheet.roles],
  whole: true,
};
