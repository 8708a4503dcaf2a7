import type { Ruling, Saying, Spot } from '../../core/review/said';

/** A teacher's note, not on any item unless told otherwise. */
export const saidNote = (note: string, over: Partial<Spot & { body: string }> = {}): Saying => ({
  do: 'note',
  note,
  page: 'p1',
  item: null,
  x: 1,
  y: 1,
  body: 'look',
  ...over,
});

/** A teacher's ruling, on all of a look-for unless the item of one of its answers is named. */
export const ruling = (lookForId: string, held: boolean, itemId: string | null = null, reason = ''): Ruling => ({
  lookForId,
  itemId,
  held,
  reason,
});
