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

/** A stamp at a place where nothing stands. */
export const stampSaid = (ink: string, x = 5, y = 6): Extract<Saying, { do: 'draw' }> => ({
  do: 'draw',
  ink,
  page: 'p1',
  item: null,
  x,
  y,
  mark: { kind: 'stamp', stamp: 'star', x, y },
});

/** A teacher's ruling, on all of a look-for unless the item of one of its answers is named. */
export const ruling = (lookForId: string, held: boolean, itemId: string | null = null, reason = ''): Ruling => ({
  lookForId,
  itemId,
  held,
  reason,
});
