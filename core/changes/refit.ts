import type { Change } from './change';
import type { Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import type { Faces } from '../text/faces';
import { grownHeight } from '../text/fit';
import { roleOf } from '../text/style';

/**
 * The changes of height that boxes need after their roles were restyled: those that grow with their words are as high as
 * these need; a box that was just as high as its words gets lower with them again.
 */
export function refitted(before: Sheet, after: Sheet, faces: Faces): Change[] {
  const old = new Map(everyItem(before).map((item) => [item.id, item]));
  return everyItem(after).flatMap((item): Change[] => {
    const was = old.get(item.id);
    if (item.kind !== 'text' || item.fit !== 'grow' || was?.kind !== 'text') return [];
    const need = grownHeight(item.body, roleOf(after, item.role), item, faces);
    const tight = Math.abs(was.height - grownHeight(was.body, roleOf(before, was.role), was, faces)) < 0.6;
    const wrong = need > item.height + 0.01 || (tight && need < item.height - 0.01);
    return wrong ? [{ kind: 'set', id: item.id, values: { height: Math.round(need * 100) / 100 } }] : [];
  });
}
