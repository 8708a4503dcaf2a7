/** What a teacher ruled: on a look-for as a whole, or on the one of its answers that stands in an item. */
export type Ruled = readonly { lookForId: string; itemId: string | null; held: boolean }[];

/** The ruling on a look-for as a whole, or on the answer in one item. */
export const rulingOn = <R extends Ruled[number]>(
  rulings: readonly R[],
  lookFor: string,
  item: string | null = null,
): R | undefined => rulings.find(({ lookForId, itemId }) => lookForId === lookFor && itemId === item);
