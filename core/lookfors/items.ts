import { bodyText } from '../text/body';
import { isWritten } from '../schema/sheet';
import type { Sheet } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { z } from 'zod';
import type { Context, Counted, LookForKind } from './kind';
import { atLeast, base } from './kind';
import { isSeen } from './seen';

const ItemsLookFor = z.strictObject({
  kind: z.literal('items'),
  ...base,
  item: z.enum(['text', 'shape', 'line', 'picture']),
  min: atLeast,
});
export type ItemsLookFor = z.infer<typeof ItemsLookFor>;

/** At least n visible items of a kind, besides those that were handed out. */
function countItems(lookFor: ItemsLookFor, sheet: Sheet, context: Context): Counted {
  const added = [...everyItem(sheet)].filter(
    (item) =>
      item.kind === lookFor.item && !find(context.handedOut, item.id) && isSeen(sheet, item.id, context.pictures),
  );
  return {
    got: added.length,
    need: lookFor.min,
    evidence: added.map((item) => ({
      items: [item.id],
      verdict: 'right',
      said: isWritten(item) ? bodyText(item.body) : '',
      meant: '',
    })),
  };
}

export const ITEMS: LookForKind<ItemsLookFor> = {
  schema: ItemsLookFor,
  kind: 'items',
  name: 'a number of things',
  unit: ({ item }) => [item, `${item}s`],
  begin: () => ({ settings: { title: 'At least three pictures', tell: 'result', item: 'picture', min: 3 } }),
  count: countItems,
  sources: (_, sheet) => sheet.pages,
};
