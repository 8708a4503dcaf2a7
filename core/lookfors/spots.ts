import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import type { Pictures } from '../pictures/picture';
import type { Page } from '../schema/sheet';
import { findOn } from '../sheet/tree';
import type { Counted } from './kind';

/** The boxes on a page, in points, of what a count rests on; of hidden and missing items there are none. */
export function evidenceOn(page: Page, evidence: Counted['evidence'], pictures: Pictures): Box[] {
  const ids = new Set(evidence.flatMap(({ items }) => items));
  return [...ids].flatMap((id) => {
    const item = findOn(page, id)?.item;
    return item && !item.hidden ? [boxOf(page, item, pictures)] : [];
  });
}

/** What a count still misses, else all that it rests on. */
export function openSpots(page: Page, { evidence }: Pick<Counted, 'evidence'>, pictures: Pictures): Box[] {
  const open = evidence.filter(({ verdict }) => !['right', 'near', 'extra'].includes(verdict));
  return evidenceOn(page, open.length > 0 ? open : evidence, pictures);
}
