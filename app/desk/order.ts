import { hasClosed } from '../../core/handout/times';
import type { Progress } from '../../server/stores/handouts';
import type { ListedSheet } from '../../server/stores/sheets';

/** In which order the Desk shows handouts and sheets. */

const DAY = 86_400_000;
/** A handout that is so long past its due time, with nothing to read, is over. */
const OVER_AFTER = 14 * DAY;

type Times = Pick<Progress, 'dueAt' | 'closesAt' | 'createdAt' | 'counts' | 'waitingFirst'>;

const unfinished = ({ counts }: Times) => counts['not-begun'] + counts['under-way'] + counts['another-go'];

/** Past its due time, and still accepted. */
export const isLate = (times: Pick<Times, 'dueAt' | 'closesAt'>, now: number) =>
  times.dueAt !== null && +times.dueAt < now && !hasClosed(times.closesAt, now);

/** Whether a teacher need no longer think of it. */
export const isOver = (handout: Times, now: number): boolean =>
  handout.waitingFirst === null &&
  (hasClosed(handout.closesAt, now) ||
    (unfinished(handout) === 0
      ? handout.counts.done > 0
      : handout.dueAt !== null && +handout.dueAt < now - OVER_AFTER));

/** Put away by its teacher; what waits to be read brings it back. */
export const isAway = ({ putAwayAt, waitingFirst }: Pick<Progress, 'putAwayAt' | 'waitingFirst'>): boolean =>
  putAwayAt !== null && waitingFirst === null;

/** Late ones first, then those with something to read, each from the oldest; then what is due next. */
export function inTurn<T extends Times>(handouts: readonly T[], now: number): T[] {
  const late = (one: T) => Number(isLate(one, now));
  const waits = (one: T) => Number(one.waitingFirst !== null);
  const since = (one: T) => +(one.waitingFirst?.since ?? one.dueAt ?? Infinity);
  return [...handouts].sort(
    (a, b) =>
      late(b) - late(a) ||
      waits(b) - waits(a) ||
      // Two without any time: the newest first.
      (since(a) === since(b) ? +b.createdAt - +a.createdAt : since(a) - since(b)),
  );
}

export const SORTS = ['changed', 'name', 'begun'] as const;
export type Sort = (typeof SORTS)[number];

type Listed = Pick<ListedSheet, 'title' | 'changedAt' | 'createdAt'>;
const byName = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
const ORDERS: Record<Sort, (a: Listed, b: Listed) => number> = {
  changed: (a, b) => +b.changedAt - +a.changedAt,
  name: (a, b) => byName.compare(a.title, b.title),
  begun: (a, b) => +b.createdAt - +a.createdAt,
};
export const sorted = <T extends Listed>(sheets: readonly T[], sort: Sort): T[] => [...sheets].sort(ORDERS[sort]);
