import equal from 'fast-deep-equal';
import type { Item } from '../schema/sheet';

/**
 * The parts of a made group compared with those before. Only what differs has to go between a page and its worker, and
 * what is the same stays the very same object, so that it need not be drawn again.
 */

/** Each part, or the place of an equal one before. */
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
