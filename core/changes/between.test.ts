import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alteration, between, packed } from './between';
import type { Change } from './change';
import { apply, invert } from './change';
import { group, page, plain, shape, sheet, text } from '../schema/defaults';
import { resized } from '../items/page-size';
import type { Item, Sheet, TextItem } from '../schema/sheet';
import { Sheet as SheetSchema } from '../schema/sheet';

const IDS = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];

/** Any arrangement of some of a few items over up to three pages, some of them in groups. */
const state: fc.Arbitrary<Sheet> = fc
  .record({
    order: fc.shuffledSubarray(IDS, { minLength: 1 }),
    cuts: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 7, maxLength: 7 }),
    nested: fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }),
    words: fc.array(fc.constantFrom('', 'one', 'two words', 'first\nsecond'), { minLength: 7, maxLength: 7 }),
    x: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 7, maxLength: 7 }),
    pages: fc.shuffledSubarray(['p0', 'p1', 'p2'], { minLength: 1 }),
    palette: fc.constantFrom<string[]>(['#111111'], ['#222222', '#333333']),
    size: fc.constantFrom(12, 40),
  })
  .map(({ order, cuts, nested, words, x, pages, palette, size }) => {
    const made = sheet({ title: 't', palette, pages: pages.map((id) => page({ id, items: [] })) });
    made.roles.title = { ...made.roles.title, run: { ...made.roles.title.run, size } };
    order.forEach((id, i) => {
      const item: Item =
        id === 'a' || id === 'b'
          ? shape({ id, x: x[i], body: plain(words[i]) })
          : text({
              id,
              x: x[i],
              body: plain(words[i]).map((p) => ({ ...p, format: i % 2 ? { align: 'right' } : {} })),
            });
      const target = made.pages[cuts[i] % made.pages.length];
      target.items.push(nested[i] ? group({ id: `in-${id}`, items: [item] }) : item);
    });
    return made;
  });

describe('the change between two states of a sheet', () => {
  it('leads from the one to the other, and back', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const change = between(before, after);
        const there = apply(before, change);
        expect(there.ok ? there.sheet : there.reason).toEqual(after);
        const back = there.ok && apply(there.sheet, invert(before, change));
        expect(back && back.ok && back.sheet).toEqual(before);
      }),
      { numRuns: 300 },
    );
  });
  it('is nothing where nothing differs', () => {
    fc.assert(
      fc.property(state, (one) => {
        expect(between(one, one)).toEqual({ kind: 'all', changes: [] });
      }),
    );
  });
  it('sends one thing to the back with one change', () => {
    const items = IDS.map((id) => shape({ id }));
    const from = sheet({ title: 't', pages: [page({ id: 'p', items })] });
    const to = { ...from, pages: [{ ...from.pages[0], items: [...items.slice(1), items[0]] }] };
    expect(between(from, to)).toMatchObject({ kind: 'reorder', id: 'a', spot: { behind: 'g' } });
  });
  it('packs what is too much for one step', () => {
    const many: Change[] = Array.from({ length: 9001 }, (_, i) => ({ kind: 'remove', id: `x${i}` }));
    const change = packed(many);
    expect(change.kind === 'all' && change.changes.map((part) => part.kind === 'all' && part.changes.length)).toEqual([
      4000, 4000, 1001,
    ]);
  });
  it('does not replace words that stayed', () => {
    const one = text({ id: 'a', body: plain('x') });
    expect(alteration(one, { ...one, x: 5 } as TextItem)).toEqual([{ kind: 'set', id: 'a', values: { x: 5 } }]);
  });
});

describe('another page size', () => {
  const from = sheet({
    title: 't',
    pages: [
      page({
        id: 'p',
        width: 400,
        height: 300,
        guides: [{ axis: 'x', at: 40 }],
        items: [text({ id: 'a', x: 40, y: 30, width: 100, height: 20, body: plain('w') })],
      }),
      page({ id: 'q', width: 400, height: 300 }),
    ],
  });
  it('kept: things stay as large as they are, on the side that was chosen', () => {
    const after = resized(from, ['p'], 800, 300, { how: 'keep', x: 1, y: 0 });
    expect(after.pages[0].items[0]).toMatchObject({ x: 440, y: 30, width: 100 });
    expect(after.pages[0].guides).toEqual([{ axis: 'x', at: 440 }]);
    expect(after.roles).toEqual(from.roles);
    expect(after.pages[1]).toBe(from.pages[1]);
  });
  it('scaled: one page alone gets sizes of its own, so that the other keeps its own', () => {
    const after = resized(from, ['p'], 800, 600, { how: 'scale' });
    expect(after.roles).toEqual(from.roles);
    expect(after.pages[0].margin).toBe(from.pages[0].margin * 2);
    expect(after.pages[0].items[0]).toMatchObject({ x: 80, width: 200, body: [{ runs: [{ style: { size: 28 } }] }] });
  });
  it('scaled: all pages scale their roles, and words without a size of their own stay so', () => {
    const after = resized(from, ['p', 'q'], 800, 600, { how: 'scale' });
    expect(after.roles.body.run.size).toBe(28);
    expect(after.pages[0].items[0]).toMatchObject({ body: [{ runs: [{ style: {} }] }] });
  });
  it('from tiny to poster and back it stays a valid sheet, and comes back to where it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 36, max: 7000 }), fc.integer({ min: 36, max: 7000 }), (width, height) => {
        const there = resized(from, ['p', 'q'], width, height, { how: 'scale' });
        expect(SheetSchema.safeParse(there).success).toBe(true);
        const change = between(from, there);
        const applied = apply(from, change);
        expect(applied.ok && applied.sheet).toEqual(there);
      }),
      { numRuns: 60 },
    );
  });
});
