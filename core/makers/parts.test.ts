import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { testKit } from '../../tests/support/made';
import { group, shape } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { remake } from './all';
import type { Kit } from './kit/maker';
import { beginMap } from './map/begin';
import { rowsFromText, withRows } from './map/outline';
import { packedParts, sameParts, unpackedParts } from './parts';
import type { MadeAnswer } from './remaker';
import { Remaker } from './remaker';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const parts = fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 2 })), {
  selector: ([id]) => id,
  maxLength: 25,
});
const items = (list: readonly (readonly [number, number])[]): Item[] =>
  list.map(([id, x]) => shape({ id: `i${id}`, x }));

describe('parts against those before', () => {
  test('are the same again, with the very things that did not change', () =>
    fc.assert(
      fc.property(parts, parts, (old, now) => {
        const [before, after] = [items(old), items(now)];
        const list = packedParts(after, before);
        const back = unpackedParts(JSON.parse(JSON.stringify(list)) as typeof list, before);
        expect(back).toEqual(after);
        const kept = new Map(old.map(([id, x]) => [`i${id}`, x]));
        for (const part of back) if (kept.get(part.id) === (part as { x: number }).x) expect(before).toContain(part);
      }),
    ));
  test('are told to be the same only with all in their order', () => {
    const before = items([
      [1, 0],
      [2, 0],
    ]);
    expect(sameParts(before, [...before])).toBe(true);
    expect(sameParts(before, structuredClone(before))).toBe(true);
    expect(sameParts(before, before.toReversed())).toBe(false);
    expect(sameParts(before, before.slice(1))).toBe(false);
  });
});

describe('making on from an earlier answer', () => {
  const recipe = (text: string) => withRows(beginMap([]), rowsFromText(text));
  const asked = (text: string) => ({ kind: 'map' as const, recipe: recipe(text), seed: 1 });
  const empty = group({ id: 'g', width: 500, height: 300, items: [] });
  const whole = (answer: MadeAnswer, before: readonly Item[]) => {
    if (answer.lost) throw new Error('lost');
    return { ...answer.group, items: unpackedParts(answer.parts, before) };
  };
  test('gives what making from the whole gives, step by step', async () => {
    const remaker = new Remaker();
    let ours = whole(await remaker.make(1, { group: empty, state: asked('marsh\n\tmud') }, undefined, kit), []);
    let theirs = (await remake({ group: empty, state: asked('marsh\n\tmud') }, kit)).group;
    expect(ours).toEqual(theirs);
    for (const [i, text] of ['marsh\n\tmuddy', 'marsh\n\tmuddy\n\tcreek', 'marsh', 'marsh\n\tcreek'].entries()) {
      const state = asked(text);
      const told = await remaker.make(i + 2, { group: { ...ours, items: [] }, state }, i + 1, kit);
      ours = whole(told, ours.items);
      theirs = (await remake({ group: theirs, state }, kit)).group;
      expect(ours).toEqual(theirs);
    }
  });
  test('says so when what it would go on from is lost', async () =>
    expect(await new Remaker().make(9, { group: empty, state: asked('a') }, 3, kit)).toEqual({ lost: true }));
});
