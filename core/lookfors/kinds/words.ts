import { bodyText } from '../../sheet/body';
import type { Sheet, WrittenItem } from '../../sheet/schema';
import { isWritten } from '../../sheet/schema';
import { everyItem, find } from '../../sheet/tree';
import type { Context, Counted, LookForOf } from '../lookfor';

export const wordsIn = (text: string): string[] => text.match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu) ?? [];

/** At least so many words in one box, or in all that the student may write in. */
export function countWords(lookFor: LookForOf<'words'>, sheet: Sheet, context: Context): Counted {
  const written: WrittenItem[] = [];
  if (lookFor.item !== null) {
    const item = find(sheet, lookFor.item)?.item;
    if (item && isWritten(item)) written.push(item);
  } else for (const item of everyItem(sheet)) if (isWritten(item) && item.touch !== 'fixed') written.push(item);
  const counts = written.map((item) => {
    const given = find(context.handedOut, item.id)?.item;
    const text = bodyText(item.body);
    // Words that were already there, untouched, are not the student's.
    const untouched = given && isWritten(given) && bodyText(given.body) === text;
    return { id: item.id, text, count: untouched ? 0 : wordsIn(text).length };
  });
  const got = counts.reduce((sum, { count }) => sum + count, 0);
  return {
    got,
    need: lookFor.min,
    evidence: counts
      .filter(({ count }) => count > 0 || lookFor.item !== null)
      .map(({ id, text, count }) => ({
        items: [id],
        verdict: count === 0 ? 'empty' : got >= lookFor.min ? 'right' : 'near',
        said: text,
        meant: '',
      })),
  };
}
