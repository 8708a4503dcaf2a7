import { keyOf } from '../handout/copy';
import type { Sheet } from '../sheet/schema';
import { everyItem } from '../sheet/tree';
import { mapKey } from './kinds/map';
import type { LookFor } from './lookfor';

/**
 * Look-fors with their keys as the sheet has them now: it may have been changed since they were chosen. What a teacher added
 * to the key stays; one whose diagram or map is gone from the sheet goes, too.
 */
export const rekeyed = (lookFors: readonly LookFor[], sheet: Sheet): LookFor[] =>
  lookFors.flatMap((lookFor): LookFor[] => {
    if (lookFor.kind === 'labels') {
      const now = keyOf(sheet).find(({ picture }) => picture === lookFor.picture);
      return now ? [{ ...lookFor, expect: now.expect }] : [];
    }
    if (lookFor.kind !== 'map') return [lookFor];
    const key = firstMapKey(sheet);
    if (!key) return [];
    const before = new Map(lookFor.concepts.map(({ id, words }) => [id, words]));
    const concepts = key.concepts.map(({ id, words }) => ({
      id,
      words: [...words, ...(before.get(id)?.slice(1) ?? [])],
    }));
    return [{ ...lookFor, concepts, links: key.links }];
  });

/** The key of the first map on a sheet; null where there is none, or nothing in it. */
export function firstMapKey(sheet: Sheet): ReturnType<typeof mapKey> | null {
  for (const item of everyItem(sheet))
    if (item.kind === 'group' && item.maker?.kind === 'map') {
      const key = mapKey(item.maker.recipe);
      return key.concepts.length > 0 ? key : null;
    }
  return null;
}
