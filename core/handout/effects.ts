import type { Times } from './times';
import { isClosed, isLate } from './times';
import type { CopyState } from './state';

/** What changing a handout alters for those who have it. */

type Copy = {
  state: CopyState;
  /** When the first of its goes was handed in. */
  firstHandedInAt: Date | null;
  extendedTo: Date | null;
};
type Ends = Pick<Times, 'dueAt' | 'closesAt'>;
export type Effects = {
  /** Pieces that were late and no longer are, and the other way round. */
  forgiven: number;
  late: number;
  /** Students who have not handed in and no longer can, and who could not and now can. */
  shut: number;
  opened: number;
};

const waits = ({ state }: Copy) => state === 'not-begun' || state === 'under-way';

/** @param now milliseconds since 1970 */
export function effectsOf(copies: readonly Copy[], before: Ends, after: Ends, now: number): Effects {
  const cameLate = (copy: Copy, { dueAt }: Ends) => isLate(copy, dueAt);
  const isShut = (copy: Copy, { closesAt }: Ends) =>
    waits(copy) && isClosed({ closesAt, extendedTo: copy.extendedTo, returnedAt: null }, now);
  const turned = (is: (copy: Copy, ends: Ends) => boolean, from: Ends, to: Ends) =>
    copies.filter((copy) => !is(copy, from) && is(copy, to)).length;
  return {
    forgiven: turned(cameLate, after, before),
    late: turned(cameLate, before, after),
    shut: turned(isShut, before, after),
    opened: turned(isShut, after, before),
  };
}

const counted = (n: number, one: string, many: string) => (n === 1 ? one : `${n} ${many}`);

/** The same in sentences. Empty where nothing is altered. */
export function effectWords({ forgiven, late, shut, opened }: Effects): string[] {
  return [
    forgiven > 0 && `${counted(forgiven, 'One piece that was', 'pieces that were')} late will count as in time.`,
    late > 0 && `${counted(late, 'One piece that was', 'pieces that were')} in time will count as late.`,
    shut > 0 && `${counted(shut, 'One student who has', 'students who have')} not handed in no longer can.`,
    opened > 0 && `${counted(opened, 'One student', 'students')} can hand in again.`,
  ].filter((words) => words !== false);
}
