import fc from 'fast-check';
import { expect, test } from 'vitest';
import { badTimes, closesOf, daysLate, dueOf, isClosed, isLate, isOverdue } from './times';

const day = (n: number) => new Date(Date.UTC(2026, 2, n, 14));
const none = { closesAt: null, extendedTo: null, returnedAt: null };

test('more time moves the due time of one copy, and never to an earlier one', () => {
  expect(dueOf({ dueAt: day(3), extendedTo: null })).toEqual(day(3));
  expect(dueOf({ dueAt: day(3), extendedTo: day(5) })).toEqual(day(5));
  expect(dueOf({ dueAt: day(3), extendedTo: day(1) })).toEqual(day(3));
  expect(dueOf({ dueAt: null, extendedTo: day(1) })).toEqual(day(1));
});

test('a handout that has closed takes nothing more, from the very moment on', () => {
  const times = { ...none, closesAt: day(4) };
  expect(isClosed(times, +day(4) - 1)).toBe(false);
  expect(isClosed(times, +day(4))).toBe(true);
  expect(isClosed(none, +day(30))).toBe(false);
});

test('who was given more time is still taken after it has closed for the others, until that is over too', () => {
  const times = { ...none, closesAt: day(4), extendedTo: day(6) };
  expect(isClosed(times, +day(5))).toBe(false);
  expect(isClosed(times, +day(6))).toBe(true);
});

test('what came back for another go after it closed is open again; what came back before is not', () => {
  expect(isClosed({ ...none, closesAt: day(4), returnedAt: day(5) }, +day(9))).toBe(false);
  expect(isClosed({ ...none, closesAt: day(4), returnedAt: day(3) }, +day(9))).toBe(true);
  // More time given besides never takes that away.
  expect(isClosed({ closesAt: day(4), extendedTo: day(8), returnedAt: day(5) }, +day(9))).toBe(false);
});

test('more time never closes a copy that was open, whatever the times are', () => {
  const when = fc.option(
    fc.integer({ min: 1, max: 28 }).map((n) => day(n)),
    { nil: null },
  );
  fc.assert(
    fc.property(when, when, when, fc.integer({ min: 1, max: 28 }), (closesAt, extendedTo, returnedAt, now) => {
      const without = { closesAt, extendedTo: null, returnedAt: null };
      if (!isClosed(without, +day(now))) expect(isClosed({ ...without, extendedTo }, +day(now))).toBe(false);
      if (closesAt === null) expect(closesOf({ closesAt, extendedTo, returnedAt })).toBeNull();
    }),
    { numRuns: 2000 },
  );
});

test('closing before it is due is said', () => {
  const none = { opensAt: null, dueAt: null, closesAt: null };
  expect(badTimes({ ...none, dueAt: day(4), closesAt: day(3) })).toMatchObject({ field: 'closesAt' });
  expect(badTimes({ ...none, dueAt: day(4), closesAt: day(4) })).toBeNull();
  expect(badTimes({ ...none, closesAt: day(3) })).toBeNull();
  expect(badTimes({ ...none, dueAt: day(4) })).toBeNull();
  expect(badTimes({ ...none, opensAt: day(5), dueAt: day(4) })?.problem).toMatch(/due before it opens/);
  expect(badTimes({ ...none, opensAt: day(4), closesAt: day(4) })?.problem).toMatch(/close before it opens/);
  expect(badTimes({ opensAt: day(2), dueAt: day(3), closesAt: day(4) })).toBeNull();
});

test('late is what came after it was due, overdue what has not come; more time moves both', () => {
  const [came, none] = [
    { firstHandedInAt: day(5), extendedTo: null },
    { firstHandedInAt: null, extendedTo: null },
  ];
  expect([isLate(came, day(4)), isOverdue(came, day(4), +day(9))]).toEqual([true, false]);
  expect([isLate(none, day(4)), isOverdue(none, day(4), +day(4) - 1)]).toEqual([false, false]);
  expect(isOverdue(none, day(4), +day(4))).toBe(true);
  expect(isOverdue({ ...none, extendedTo: day(6) }, day(4), +day(5))).toBe(false);
  expect(isLate({ ...came, extendedTo: day(6) }, day(4))).toBe(false);
  expect(isOverdue(none, null, +day(9))).toBe(false);
});

test('days late are those that have begun since it was due; more time takes them back', () => {
  const came = (at: number, extendedTo: Date | null = null) =>
    daysLate({ firstHandedInAt: new Date(+day(4) + at), extendedTo }, day(4));
  const hour = 3600_000;
  expect([-hour, 0, 1, 23 * hour, 24 * hour, 24 * hour + 1, 70 * hour].map((at) => came(at))).toEqual([
    0, 0, 1, 1, 1, 2, 3,
  ]);
  expect(came(70 * hour, day(6))).toBe(1);
  expect(came(70 * hour, day(9))).toBe(0);
  expect(daysLate({ firstHandedInAt: null, extendedTo: null }, day(4))).toBe(0);
  expect(daysLate({ firstHandedInAt: day(9), extendedTo: null }, null)).toBe(0);
});
