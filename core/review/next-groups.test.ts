import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { nextGroups } from './next-groups';

const piece = (id: string, ...missed: string[]) => ({ id, missed });
const told = (pieces: Parameters<typeof nextGroups>[0]) => {
  const { groups, alone, ready } = nextGroups(pieces);
  const ids = (those: readonly { id: string }[]) => those.map(({ id }) => id).join(' ');
  return {
    groups: groups.map((one) => `${one.label}: ${ids(one.pieces)}`),
    alone: alone.map((one) => `${one.label}: ${ids(one.pieces)}`),
    ready: ids(ready),
  };
};

describe('who needs what next', () => {
  test('those who miss what most miss are together, then those of the rest', () =>
    expect(
      told([
        piece('ada', 'neck', 'toes'),
        piece('ben', 'toes'),
        piece('cleo', 'neck'),
        piece('dov', 'neck', 'reason'),
        piece('eda', 'reason', 'toes'),
        piece('flo'),
        piece('gil', 'wing'),
      ]),
    ).toEqual({ groups: ['neck: ada cleo dov', 'toes: ben eda'], alone: ['wing: gil'], ready: 'flo' }));

  test('one who is left alone is told by what the class misses most', () =>
    expect(told([piece('ada', 'wing', 'neck'), piece('ben', 'neck', 'toes'), piece('cleo', 'zzz', 'toes')])).toEqual({
      groups: ['neck: ada ben'],
      alone: ['toes: cleo'],
      ready: '',
    }));

  test('nobody makes no group', () => expect(told([])).toEqual({ groups: [], alone: [], ready: '' }));

  const label = fc.constantFrom('neck', 'toes', 'wing', 'reason', 'Ångström', '');
  const pieces = fc
    .array(fc.array(label, { maxLength: 4 }), { maxLength: 30 })
    .map((all) => all.map((missed, i) => piece(`p${i}`, ...missed)));
  test('everybody is in one place, and misses what their group is about', () =>
    fc.assert(
      fc.property(pieces, (all) => {
        const { groups, alone, ready } = nextGroups(all);
        const placed = [...groups, ...alone].flatMap((one) => one.pieces);
        expect([...placed, ...ready].map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
        for (const one of [...groups, ...alone])
          for (const { missed } of one.pieces) expect(missed).toContain(one.label);
        for (const one of groups) expect(one.pieces.length).toBeGreaterThan(1);
        for (const { missed } of ready) expect(missed).toEqual([]);
        // Two who could be helped together are not left alone.
        for (const [i, a] of alone.entries())
          for (const b of alone.slice(i + 1))
            expect(a.pieces[0].missed.some((label_) => b.pieces[0].missed.includes(label_))).toBe(false);
      }),
    ));
  test('the order of the pieces changes nothing', () =>
    fc.assert(
      fc.property(pieces, fc.integer(), (all, by) => {
        const turned = [
          ...all.slice(Math.abs(by) % (all.length || 1)),
          ...all.slice(0, Math.abs(by) % (all.length || 1)),
        ];
        const sets = (those: typeof all) =>
          nextGroups(those).groups.map((one) => [one.label, one.pieces.map(({ id }) => id).sort()]);
        expect(sets(turned)).toEqual(sets(all));
      }),
    ));
});
