import { bodyText, isEmpty } from '../../sheet/body';
import type { Sheet, WrittenItem } from '../../sheet/schema';
import { isWritten } from '../../sheet/schema';
import { everyItem } from '../../sheet/tree';
import { fullStyle, roleOf } from '../../text/style';
import type { Counted, LookForOf } from '../lookfor';

/** Every text of a role that the student wrote has the given style throughout; at least one must be there. */
export function countStyle(lookFor: LookForOf<'style'>, sheet: Sheet): Counted {
  const role = roleOf(sheet, lookFor.role);
  const asked = (item: WrittenItem) =>
    item.body.every((p) =>
      p.runs.every((run) => {
        if (run.text.trim() === '') return true;
        const style = fullStyle(role, run.style);
        return (
          (lookFor.bold === null || style.bold === lookFor.bold) &&
          (lookFor.italic === null || style.italic === lookFor.italic) &&
          (lookFor.colour === null || style.colour === lookFor.colour)
        );
      }),
    );
  const written: WrittenItem[] = [];
  for (const item of everyItem(sheet))
    if (isWritten(item) && item.role === lookFor.role && item.touch !== 'fixed' && !isEmpty(item.body))
      written.push(item);
  const evidence = written.map((item) => ({
    items: [item.id],
    verdict: asked(item) ? ('right' as const) : ('wrong' as const),
    said: bodyText(item.body),
    meant: '',
  }));
  return { got: evidence.filter((e) => e.verdict === 'right').length, need: Math.max(1, evidence.length), evidence };
}
