import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { inTurn, isAway, isOver, sorted, SORTS } from './order';

const NOW = +new Date('2026-03-02T08:00Z');
const day = (n: number) => new Date(NOW + n * 86_400_000);

type Given = {
  due?: number;
  closes?: number;
  waiting?: number;
  counts?: Partial<Record<'not-begun' | 'done', number>>;
  made?: number;
};
const handout = (title: string, { due, closes, waiting, counts = { 'not-begun': 1 }, made = -9 }: Given) => ({
  title,
  dueAt: due === undefined ? null : day(due),
  closesAt: closes === undefined ? null : day(closes),
  createdAt: day(made),
  waitingFirst: waiting === undefined ? null : { copyId: 'c', since: day(waiting) },
  counts: {
    'not-begun': 0,
    'under-way': 0,
    'handed-in': waiting === undefined ? 0 : 1,
    'another-go': 0,
    done: 0,
    ...counts,
  },
});
const titles = (list: { title: string }[]) => list.map(({ title }) => title);

describe('handouts', () => {
  test('stand with late ones first, then what waits to be read, then what is due next', () => {
    const list = [
      handout('without a time, newer', { made: -1 }),
      handout('due tomorrow', { due: 1 }),
      handout('waiting since yesterday', { due: 3, waiting: -1 }),
      handout('late by a day', { due: -1 }),
      handout('without a time', { made: -5 }),
      handout('late, and waiting', { due: -1, waiting: -2 }),
      handout('waiting for a week', { waiting: -7 }),
    ];
    const wanted = ['late, and waiting', 'late by a day', 'waiting for a week', 'waiting since yesterday'];
    const last = ['due tomorrow', 'without a time, newer', 'without a time'];
    expect(titles(inTurn(list, NOW))).toEqual([...wanted, ...last]);
  });
  test('put away, one comes back while something waits to be read', () => {
    const away = (given: Given) => isAway({ ...handout('', given), putAwayAt: day(-1) });
    expect(away({})).toBe(true);
    expect(away({ waiting: -1 })).toBe(false);
    expect(isAway({ ...handout('', {}), putAwayAt: null })).toBe(false);
  });
  test.each<[string, Given, boolean]>([
    ['closed, with nothing to read', { due: 3, closes: -1 }, true],
    ['closed, with a piece to read', { due: -2, closes: -1, waiting: -1 }, false],
    ['closing tomorrow', { due: -1, closes: 1 }, false],
    ['all done', { counts: { done: 3 } }, true],
    ['all done but one', { counts: { done: 3, 'not-begun': 1 } }, false],
    ['due three weeks ago', { due: -21 }, true],
    ['due three weeks ago, with something to read', { due: -21, waiting: -20 }, false],
    ['due last week', { due: -7 }, false],
    ['without students yet', { counts: {} }, false],
  ])('are over or not: %s', (_, given, over) => expect(isOver(handout('x', given), NOW)).toBe(over));
  test('are all there after sorting, in the same order whatever order they came in', () => {
    const some = fc.record(
      {
        due: fc.integer({ min: -9, max: 9 }),
        waiting: fc.integer({ min: -9, max: 0 }),
        made: fc.integer({ min: -9, max: 0 }),
      },
      { requiredKeys: ['made'] },
    );
    fc.assert(
      fc.property(fc.array(some, { maxLength: 12 }), (given) => {
        const list = given.map((one, i) => handout(`${i}`, one));
        const order = (made: typeof list) =>
          inTurn(made, NOW).map(({ dueAt, waitingFirst, createdAt }) => [
            dueAt !== null && +dueAt < NOW,
            waitingFirst !== null,
            +(waitingFirst?.since ?? dueAt ?? createdAt),
          ]);
        expect(order(list)).toEqual(order(list.toReversed()));
        expect(titles(inTurn(list, NOW)).toSorted()).toEqual(titles(list).toSorted());
      }),
    );
  });
});

test('sheets are sorted as wanted; numbers in names count as numbers', () => {
  const sheet = (title: string, changed: number, created: number) => ({
    title,
    changedAt: day(changed),
    createdAt: day(created),
  });
  const list = [sheet('Week 10', -1, -9), sheet('week 9', -3, -3), sheet('Éclair', -2, -5), sheet('Zebra', -4, -1)];
  expect(SORTS.map((sort) => titles(sorted(list, sort)))).toEqual([
    ['Week 10', 'Éclair', 'week 9', 'Zebra'],
    ['Éclair', 'week 9', 'Week 10', 'Zebra'],
    ['Zebra', 'week 9', 'Éclair', 'Week 10'],
  ]);
});
