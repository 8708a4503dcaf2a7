import { bodyText } from '../../sheet/body';
import { isWritten } from '../../sheet/schema';
import type { Sheet } from '../../sheet/schema';
import { everyItem, find } from '../../sheet/tree';
import type { Context, Counted, LookForOf } from '../lookfor';

/** At least so many things of a kind, besides those that were handed out. */
export function countItems(lookFor: LookForOf<'items'>, sheet: Sheet, context: Context): Counted {
  const added = [...everyItem(sheet)].filter(
    (item) => item.kind === lookFor.item && !item.hidden && !find(context.handedOut, item.id),
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
