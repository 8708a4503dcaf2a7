import { bodyText } from '../../sheet/body';
import { isWritten } from '../../sheet/schema';
import type { Sheet } from '../../sheet/schema';
import { everyItem, find } from '../../sheet/tree';
import type { Context, Counted, LookForOf } from '../lookfor';
import { isSeen } from '../seen';

/** At least so many things of a kind that can be seen, besides those that were handed out. */
export function countItems(lookFor: LookForOf<'items'>, sheet: Sheet, context: Context): Counted {
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
