import equal from 'fast-deep-equal';
import { Recent } from '../values/recent';
import type { GroupItem, Item } from '../schema/sheet';
import type { Remake } from './all';
import { remake } from './all';
import type { Kit } from './kit/maker';

/**
 * The parts of a made group against those that it had before: between a page and its worker only what is different has to
 * go, and what is not stays the very same thing, so that it need not be drawn anew.
 */

/** Each part: where an equal one stood before, or itself. */
export type PartList = (number | Item)[];

export function packedParts(parts: readonly Item[], before: readonly Item[]): PartList {
  const places = new Map(before.map(({ id }, i) => [id, i]));
  return parts.map((part) => {
    const at = places.get(part.id);
    return at !== undefined && equal(part, before[at]) ? at : part;
  });
}

export const unpackedParts = (list: PartList, before: readonly Item[]): Item[] =>
  list.map((part) => (typeof part === 'number' ? before[part] : part));

/** Whether two lists hold equal parts in the same order. */
export const sameParts = (a: readonly Item[], b: readonly Item[]): boolean =>
  a.length === b.length && a.every((part, i) => part === b[i] || equal(part, b[i]));

/** What a worker tells: the group without its parts, those against the ones it was asked with; or that it has lost those. */
export type MadeAnswer = { lost: true } | { lost: false; group: GroupItem; parts: PartList; notes: string[] };

/** Makes groups, and remembers their parts for when it is asked to go on from them. */
export class Remaker {
  private given = new Recent<number, readonly Item[]>(12);

  /**
   * @param id names this answer
   * @param base the answer whose parts the group has: then it is asked without them
   */
  async make(id: number, asked: Remake, base: number | undefined, kit: Kit): Promise<MadeAnswer> {
    const before = base === undefined ? asked.group.items : this.given.get(base);
    if (!before) return { lost: true };
    const { group, notes } = await remake({ ...asked, group: { ...asked.group, items: [...before] } }, kit);
    this.given.set(id, group.items);
    return { lost: false, group: { ...group, items: [] }, parts: packedParts(group.items, before), notes };
  }
}
