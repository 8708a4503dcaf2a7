/** Until when a student may work on a copy and hand it in. */

export type Times = {
  /** When the handout is due. */
  dueAt: Date | null;
  /** From when on nothing is accepted any more; null while it is. */
  closesAt: Date | null;
  /** More time that this student was given: the due time of this one copy. */
  extendedTo: Date | null;
  /** When the copy came back for another go, the last time. */
  returnedAt: Date | null;
};

const later = (a: Date | null, b: Date): Date => (a && +a > +b ? a : b);

/** When this copy is due: an extension is never earlier than the handout's own due time. */
export const dueOf = ({ dueAt, extendedTo }: Pick<Times, 'dueAt' | 'extendedTo'>): Date | null =>
  extendedTo && dueAt ? later(dueAt, extendedTo) : (extendedTo ?? dueAt);

/**
 * From when on this copy is no longer accepted. An extension keeps it open at least until then. What a teacher returns for
 * another go after the handout has closed is open again, without an end.
 */
export function closesOf({ closesAt, extendedTo, returnedAt }: Omit<Times, 'dueAt'>): Date | null {
  if (closesAt === null || (returnedAt && +returnedAt >= +closesAt)) return null;
  return later(extendedTo, closesAt);
}

/** Whether a piece came late. Whoever was on time once is not late with another go. */
export function isLate(
  { firstHandedInAt, extendedTo }: { firstHandedInAt: Date | null; extendedTo: Date | null },
  dueAt: Date | null,
): boolean {
  const due = dueOf({ dueAt, extendedTo });
  return firstHandedInAt !== null && due !== null && +firstHandedInAt > +due;
}

const DAY = 24 * 3600_000;
/** By how many days a piece was late: a day that has begun counts as a whole one; 0 where it was in time. */
export function daysLate(copy: { firstHandedInAt: Date | null; extendedTo: Date | null }, dueAt: Date | null): number {
  if (!isLate(copy, dueAt)) return 0;
  return Math.ceil((+copy.firstHandedInAt! - +dueOf({ dueAt, extendedTo: copy.extendedTo })!) / DAY);
}

/** When a copy came the first time, by its goes in their order, for what asks whether it was late. */
export const cameFirst = (
  { extendedTo }: { extendedTo: Date | null },
  goes: readonly { handedInAt: Date }[],
): { firstHandedInAt: Date | null; extendedTo: Date | null } => ({
  firstHandedInAt: goes.at(0)?.handedInAt ?? null,
  extendedTo,
});

/** Whether a piece is still awaited although it was due. Another go has no time of its own. */
export function isOverdue(
  { firstHandedInAt, extendedTo }: { firstHandedInAt: Date | null; extendedTo: Date | null },
  dueAt: Date | null,
  now: number,
): boolean {
  const due = dueOf({ dueAt, extendedTo });
  return firstHandedInAt === null && due !== null && +due <= now;
}

/** Whether a time to close has come. */
export const hasClosed = (closes: Date | null, now: number): boolean => closes !== null && +closes <= now;

export const isClosed = (times: Omit<Times, 'dueAt'>, now: number): boolean => hasClosed(closesOf(times), now);

type Span = { opensAt: Date | null; dueAt: Date | null; closesAt: Date | null };

/** Why times don't fit together, as a sentence, and which of them is to be changed. Null where they do. */
export function badTimes({ opensAt, dueAt, closesAt }: Span): { problem: string; field: keyof Span } | null {
  if (opensAt && dueAt && +dueAt <= +opensAt)
    return {
      problem: 'It would be due before it opens. Choose an earlier time to open, or a later one to be due.',
      field: 'opensAt',
    };
  if (opensAt && closesAt && +closesAt <= +opensAt)
    return {
      problem: 'It would close before it opens. Choose an earlier time to open, or a later one to close.',
      field: 'opensAt',
    };
  if (dueAt && closesAt && +closesAt < +dueAt)
    return {
      problem: 'It would close before it is due. Choose a later time to close, or an earlier one to be due.',
      field: 'closesAt',
    };
  return null;
}

/** Whether what is returned now goes back later. */
export const isHeldBack = (returnsAt: Date | null, now: number): returnsAt is Date =>
  returnsAt !== null && +returnsAt > now;

/** Whether students see it yet. */
export const hasOpened = (opensAt: Date | null, now: number): boolean => opensAt === null || +opensAt <= now;
