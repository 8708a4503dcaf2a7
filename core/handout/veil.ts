import { partOf, spotCode } from '../pictures/picture';
import type { Pictures } from '../pictures/picture';
import type { Change } from '../changes/change';
import { withItems } from '../changes/change';
import type { End, Item, Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';

/**
 * The part a leader line ends on is often the answer: students get its position instead of its name. The same part always has
 * the same position, so that lines of students and teacher can be compared.
 */

/** Which picture an item shows. */
type Shown = (id: string) => string | undefined;

/** A target as its position. Null for a part that does not exist. */
function veiledTarget(item: string | null, target: string | null, shown: Shown, pictures: Pictures): string | null {
  if (item === null || target === null || target.startsWith('@')) return target;
  const id = shown(item);
  const picture = id === undefined ? undefined : pictures(id);
  const part = partOf(picture, target);
  return picture && part ? spotCode(picture, part) : null;
}

function veiledItem(item: Item, shown: Shown, pictures: Pictures): Item {
  if (item.kind === 'group') {
    const items = item.items.map((inner) => veiledItem(inner, shown, pictures));
    return items.some((inner, i) => inner !== item.items[i]) ? { ...item, items } : item;
  }
  if (item.kind !== 'line') return item;
  const veil = (end: End): End => {
    const target = veiledTarget(end.item, end.target, shown, pictures);
    return target === end.target ? end : { ...end, target };
  };
  const [from, to] = [veil(item.from), veil(item.to)];
  return from === item.from && to === item.to ? item : { ...item, from, to };
}

const shownOn =
  (sheet: Sheet): Shown =>
  (id) => {
    const item = find(sheet, id)?.item;
    return item?.kind === 'picture' ? item.picture : undefined;
  };

/** A sheet as students see it: without the names of picture parts. */
export function veiled(sheet: Sheet, pictures: Pictures): Sheet {
  const shown = shownOn(sheet);
  return {
    ...sheet,
    pages: sheet.pages.map((page) => ({
      ...page,
      items: page.items.map((item) => veiledItem(item, shown, pictures)),
    })),
  };
}

/** A logged change as students see it. */
export function veiledChange(sheet: Sheet, change: Change, pictures: Pictures): Change {
  const shown = shownOn(sheet);
  if (change.kind === 'all')
    return { ...change, changes: change.changes.map((part) => veiledChange(sheet, part, pictures)) };
  if (change.kind !== 'set') return withItems(change, (item) => veiledItem(item, shown, pictures));
  const values = { ...change.values };
  for (const key of ['from', 'to']) {
    const end = values[key] as End | undefined;
    if (end && typeof end === 'object')
      values[key] = { ...end, target: veiledTarget(end.item, end.target, shown, pictures) };
  }
  return { ...change, values };
}

/** A target in comparable form: its position, however it was given. */
export const targetSpot = (sheet: Sheet, item: string, target: string, pictures: Pictures | undefined): string =>
  (pictures && veiledTarget(item, target, shownOn(sheet), pictures)) ?? target;
