import { kindOf } from '../../core/items/all';
import { lookOf, withLook } from '../../core/items/look';
import type { Item, TextItem } from '../../core/schema/sheet';
import { roleOf } from '../../core/text/style';
import { itemChanges } from './arrange';
import type { Bench } from '../document/bench';
import { all, movable } from './steps';
import { fitted } from './word-commands';

/** Looks: copied from one thing to others, and things chosen by how they look. */

const GIVEN = 'Apply look';

export function copyLook(bench: Bench): void {
  const item = bench.chosen ?? bench.selectedItems[0];
  if (!item) return;
  bench.put({ copiedLook: lookOf(item) });
  bench.say(
    'Look copied. Select other things and press Ctrl+Alt+V to apply it.',
    ({ history }) => history.past.at(-1)?.name === GIVEN,
  );
}

export function giveLook(bench: Bench): void {
  const look = bench.copiedLook;
  if (!look)
    return bench.say(
      'Copy a look first: select a thing and press Ctrl+Alt+C.',
      ({ copiedLook }) => copiedLook !== null,
    );
  const items = movable(bench);
  const changes = items.flatMap((item) => {
    const next = withLook(item, look);
    return [...itemChanges(item, next), ...(item.kind === 'text' ? fitted(bench, item, next as TextItem) : [])];
  });
  if (changes.length > 0) bench.make(GIVEN, all(changes));
}

export type Alike = 'kind' | 'colour' | 'role';

const colourOf = (bench: Bench, item: Item): string | null =>
  kindOf(item).seenIn?.(item, (role) => roleOf(bench.sheet, role)) ?? null;

/** Chooses everything on the page that is like what is chosen. */
export function chooseAlike(bench: Bench, by: Alike): void {
  const model = bench.chosen ?? bench.selectedItems[0];
  if (!model) return;
  const same: Record<Alike, (item: Item) => boolean> = {
    kind: (item) =>
      item.kind === model.kind && (item.kind !== 'shape' || model.kind !== 'shape' || item.shape === model.shape),
    colour: (item) => colourOf(bench, item) !== null && colourOf(bench, item) === colourOf(bench, model),
    role: (item) => item.role !== null && item.role === model.role,
  };
  const ids = (bench.enteredGroup ?? bench.page).items
    .filter(
      (item) =>
        !item.hidden && !item.locked && (bench.rights.kind === 'all' || item.touch === 'free') && same[by](item),
    )
    .map((item) => item.id);
  if (ids.length > 0) bench.select(ids);
}
