import { z } from 'zod';
import { contrastOf } from '../colour/space';
import { encloses, grown, overlapArea } from '../geometry/box';
import { wholePage } from '../placement/on-page';
import { unreadable } from '../proof/readable';
import { printedSize } from '../proof/small';
import type { Page, Sheet, TextItem, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { bodyText, isEmpty } from '../text/body';
import type { Faces } from '../text/faces';
import { wordsHeight } from '../text/fit';
import { fullStyle, roleOfItem } from '../text/style';
import { cutTo } from '../values/characters';
import { groundOf, isBare } from './boxes';
import type { Context, Counted, Evidence, LookForKind, Own } from './kind';
import { base } from './kind';
import { boxOn, isSeen, rankOn } from './seen';

/** Words that can be read: large enough as they are printed, and standing out from what lies behind them. */

const ReadableLookFor = z.strictObject({
  kind: z.literal('readable'),
  ...base,
  /** The least size in points, as printed; null: any. */
  least: z.number().min(4, 'at least 4').max(200, 'at most 200').nullable().default(10),
  /** Whether the words have to stand out. */
  standsOut: z.boolean().default(true),
});
export type ReadableLookFor = z.infer<typeof ReadableLookFor>;
type Patch = Partial<Own<ReadableLookFor>>;

const rounded = (value: number) => String(Math.round(value * 10) / 10);

/** Texts that students may write in, page by page. */
function textsOn(sheet: Sheet, page: Page, context: Context): WrittenItem[] {
  return everyItem(page).filter(
    (item): item is WrittenItem =>
      isWritten(item) && item.touch !== 'fixed' && !isEmpty(item.body) && isSeen(sheet, item.id, context.pictures),
  );
}

/** Whether a picture lies behind the words that is not known here: nobody but a person can judge them. */
function isOverUnknown(sheet: Sheet, item: WrittenItem, { pictures }: Context): boolean {
  const { page } = find(sheet, item.id)!;
  const box = boxOn(page, item);
  return everyItem(page).some(
    (other) =>
      other.kind === 'picture' &&
      !other.hidden &&
      pictures?.(other.picture) === undefined &&
      rankOn(page, other.id) > rankOn(page, item.id) &&
      overlapArea(boxOn(page, other), box) > 0,
  );
}

/** What any words need, whatever their size (WCAG 2.2). */
const ENOUGH = 4.5;
/** Letters lean out of their boxes by less than this, in points. */
const ROOM = 6;

const heights = new WeakMap<TextItem, { roles: Sheet['roles']; height: number }>();
/** How high the words of a box stand: measured once for as long as the box stays as it is. */
function heightOf(item: TextItem, { roles }: Sheet, faces: Faces): number {
  let known = heights.get(item);
  if (known?.roles !== roles) {
    const height = wordsHeight(item.body, roleOfItem({ roles }, item), item, faces);
    heights.set(item, (known = { roles, height }));
  }
  return known.height;
}

const WHITE = '#ffffff';
/** Higher than any words stand, in points. */
const ANY_HEIGHT = 1e6;

/** The colours that all words of a text stand on, whatever they do beyond its box; null where that can't be told so soon. */
function groundsUnder(
  sheet: Sheet,
  page: Page,
  item: TextItem,
  { faces, pictures }: Required<Pick<Context, 'faces' | 'pictures'>>,
): string[] | null {
  const beyond = () => Math.max(0, heightOf(item, sheet, faces) + 2 * item.padding - item.height);
  if (item.fill !== null) {
    const { fill, outline, padding } = item;
    const isWhole = fill.kind === 'solid' && fill.opacity === 1 && (outline?.width ?? 0) / 2 <= padding;
    return isWhole && beyond() === 0 ? [fill.colour] : null;
  }
  const { background } = page;
  if (background !== null && (background.kind !== 'solid' || background.opacity < 1)) return null;
  const box = boxOn(page, item, pictures);
  // Nothing above or below it: however many lines there are, they stand on the page, or run off it onto white paper.
  if (item.angle === 0 && find(sheet, item.id)!.groups.length === 0) {
    const column = { x: box.x - ROOM, width: box.width + 2 * ROOM, y: box.y - ANY_HEIGHT, height: 2 * ANY_HEIGHT };
    if (isBare(page, item, column, pictures)) return [background?.colour ?? WHITE, WHITE];
  }
  // Words that don't fit their box may stand on either side of it.
  const reach = grown(box, beyond() + ROOM);
  const ground = encloses(wholePage(page), reach) ? groundOf(page, item, { pictures }, reach) : null;
  return ground === null ? null : [ground];
}

/**
 * Whether words stand out without being looked at letter by letter: opaque and on one colour (of the page, a shape or their own
 * box) that each of theirs is far enough from. Where this says no, they may stand out all the same.
 */
export function surelyStandsOut(
  sheet: Sheet,
  page: Page,
  item: WrittenItem,
  { faces, pictures }: Required<Pick<Context, 'faces' | 'pictures'>>,
): boolean {
  if (item.kind !== 'text' || item.lettering || item.plate || item.shadow) return false;
  const { groups } = find(sheet, item.id)!;
  if ([item, ...groups].some(({ opacity, shadow }) => opacity < 1 || shadow !== null)) return false;
  const role = roleOfItem(sheet, item);
  const styles = item.body.flatMap(({ runs }) => runs.map(({ style }) => fullStyle(role, style)));
  // A letter wider than its box stands on what is beside it.
  if (styles.some(({ size }) => size > item.width - 2 * item.padding)) return false;
  const grounds = groundsUnder(sheet, page, item, { faces, pictures });
  return (
    grounds !== null && styles.every(({ colour }) => grounds.every((ground) => contrastOf(colour, ground) >= ENOUGH))
  );
}

function countReadable({ least, standsOut }: ReadableLookFor, sheet: Sheet, context: Context): Counted | null {
  const { faces, pictures } = context;
  if (!faces || !pictures) return null;
  const evidence: Evidence[] = [];
  for (const page of sheet.pages) {
    const texts = textsOn(sheet, page, context);
    if (texts.length === 0) continue;
    if (standsOut && texts.some((item) => isOverUnknown(sheet, item, context))) return null;
    const ids = standsOut
      ? texts.filter((item) => !surelyStandsOut(sheet, page, item, { faces, pictures })).map(({ id }) => id)
      : [];
    const pale = new Map(
      ids.length > 0 ? unreadable(sheet, page, { faces, pictures }, ids).map((found) => [found.item, found]) : [],
    );
    for (const item of texts) {
      const size = printedSize(item, sheet, faces);
      const found = pale.get(item.id);
      const why = [
        ...(least !== null && size < least - 0.05 ? [`${rounded(size)} pt large`] : []),
        ...(found ? [`contrast ${rounded(found.worst)}, where ${rounded(found.needed)} is needed`] : []),
      ];
      const words = `“${cutTo(bodyText(item.body).trim(), 30)}”`;
      evidence.push({
        items: [item.id],
        verdict: why.length > 0 ? 'wrong' : 'right',
        said: why.length > 0 ? `${words}: ${why.join('; ')}` : words,
        meant: '',
      });
    }
  }
  const right = evidence.filter(({ verdict }) => verdict === 'right').length;
  return { got: right, need: Math.max(1, evidence.length), evidence };
}

export const READABLE: LookForKind<ReadableLookFor> = {
  schema: ReadableLookFor,
  kind: 'readable',
  name: 'words that can be read',
  begin: () => ({ settings: { tell: 'result', least: 10, standsOut: true } }),
  sentence: ({ least, standsOut }) => [
    'every text',
    ...(least === null
      ? []
      : [
          'is at least',
          {
            slot: 'number' as const,
            label: 'Least size in points',
            value: least,
            min: 4,
            max: 200,
            set: (to: number): Patch => ({ least: to }),
          },
          'pt large in print',
        ]),
    ...(least !== null && standsOut ? ['and'] : []),
    ...(standsOut ? ['stands out from what lies behind it'] : []),
    {
      slot: 'choice',
      label: 'What can be read',
      value: least === null ? 'out' : standsOut ? 'both' : 'size',
      quiet: true,
      options: [
        { value: 'both', label: '', listed: 'large enough, and standing out' },
        { value: 'size', label: '', listed: 'large enough' },
        { value: 'out', label: '', listed: 'standing out' },
      ],
      set: (to): Patch => ({ least: to === 'out' ? null : (least ?? 10), standsOut: to !== 'size' }),
    },
  ],
  contradicts: ({ least, standsOut }) =>
    least === null && !standsOut ? 'Choose what is asked for: as it is, any words would do.' : null,
  hint: ({ least, standsOut }) =>
    [
      least === null ? '' : 'Make small words larger, or give them more room.',
      standsOut ? 'Choose a colour that differs more from what lies behind, dark on light or light on dark.' : '',
    ]
      .filter(Boolean)
      .join(' '),
  saysWhy: true,
  count: countReadable,
  // What lies behind words may be anything on the pages.
  sources: (_, sheet) => [...sheet.pages, sheet.roles],
  worded: ({ said }) => said,
};
