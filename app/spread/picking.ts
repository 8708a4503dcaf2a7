import type { Box } from '../../core/geometry/matrix';
import type { CopyState } from '../../core/handout/state';
import { isReturned } from '../../core/handout/state';
import type { Card } from './piece-card';

/** Which pieces of a spread are shown, and in which order. */

/** What a bar of the class margin stands for. */
export type Bar = {
  words: string;
  has: (card: Card) => boolean;
  /** What its pieces have in common, to be framed on each by its id. */
  spots?: ReadonlyMap<string, readonly Box[]>;
};
export const barOf = {
  missed: (label: string): Bar => ({ words: label, has: ({ missed }) => missed.includes(label) }),
  held: (count: number, of: number): Bar => ({
    words: `${count} of ${of} look-fors met`,
    has: (card) => card.held === count && isIn(card),
  }),
  level: (row: { id: string; name: string }, level: number, points: number): Bar => ({
    words: `${row.name}: ${points}`,
    has: ({ levels }) => levels[row.id] === level,
  }),
  go: (number: number): Bar => ({ words: `go ${number}`, has: ({ go }) => go === number }),
  these: (words: string, pieces: readonly Pick<Card, 'id'>[]): Bar => {
    const ids = new Set(pieces.map(({ id }) => id));
    return { words, has: ({ id }) => ids.has(id) };
  },
  apart: {
    words: 'judged differently by its two readers',
    has: ({ second }: Card) => (second?.apart ?? 0) > 0,
  } satisfies Bar,
  finished: { words: 'read twice', has: ({ second }: Card) => second?.done === true } satisfies Bar,
  late: { words: 'came late', has: ({ late }: Card) => late } satisfies Bar,
  overdue: { words: 'overdue', has: ({ overdue }: Card) => overdue } satisfies Bar,
};

/** Whether a bar is the chosen one, and what a press on it does: pressed again, it shows all pieces again. */
export function switchOf(one: Bar, bar: Bar | null, onBar: (bar: Bar | null) => void) {
  const chosen = bar?.words === one.words;
  return { chosen, choose: () => onBar(chosen ? null : one) };
}

/** It was handed in at least once. */
export const isIn = ({ state }: Card): boolean => state === 'handed-in' || isReturned(state);

export const ORDER = [
  'handed-in',
  'another-go',
  'under-way',
  'not-begun',
  'done',
] as const satisfies readonly CopyState[];
export type Sort = 'state' | 'oldest' | 'fewest' | 'points' | 'version' | 'name';

export const byName = (a: Card, b: Card) => a.studentName.localeCompare(b.studentName);
const ratio = ({ points }: Card) => (points && points.of > 0 ? points.got / points.of : 2);
export const SORTS: Record<Sort, { words: string; by: (a: Card, b: Card) => number }> = {
  state: { words: 'What waits', by: (a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || byName(a, b) },
  oldest: {
    words: 'Handed in first',
    by: (a, b) => +(a.handedInAt ?? Infinity) - +(b.handedInAt ?? Infinity) || byName(a, b),
  },
  fewest: { words: 'Fewest look-fors', by: (a, b) => (a.held ?? 99) - (b.held ?? 99) || byName(a, b) },
  points: { words: 'Fewest points', by: (a, b) => ratio(a) - ratio(b) || byName(a, b) },
  version: { words: 'By version', by: (a, b) => a.version - b.version || byName(a, b) },
  name: { words: 'By name', by: byName },
};

/** Those that are chosen, with these among them or not. */
export const withChosen = (chosen: ReadonlySet<string>, ids: readonly string[], to: boolean): ReadonlySet<string> =>
  new Set(to ? [...chosen, ...ids] : [...chosen].filter((id) => !ids.includes(id)));
