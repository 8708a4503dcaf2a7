import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { seeded } from '../../values/random';
import { defaultRoles } from '../../schema/defaults';
import { beginMap } from '../map/begin';
import { needsOfRecipe } from './needs';
import { beginPractice } from '../practice/begin';
import { deranged, shuffled } from './shuffle';

test('a shuffle keeps all, and follows from its numbers alone', () =>
  fc.assert(
    fc.property(fc.array(fc.integer()), fc.nat(), (list, seed) => {
      const once = shuffled(list, seeded(seed));
      expect(once.toSorted((a, b) => a - b)).toEqual(list.toSorted((a, b) => a - b));
      expect(shuffled(list, seeded(seed))).toEqual(once);
    }),
  ));
test('every order comes about as often as any other', () => {
  const counts = new Map<string, number>();
  const random = seeded(4);
  for (let i = 0; i < 6000; i++) {
    const order = shuffled([1, 2, 3], random).join('');
    counts.set(order, (counts.get(order) ?? 0) + 1);
  }
  expect(counts.size).toBe(6);
  for (const count of counts.values()) expect(Math.abs(count - 1000)).toBeLessThan(120);
});
test('of two and three, what can be deranged is', () => {
  expect(deranged(1, seeded(1))).toEqual([0]);
  expect(deranged(2, seeded(1))).toEqual([1, 0]);
  expect(['1,2,0', '2,0,1']).toContain(deranged(3, seeded(9)).join());
});

describe('what a recipe is made with', () => {
  test('all styles of the roles’ faces, and what it names itself', () => {
    const { fonts, pictures } = needsOfRecipe(beginPractice('matching'), defaultRoles());
    expect(fonts).toContain('Andika_700Bold.ttf');
    expect(fonts).toContain('Andika_400Regular_Italic.ttf');
    expect(pictures).toContain('flat/crab');
  });
  test('signs bring their faces along, plain words do not', () => {
    const map = beginMap([]);
    const signed = { ...map, nodes: [{ ...map.nodes[0], text: 'tide ⚓' }] };
    expect(needsOfRecipe(signed, defaultRoles()).fonts).toContain('NotoEmoji_400Regular.ttf');
    expect(needsOfRecipe(map, defaultRoles()).fonts).not.toContain('NotoEmoji_400Regular.ttf');
  });
  test('a word with a slash is no picture', () => {
    const map = beginMap([]);
    expect(
      needsOfRecipe({ ...map, nodes: [{ ...map.nodes[0], text: 'and/or else' }] }, defaultRoles()).pictures,
    ).toEqual([]);
  });
});
