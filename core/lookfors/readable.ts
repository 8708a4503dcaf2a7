import { z } from 'zod';
import { overlapArea } from '../geometry/box';
import { unreadable } from '../proof/readable';
import { printedSize } from '../proof/small';
import type { Page, Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { bodyText, isEmpty } from '../text/body';
import { cutTo } from '../values/characters';
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

function countReadable({ least, standsOut }: ReadableLookFor, sheet: Sheet, context: Context): Counted | null {
  const { faces, pictures } = context;
  if (!faces || !pictures) return null;
  const evidence: Evidence[] = [];
  for (const page of sheet.pages) {
    const texts = textsOn(sheet, page, context);
    if (texts.length === 0) continue;
    if (standsOut && texts.some((item) => isOverUnknown(sheet, item, context))) return null;
    const ids = texts.map(({ id }) => id);
    const pale = new Map(
      standsOut ? unreadable(sheet, page, { faces, pictures }, ids).map((found) => [found.item, found]) : [],
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
