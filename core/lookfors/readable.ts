import { z } from 'zod';
import { contrastOf } from '../colour/space';
import { encloses, grown, overlapArea } from '../geometry/box';
import { wordsOf } from '../items/words';
import { wholePage } from '../placement/on-page';
import { unreadable } from '../proof/readable';
import { printedSize } from '../proof/small';
import type { Page, Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { bodyText, isEmpty } from '../text/body';
import type { Faces } from '../text/faces';
import { fullStyle, roleOfItem } from '../text/style';
import { cutTo } from '../values/characters';
import { groundOf } from './boxes';
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
  return [...everyItem(page)].filter(
    (item): item is WrittenItem =>
      isWritten(item) && item.touch !== 'fixed' && !isEmpty(item.body) && isSeen(sheet, item.id, context.pictures),
  );
}

/** Whether a picture lies behind the words that is not known here: nobody but a person can judge them. */
function isOverUnknown(sheet: Sheet, item: WrittenItem, { pictures }: Context): boolean {
  const { page } = find(sheet, item.id)!;
  const box = boxOn(page, item);
  return [...everyItem(page)].some(
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

const heights = new WeakMap<WrittenItem, { roles: Sheet['roles']; height: number }>();
/** How high the words of a box stand: laid out once for as long as the box stays as it is. */
function heightOf(item: WrittenItem, { roles }: Sheet, faces: Faces): number {
  let known = heights.get(item);
  if (known?.roles !== roles)
    heights.set(item, (known = { roles, height: wordsOf(item, { faces, roles }).layout.height }));
  return known.height;
}

/**
 * Whether words stand out without being looked at letter by letter: opaque and on nothing but the page in one colour, which each
 * of their colours is far enough from. Where this says no, they may stand out all the same.
 */
export function surelyStandsOut(
  sheet: Sheet,
  page: Page,
  item: WrittenItem,
  { faces, pictures }: Required<Pick<Context, 'faces' | 'pictures'>>,
): boolean {
  if (item.kind !== 'text' || item.fill || item.lettering || item.plate || item.shadow) return false;
  if (page.background !== null && (page.background.kind !== 'solid' || page.background.opacity < 1)) return false;
  const { groups } = find(sheet, item.id)!;
  if ([item, ...groups].some(({ opacity, shadow }) => opacity < 1 || shadow !== null)) return false;
  // Words that don't fit their box may stand on either side of it.
  const beyond = Math.max(0, heightOf(item, sheet, faces) + 2 * item.padding - item.height) + ROOM;
  const reach = grown(boxOn(page, item, pictures), beyond);
  const ground = groundOf(page, item, { pictures }, reach);
  if (ground === null || !encloses(wholePage(page), reach)) return false;
  const role = roleOfItem(sheet, item);
  return item.body.every(({ runs }) =>
    runs.every(({ style }) => contrastOf(fullStyle(role, style).colour, ground) >= ENOUGH),
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
