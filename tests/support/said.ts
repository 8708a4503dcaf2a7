import type { Saying, Spot } from '../../core/review/said';

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
