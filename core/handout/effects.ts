import type { Times } from './times';
import { hasOpened, isClosed, isHeldBack, isLate } from './times';
import type { CopyState, Outcome } from './state';

/** What changing a handout alters for those who have it. */

type Copy = {
  state: CopyState;
  /** When the first of its goes was handed in. */
  firstHandedInAt: Date | null;
  extendedTo: Date | null;
  heldFor?: Outcome | null;
};
type Ends = Pick<Times, 'dueAt' | 'closesAt'> & { opensAt?: Date | null; returnsAt?: Date | null };
export type Effects = {
  /** Pieces that were late and no longer are, and the other way round. */
  forgiven: number;
  late: number;
  /** Students who have not handed in and no longer can, and who could not and now can. */
  shut: number;
  opened: number;
  /** Students who see it now and no longer will, of whom some have begun, and who see it sooner. */
  hidden: number;
  hiddenBegun: number;
  shown: number;
  /** Pieces that were held back and come back at once. */
  released: number;
};

const waits = ({ state }: Copy) => state === 'not-begun' || state === 'under-way';

/** @param now milliseconds since 1970 */
export function effectsOf(copies: readonly Copy[], before: Ends, after: Ends, now: number): Effects {
  const cameLate = (copy: Copy, { dueAt }: Ends) => isLate(copy, dueAt);
  const isShut = (copy: Copy, { closesAt }: Ends) =>
    waits(copy) && isClosed({ closesAt, extendedTo: copy.extendedTo, returnedAt: null }, now);
  const turned = (is: (copy: Copy, ends: Ends) => boolean, from: Ends, to: Ends) =>
    copies.filter((copy) => !is(copy, from) && is(copy, to)).length;
  const [wasOpen, isOpen] = [before, after].map(({ opensAt }) => hasOpened(opensAt ?? null, now));
  const hides = wasOpen && !isOpen;
  return {
    hidden: hides ? copies.length : 0,
    hiddenBegun: hides ? copies.filter(({ state }) => state !== 'not-begun').length : 0,
    shown: !wasOpen && isOpen ? copies.length : 0,
    released: isHeldBack(after.returnsAt ?? null, now) ? 0 : copies.filter(({ heldFor }) => Boolean(heldFor)).length,
    forgiven: turned(cameLate, after, before),
    late: turned(cameLate, before, after),
    shut: turned(isShut, before, after),
    opened: turned(isShut, after, before),
  };
}

const counted = (n: number, one: string, many: string) => (n === 1 ? one : `${n} ${many}`);

/** The same in sentences. Empty where nothing is altered. */
export function effectWords({ forgiven, late, shut, opened, hidden, hiddenBegun, shown, released }: Effects): string[] {
  return [
    hidden > 0 &&
      `${counted(hidden, 'One student', 'students')} won’t see it until it opens${hiddenBegun > 0 ? `, though ${hiddenBegun === 1 ? 'one has' : `${hiddenBegun} have`} begun` : ''}.`,
    shown > 0 && `${counted(shown, 'One student sees', 'students see')} it at once.`,
    forgiven > 0 && `${counted(forgiven, 'One piece that was', 'pieces that were')} late will count as in time.`,
    late > 0 && `${counted(late, 'One piece that was', 'pieces that were')} in time will count as late.`,
    shut > 0 && `${counted(shut, 'One student who has', 'students who have')} not handed in no longer can.`,
    released > 0 && `${counted(released, 'One piece that was', 'pieces that were')} held back will go back at once.`,
    opened > 0 && `${counted(opened, 'One student', 'students')} can hand in again.`,
  ].filter((words) => words !== false);
}
