import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dealt, teamsOf } from './deal';

const receiver = fc.record({
  id: fc.string({ minLength: 1, maxLength: 6 }),
  groups: fc.subarray(['moss', 'fern', 'reed']),
});
const receivers = fc.uniqueArray(receiver, { selector: ({ id }) => id, maxLength: 40 });
const versions = fc.integer({ min: 2, max: 8 });
const seed = fc.integer({ min: 0, max: 4_294_967_295 });

const countsOf = (given: Map<string, number>, of: number) =>
  Array.from({ length: of }, (_, n) => [...given.values()].filter((version) => version === n).length);

describe('dealing versions', () => {
  test('in turn: everybody has one, and no version goes to more than one more than another', () => {
    fc.assert(
      fc.property(receivers, versions, seed, (all, n, by) => {
        const given = dealt(all, { seed: by, groups: {}, students: {} }, n);
        expect(given.size).toBe(all.length);
        const counts = countsOf(given, n);
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
      }),
    );
  });
  test('the same seed deals the same, in whatever order the class is given; another deals otherwise', () => {
    fc.assert(
      fc.property(receivers, versions, seed, (all, n, by) => {
        const deal = { seed: by, groups: {}, students: {} };
        expect(dealt([...all].reverse(), deal, n)).toEqual(dealt(all, deal, n));
      }),
    );
    const thirty = Array.from({ length: 30 }, (_, i) => ({ id: `s${i}`, groups: [] }));
    const deals = [1, 2, 3].map((by) =>
      JSON.stringify([...dealt(thirty, { seed: by, groups: {}, students: {} }, 3)].sort()),
    );
    expect(new Set(deals).size).toBe(3);
  });
  test('what is chosen for a student goes before the group, and that before the turn', () => {
    fc.assert(
      fc.property(receivers, versions, seed, (all, n, by) => {
        const students = Object.fromEntries(all.slice(0, 2).map(({ id }) => [id, n - 1]));
        const given = dealt(all, { seed: by, groups: { moss: 0, fern: 1 }, students }, n);
        for (const [i, { id, groups }] of all.entries()) {
          if (i < 2) expect(given.get(id)).toBe(n - 1);
          else if (groups.includes('moss')) expect(given.get(id)).toBe(0);
          else if (groups.includes('fern')) expect(given.get(id)).toBe(1);
        }
      }),
    );
  });
  test('a choice for one leaves all others as they were', () => {
    fc.assert(
      fc.property(receivers, versions, seed, fc.nat(39), (all, n, by, at) => {
        fc.pre(at < all.length);
        const deal = { seed: by, groups: { moss: 1 }, students: {} };
        const before = dealt(all, deal, n);
        const after = dealt(all, { ...deal, students: { [all[at].id]: n - 1 } }, n);
        for (const { id } of all) expect(after.get(id)).toBe(id === all[at].id ? n - 1 : before.get(id));
      }),
    );
  });
  test('who joins later gets what the fewest have; a version that is no more is nobody’s', () => {
    const late = [{ id: 'late', groups: ['moss'] }];
    expect(dealt(late, { seed: 9, groups: {}, students: {} }, 3, [4, 3, 4]).get('late')).toBe(1);
    expect(dealt(late, { seed: 9, groups: { moss: 7 }, students: {} }, 2, [1, 0]).get('late')).toBe(1);
  });
});

describe('working together', () => {
  const order = fc.infiniteStream(fc.nat());
  test('who works with whom, and which version they get, does not depend on the order in which they are given', () => {
    fc.assert(
      fc.property(receivers, versions, seed, order, (all, n, by, keys) => {
        const mixed = all.map((one) => ({ one, at: keys.next().value })).sort((a, b) => a.at - b.at);
        const sorted = (given: typeof all) =>
          teamsOf(given, null)
            .map((team) => ({ ...team, people: [...team.people].sort() }))
            .sort((a, b) => (a.id < b.id ? -1 : 1));
        const teams = sorted(all);
        expect(sorted(mixed.map(({ one }) => one))).toEqual(teams);
        const hand = { [teams[0]?.id ?? '']: n - 1 };
        const deal = { seed: by, groups: { moss: 0, fern: 1 }, students: hand };
        const given = dealt(teamsOf([...all].reverse(), null), deal, n);
        for (const [i, { id, groupId }] of teams.entries()) {
          if (i === 0) expect(given.get(id)).toBe(n - 1);
          else if (groupId === 'moss') expect(given.get(id)).toBe(0);
          else if (groupId === 'fern') expect(given.get(id)).toBe(1);
        }
      }),
    );
  });
  test('everybody is on one team, with the first of their groups that was chosen', () => {
    fc.assert(
      fc.property(receivers, fc.subarray(['moss', 'fern', 'reed']), (all, only) => {
        const teams = teamsOf(all, only);
        expect(teams.flatMap(({ people }) => people).sort()).toEqual(all.map(({ id }) => id).sort());
        for (const { id, groups } of all) {
          const chosen = groups.find((group) => only.length === 0 || only.includes(group)) ?? null;
          const team = teams.find(({ people }) => people.includes(id))!;
          expect(team.groupId).toBe(chosen);
          if (chosen === null) expect(team.people).toEqual([id]);
        }
      }),
    );
  });
});
