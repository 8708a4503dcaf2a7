import { expect, test } from 'vitest';
import type { Sort } from './picking';
import { barOf, SORTS } from './picking';
import type { Card } from './piece-card';

const card = (studentName: string, over: Partial<Card> = {}): Card =>
  ({
    studentName,
    state: 'handed-in',
    handedInAt: new Date(0),
    held: 2,
    points: { got: 4, of: 8, open: 0 },
    missed: [],
    levels: {},
    go: 1,
    version: 0,
    ...over,
  }) as Card;
const cards = [
  card('Cleo', { state: 'done', points: { got: 8, of: 8, open: 0 }, held: 3 }),
  card('Ada', { handedInAt: new Date(5) }),
  card('Éda', { state: 'not-begun', handedInAt: null, held: null, points: null }),
  card('Ben', { state: 'another-go', handedInAt: new Date(1), points: { got: 1, of: 8, open: 0 }, missed: ['neck'] }),
];
const order = (sort: Sort) => cards.toSorted(SORTS[sort].by).map(({ studentName }) => studentName);

test.each<[Sort, string[]]>([
  ['state', ['Ada', 'Ben', 'Éda', 'Cleo']],
  ['oldest', ['Cleo', 'Ben', 'Ada', 'Éda']],
  ['points', ['Ben', 'Ada', 'Cleo', 'Éda']],
  ['fewest', ['Ada', 'Ben', 'Cleo', 'Éda']],
  ['name', ['Ada', 'Ben', 'Cleo', 'Éda']],
])('by %s: what is not there yet comes last', (sort, names) => expect(order(sort)).toEqual(names));

test('a bar stands for exactly its pieces', () => {
  const of = (bar: { has: (card: Card) => boolean }) => cards.filter(bar.has).map(({ studentName }) => studentName);
  expect(of(barOf.missed('neck'))).toEqual(['Ben']);
  expect(of(barOf.held(2, 4))).toEqual(['Ada', 'Ben']);
  // What nobody has begun meets none, and is in no bar.
  expect(of(barOf.held(0, 4))).toEqual([]);
  const row = { id: 'neat', name: 'Neat' };
  const marked = { ...cards[0], levels: { neat: 0 } };
  expect([barOf.level(row, 0, 1).has(marked), barOf.level(row, 1, 2).has(marked)]).toEqual([true, false]);
  expect(barOf.level(row, 0, 1).has(cards[1])).toBe(false);
});
