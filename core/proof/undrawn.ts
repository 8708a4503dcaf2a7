import { rightMiddle } from '../geometry/box';
import type { Pictures } from '../pictures/picture';
import { boxOf } from '../items/hit';
import type { Point } from '../geometry/matrix';
import type { Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import type { Faces } from '../text/faces';
import { undrawn } from '../text/stand-in';
import { fullStyle, roleOfItem } from '../text/style';

/** Characters that no shipped face has: they stand as boxes, on screen and in print, and that is said. */

export type Undrawn = { item: string; signs: string[]; at: Point };
/** More of them are not listed. */
const LISTED = 12;

export function undrawnOn(
  sheet: Sheet,
  page: Page,
  { faces, pictures }: { faces: Faces; pictures: Pictures },
): Undrawn[] {
  const out: Undrawn[] = [];
  for (const item of everyItem(page)) {
    if (!isWritten(item) || item.hidden) continue;
    const role = roleOfItem(sheet, item);
    const signs = new Set(
      item.body.flatMap(({ runs }) => runs.flatMap((run) => undrawn(run.text, fullStyle(role, run.style), faces))),
    );
    if (signs.size === 0) continue;
    out.push({
      item: item.id,
      signs: [...signs].slice(0, LISTED),
      at: rightMiddle(boxOf(page, item, pictures)),
    });
  }
  return out;
}
