import { bodyText } from '../../sheet/body';
import type { Sheet } from '../../sheet/schema';
import { isWritten } from '../../sheet/schema';
import { everyItem, find } from '../../sheet/tree';
import type { Context, Counted, LookForOf } from '../lookfor';
import { normalised } from '../spelling';

/** The student's own name stands on the sheet: the first name or more, on the name line or wherever they may write. */
export function countName(lookFor: LookForOf<'name'>, sheet: Sheet, context: Context): Counted {
  const first = normalised(context.studentName).split(' ')[0];
  const named = lookFor.item === null ? undefined : find(sheet, lookFor.item)?.item;
  const places = named ? [named] : [...everyItem(sheet)].filter((item) => item.touch !== 'fixed');
  for (const item of places) {
    if (!isWritten(item)) continue;
    const said = bodyText(item.body).trim();
    if (first && normalised(said).split(' ').includes(first))
      return { got: 1, need: 1, evidence: [{ items: [item.id], verdict: 'right', said, meant: context.studentName }] };
  }
  const said = named && isWritten(named) ? bodyText(named.body).trim() : '';
  return {
    got: 0,
    need: 1,
    evidence: [{ items: named ? [named.id] : [], verdict: said ? 'wrong' : 'empty', said, meant: context.studentName }],
  };
}
