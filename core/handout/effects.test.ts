import { expect, test } from 'vitest';
import { effectsOf, effectWords } from './effects';

const at = (hour: number) => new Date(Date.UTC(2026, 2, 2, hour));
const NOW = +at(12);
const copy = (
  state: 'under-way' | 'not-begun' | 'handed-in' | 'another-go' | 'done',
  handedIn?: number,
  more?: number,
) => ({
  state,
  firstHandedInAt: handedIn === undefined ? null : at(handedIn),
  extendedTo: more === undefined ? null : at(more),
});
const CLASS = [
  copy('handed-in', 8),
  copy('done', 10),
  copy('handed-in', 11, 11),
  copy('under-way'),
  copy('not-begun'),
  copy('under-way', undefined, 14),
  copy('another-go', 9),
];

const NOTHING = { forgiven: 0, late: 0, shut: 0, opened: 0, hidden: 0, hiddenBegun: 0, shown: 0, released: 0 };

test('a later due time counts late pieces as in time, and an earlier one the other way round', () => {
  const [nine, eleven] = [
    { dueAt: at(9), closesAt: null },
    { dueAt: at(11), closesAt: null },
  ];
  // At nine one is late: who was given more time is not, nor is what came exactly at nine.
  expect(effectsOf(CLASS, nine, eleven, NOW)).toEqual({ ...NOTHING, forgiven: 1 });
  expect(effectsOf(CLASS, eleven, nine, NOW)).toEqual({ ...NOTHING, late: 1 });
  expect(effectsOf(CLASS, nine, { ...nine, dueAt: null }, NOW).forgiven).toBe(1);
});

test('closing shuts out those who have not handed in, but not who was given more time or has another go', () => {
  const open = { dueAt: at(9), closesAt: null };
  const closed = { dueAt: at(9), closesAt: at(12) };
  expect(effectsOf(CLASS, open, closed, NOW)).toMatchObject({ shut: 2, opened: 0 });
  expect(effectsOf(CLASS, closed, open, NOW)).toMatchObject({ shut: 0, opened: 2 });
  // It closes later: nobody is shut out yet.
  expect(effectsOf(CLASS, open, { ...open, closesAt: at(13) }, NOW).shut).toBe(0);
});

test('what is altered is said, and nothing where nothing is', () => {
  expect(effectWords(NOTHING)).toEqual([]);
  expect(effectWords({ ...NOTHING, forgiven: 1, shut: 2 })).toEqual([
    'One piece that was late will count as in time.',
    '2 students who have not handed in no longer can.',
  ]);
  expect(effectWords({ ...NOTHING, late: 3, opened: 1 })).toEqual([
    '3 pieces that were in time will count as late.',
    'One student can hand in again.',
  ]);
});

test('a later opening hides it from all of them, and an earlier one shows it', () => {
  const [open, later] = [
    { opensAt: at(8), dueAt: null, closesAt: null },
    { opensAt: at(13), dueAt: null, closesAt: null },
  ];
  expect(effectsOf(CLASS, open, later, NOW)).toEqual({ ...NOTHING, hidden: 7, hiddenBegun: 6 });
  expect(effectsOf(CLASS, later, open, NOW)).toEqual({ ...NOTHING, shown: 7 });
  expect(effectsOf(CLASS, open, { ...open, opensAt: at(12) }, NOW)).toEqual(NOTHING);
  expect(effectWords({ ...NOTHING, hidden: 7, hiddenBegun: 1 })).toEqual([
    '7 students won’t see it until it opens, though one has begun.',
  ]);
  expect(effectWords({ ...NOTHING, shown: 1 })).toEqual(['One student sees it at once.']);
});

test('what was held back goes back with an earlier time or none, and stays with another one to come', () => {
  const held = CLASS.map((one, i) => ({ ...one, heldFor: i < 2 ? ('done' as const) : null }));
  const until = (hour: number | null) => ({ dueAt: null, closesAt: null, returnsAt: hour === null ? null : at(hour) });
  expect(effectsOf(held, until(14), until(null), NOW)).toEqual({ ...NOTHING, released: 2 });
  expect(effectsOf(held, until(14), until(12), NOW).released).toBe(2);
  expect(effectsOf(held, until(14), until(18), NOW)).toEqual(NOTHING);
  expect(effectsOf(CLASS, until(14), until(null), NOW)).toEqual(NOTHING);
  expect(effectWords({ ...NOTHING, released: 2 })).toEqual(['2 pieces that were held back will go back at once.']);
});
