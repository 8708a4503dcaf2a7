import type { Box } from '../geometry/matrix';
import { scaledItem } from '../items/scale';
import { bodyText } from '../text/body';
import type { Facet } from '../sheet/made';
import { alteredFacets, keysOf, markAfter, partNames, rememberUnaltered } from '../sheet/made';
import type { TextBody, GroupItem, Item, Sheet } from '../schema/sheet';
import { isFramed, isWritten } from '../schema/sheet';
import type { Hand, Made } from './kit/maker';
import type { MakerState } from '../schema/recipes/recipes';

/** Putting what a maker made in the place of what it made before, with all that was done to it by hand. */

/** How far a part has to be from its place to count as moved, in points. */
const MOVED = 0.02;

/** The group's parts by name, for a maker to take in what was done to them by hand. */
export const partsByName = (group: GroupItem): Map<string, Item> =>
  new Map(group.items.flatMap((item) => (item.made ? [[item.made.part, item]] : [])));

const offsetOf = (item: Item): { dx: number; dy: number } => {
  if (!item.made || !isFramed(item) || item.made.at.length < 2) return { dx: 0, dy: 0 };
  const [x, y] = item.made.at;
  const [dx, dy] = [item.x - x, item.y - y];
  return Math.abs(dx) > MOVED || Math.abs(dy) > MOVED ? { dx, dy } : { dx: 0, dy: 0 };
};

/** What was done by hand to the parts of a group, by their names; parts that are as they were made are left out. */
export function handOf(group: GroupItem): Map<string, Hand> {
  const out = new Map<string, Hand>();
  const parts = partsByName(group);
  for (const part of group.maker?.parts ?? []) {
    const item = parts.get(part);
    if (!item) {
      out.set(part, { dx: 0, dy: 0, hidden: false, gone: true });
      continue;
    }
    const offset = offsetOf(item);
    if (offset.dx !== 0 || offset.dy !== 0 || item.hidden)
      out.set(part, { ...offset, hidden: item.hidden, gone: false });
  }
  return out;
}

/** Where the parts of a group stood as they were made. */
export function wasOf(group: GroupItem): Map<string, Box> {
  const out = new Map<string, Box>();
  for (const { made } of group.items) {
    if (!made || made.at.length < 4) continue;
    const [x, y, width, height] = made.at;
    out.set(made.part, { x, y, width, height });
  }
  return out;
}

/** How many parts are no longer as they were made. */
export function alteredCount(group: GroupItem): number {
  const name = partNames(group.items);
  const parts = partsByName(group);
  return (group.maker?.parts ?? []).filter((part) => {
    const item = parts.get(part);
    if (!item?.made) return true;
    const { dx, dy } = offsetOf(item);
    return dx !== 0 || dy !== 0 || item.hidden || alteredFacets(item, item.made, name).size > 0;
  }).length;
}

const isStyled = (body: TextBody) => body.some(({ runs }) => runs.some(({ style }) => Object.keys(style).length > 0));

/** Which changes made by hand to forget: none, moves only, or all. */
export type Forget = 'nothing' | 'places' | 'all';

/**
 * A part as it is made now, with the changes that were made by hand to the earlier one; `altered` says whether there
 * were any.
 */
function carried(
  fresh: Item,
  old: Item | undefined,
  name: (id: string) => string,
  forget: Forget,
  moved: { dx: number; dy: number } | undefined,
): { item: Item; altered: boolean } {
  const { made } = fresh;
  if (!old?.made || !made || old.kind !== fresh.kind || forget === 'all') return { item: fresh, altered: false };
  const values: Record<string, unknown> = { hidden: old.hidden };
  if (isFramed(fresh) && isFramed(old) && forget === 'nothing') {
    const { dx, dy } = moved ?? offsetOf(old);
    values.x = fresh.x + dx;
    values.y = fresh.y + dy;
    const [, , width, height, angle] = old.made.at;
    // The height of a box that grows with its words is not a change by hand.
    const grows = old.kind === 'text' && old.fit === 'grow';
    if (Math.abs(old.width - width) > MOVED) values.width = old.width;
    if (Math.abs(old.height - height) > MOVED && !grows) values.height = old.height;
    if (old.angle !== angle) values.angle = old.angle;
  }
  const was = old.made.print.split('.');
  const is = made.print.split('.');
  const take = (facet: Facet) => {
    for (const key of keysOf(old, facet)) values[key] = old[key];
  };
  const altered = alteredFacets(old, old.made, name);
  for (const facet of altered) {
    if (facet !== 'words') take(facet);
    // Words that the recipe has changed since then are newer than those written by hand; styles stay.
    else if (was[0] === is[0]) take('words');
    // What was typed where there were no words has no style of its own yet.
    else if (isWritten(old) && isWritten(fresh) && bodyText(old.body) === bodyText(fresh.body) && isStyled(old.body))
      take('words');
  }
  return { item: { ...fresh, ...values } as Item, altered: altered.size > 0 };
}

/**
 * The group with its parts made again. Parts keep their identities, so that lines from elsewhere hold on; what was added to
 * the group by hand stays in front. `taken` tells whether an identity is in use elsewhere on the sheet.
 */
export function remade(
  group: GroupItem,
  state: Omit<MakerState, 'parts'>,
  made: Made,
  forget: Forget = 'nothing',
  taken: (id: string) => boolean = () => false,
): GroupItem {
  const old = partsByName(group);
  const name = partNames(group.items);
  const known = new Set(group.maker?.parts ?? []);
  const dropped = (part: string) => forget !== 'all' && known.has(part) && !old.has(part);
  const ids = new Map<string, string>();
  const inUse = new Set(group.items.map(({ id }) => id));
  for (const { id: part } of made.items) {
    const was = old.get(part);
    let id = was?.id ?? `${group.id}-${part}`.slice(-40);
    for (let n = 2; !was && (inUse.has(id) || taken(id)); n++) id = `${group.id}-${part}-${n}`.slice(-40);
    inUse.add(id);
    ids.set(part, id);
  }
  const parts = made.items
    .filter(({ id }) => !dropped(id))
    .map((fresh) => {
      const part = fresh.id;
      // The parts of a group allow what the group allows.
      const touched = group.touch === 'free' ? { ...fresh, touch: 'free' as const } : fresh;
      const marked = { ...touched, made: markAfter(touched, part, old.get(part), name) } as Item;
      const kept = carried(marked, old.get(part), name, forget, made.moved?.get(part));
      const item = { ...inGroup(kept.item, ids), id: ids.get(part)! } as Item;
      if (!kept.altered) rememberUnaltered(item);
      return item;
    });
  const own = group.items.filter((item) => !item.made || !known.has(item.made.part));
  return {
    ...group,
    ...made.size,
    items: [...own, ...parts],
    maker: { ...state, parts: made.items.map(({ id }) => id) } as MakerState,
  };
}

/** The group with the things that were given to its maker behind all else, each filling the box that it was given. */
export function withGiven(group: GroupItem, given: NonNullable<Made['given']>, roles: Sheet['roles']): GroupItem {
  const boxOf = (item: Item) => (item.made ? given[item.made.part] : undefined);
  const placed = group.items.flatMap((item): Item[] => {
    const box = boxOf(item);
    if (!box || !isFramed(item)) return [];
    const same = [item.x - box.x, item.y - box.y, item.width - box.width, item.height - box.height].every(
      (off) => Math.abs(off) <= MOVED,
    );
    return [same ? item : ({ ...scaledItem(item, item, box, { words: 'all', weights: true, roles }), ...box } as Item)];
  });
  return { ...group, items: [...group.items.filter((item) => boxOf(item) === undefined), ...placed] };
}

/** Line ends name parts while they are made, and items of the sheet after. */
function inGroup(item: Item, ids: ReadonlyMap<string, string>): Item {
  if (item.kind !== 'line') return item;
  const end = (e: typeof item.from) => (e.item === null ? e : { ...e, item: ids.get(e.item) ?? e.item });
  return { ...item, from: end(item.from), to: end(item.to) };
}
