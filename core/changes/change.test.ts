import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changeFor, sampleSheet } from '../../tests/support/sheets';
import { bodyText } from '../text/body';
import { apply, Change, invert, merge, rebase, replay } from './change';
import { plain, shape } from '../schema/defaults';
import type { Sheet, TextItem } from '../schema/sheet';
import { Sheet as SheetSchema } from '../schema/sheet';
import { readSheet } from '../schema/read';
import { everyItem, find } from '../sheet/tree';

const textOf = (sheet: Sheet, id: string) => bodyText((find(sheet, id)!.item as TextItem).body);
const must = (sheet: Sheet, change: Change): Sheet => {
  const result = apply(sheet, change);
  if (!result.ok) throw new Error(result.reason);
  return result.sheet;
};
const typed = (id: string, at: number, words: string, remove = 0): Change => ({
  kind: 'splice',
  id,
  at,
  remove,
  insert: plain(words),
});

/** Walks a random way of up to `steps` changes from the sample. */
const way = (steps: number) =>
  fc.infiniteStream(fc.nat()).map((seeds) => {
    const changes: Change[] = [];
    let now = sampleSheet();
    for (let i = 0; i < steps; i++) {
      const [change] = fc.sample(changeFor(now), { seed: seeds.next().value as number, numRuns: 1 });
      const result = apply(now, change);
      if (!result.ok) continue;
      changes.push(change);
      now = result.sheet;
    }
    return { changes, now };
  });

describe('a change', () => {
  test('and its inverse leave the sheet as it was', () => {
    fc.assert(
      fc.property(
        fc.constant(sampleSheet()).chain((s) => fc.tuple(fc.constant(s), changeFor(s))),
        ([sheet, change]) => {
          const result = apply(sheet, change);
          if (!result.ok) return;
          const back = apply(result.sheet, invert(sheet, change));
          expect(back).toEqual({ ok: true, sheet });
        },
      ),
      { numRuns: 600 },
    );
  });

  test('leaves a sheet that still meets its schema', () => {
    fc.assert(
      fc.property(way(12), ({ now }) => {
        expect(SheetSchema.safeParse(now).error?.issues).toBeUndefined();
        const ids = everyItem(now).map((item) => item.id);
        expect(new Set(ids).size).toBe(ids.length);
      }),
      { numRuns: 60 },
    );
  });

  test('sequence replayed from its JSON gives the same sheet, and undone in reverse the first one', () => {
    fc.assert(
      fc.property(way(10), ({ changes, now }) => {
        const log = Change.array().parse(JSON.parse(JSON.stringify(changes)));
        expect(replay(sampleSheet(), log)).toEqual(now);
        let sheet = sampleSheet();
        const inverses = log.map((change) => {
          const inverse = invert(sheet, change);
          sheet = must(sheet, change);
          return inverse;
        });
        expect(inverses.reverse().reduce(must, sheet)).toEqual(sampleSheet());
      }),
      { numRuns: 60 },
    );
  });

  test.each<[string, Change, RegExp]>([
    ['about a thing that is gone', { kind: 'set', id: 'nobody', values: { x: 1 } }, /no longer/],
    ['of a setting that the kind has not', { kind: 'set', id: 'bird', values: { shape: 'star' } }, /can’t be set/],
    ['of an identity', { kind: 'set', id: 'bird', values: { id: 'other' } }, /can’t be set/],
    [
      'of the prototype',
      { kind: 'set', id: 'bird', values: JSON.parse('{"__proto__": {"x": 1}}') as Record<string, unknown> },
      /can’t be set/,
    ],
    ['to an absurd number', { kind: 'set', id: 'bird', values: { x: 1e9 } }, /x:/],
    [
      'to a colour that is none',
      { kind: 'set', id: 'box', values: { fill: { kind: 'solid', colour: 'red', opacity: 1 } } },
      /fill/,
    ],
    [
      'that inserts a known identity',
      { kind: 'insert', spot: { page: 'p1', group: null, behind: null }, item: shape({ id: 'box' }) },
      /identity/,
    ],
    [
      'that inserts within a missing group',
      { kind: 'insert', spot: { page: 'p1', group: 'nope', behind: null }, item: shape({ id: 'n' }) },
      /group/,
    ],
    [
      'that puts a group within itself',
      { kind: 'reorder', id: 'pair', spot: { page: 'p1', group: 'pair', behind: null } },
      /within itself/,
    ],
    ['of words past the end', { kind: 'splice', id: 'words', at: 90, remove: 0, insert: plain('x') }, /words/],
    [
      'of words where there are none',
      { kind: 'splice', id: 'bird', at: 0, remove: 0, insert: plain('x') },
      /has no text/,
    ],
    [
      'that takes the last page',
      {
        kind: 'all',
        changes: [
          { kind: 'page-remove', id: 'p1' },
          { kind: 'page-remove', id: 'p2' },
        ],
      },
      /at least one page/,
    ],
  ])('%s is refused with a reason and alters nothing', (_, change, reason) => {
    const sheet = sampleSheet();
    const result = apply(sheet, change);
    expect(result.ok).toBe(false);
    expect(!result.ok && result.reason).toMatch(reason);
    expect(sheet).toEqual(sampleSheet());
  });

  test.each([
    ['nothing', null],
    ['an unknown kind', { kind: 'explode' }],
    ['an extra key', { kind: 'remove', id: 'box', force: true }],
    [
      'a break inside a run',
      { kind: 'splice', id: 'words', at: 0, remove: 0, insert: [{ format: {}, runs: [{ text: 'a\nb', style: {} }] }] },
    ],
    ['a negative position', { kind: 'splice', id: 'words', at: -1, remove: 0, insert: plain('') }],
  ])('made of %s does not pass the schema', (_, json) => {
    expect(Change.safeParse(json).success).toBe(false);
  });
});

describe('two people on one sheet', () => {
  test('who change different things both keep their work, in either order', () => {
    const a: Change = { kind: 'set', id: 'box', values: { x: 10 } };
    const b: Change = { kind: 'set', id: 'bird', values: { y: 20 } };
    const sheet = sampleSheet();
    expect(must(must(sheet, a), rebase(b, a))).toEqual(must(must(sheet, b), rebase(a, b)));
  });

  test('who type into one text keep both their words', () => {
    const theirs = typed('words', 0, 'zero ');
    const mine = typed('words', 3, ' and a half');
    const sheet = must(must(sampleSheet(), theirs), rebase(mine, theirs));
    expect(textOf(sheet, 'words')).toBe('zero one and a half two\nthree');
  });

  test('lose no word that one of them typed where the other deleted', () => {
    const theirs: Change = { kind: 'splice', id: 'words', at: 0, remove: 7, insert: plain('') };
    const mine = typed('words', 4, 'new ');
    expect(textOf(must(must(sampleSheet(), theirs), rebase(mine, theirs)), 'words')).toBe('new \nthree');
  });

  test('who set one setting end with the later one', () => {
    const sheet = must(must(sampleSheet(), { kind: 'set', id: 'box', values: { x: 1 } }), {
      kind: 'set',
      id: 'box',
      values: { x: 2 },
    });
    expect(find(sheet, 'box')!.item).toMatchObject({ x: 2 });
  });

  test('put an item in front when its neighbour was taken away meanwhile', () => {
    const theirs: Change = { kind: 'remove', id: 'words' };
    const mine: Change = {
      kind: 'insert',
      spot: { page: 'p1', group: null, behind: 'words' },
      item: shape({ id: 'mine' }),
    };
    expect(must(must(sampleSheet(), theirs), rebase(mine, theirs)).pages[0].items[0].id).toBe('mine');
  });

  test('never get a rebased splice that does not fit', () => {
    const at = fc.nat({ max: 13 });
    const splice = fc
      .tuple(at, at, fc.constantFrom('', 'x', 'yy\nz'))
      .map(([a, b, words]) => typed('words', Math.min(a, b), words, Math.abs(a - b)));
    fc.assert(
      fc.property(splice, splice, (theirs, mine) => {
        expect(apply(must(sampleSheet(), theirs), rebase(mine, theirs)).ok).toBe(true);
      }),
      { numRuns: 400 },
    );
  });
});

describe('merging', () => {
  test('joins the letters of a word, and starts anew at a space', () => {
    const h = typed('words', 0, 'h');
    const e = typed('words', 1, 'e');
    expect(merge(h, e)).toEqual(typed('words', 0, 'he'));
    expect(merge(h, typed('words', 1, ' '))).toBeNull();
    expect(merge(h, typed('words', 5, 'x'))).toBeNull();
  });

  test('keeps the last place of a drag', () => {
    expect(merge({ kind: 'set', id: 'a', values: { x: 1 } }, { kind: 'set', id: 'a', values: { x: 2 } })).toEqual({
      kind: 'set',
      id: 'a',
      values: { x: 2 },
    });
    expect(merge({ kind: 'set', id: 'a', values: { x: 1 } }, { kind: 'set', id: 'b', values: { x: 2 } })).toBeNull();
  });

  test('joins backspaces', () => {
    const one: Change = { kind: 'splice', id: 'words', at: 6, remove: 1, insert: plain('') };
    const two: Change = { kind: 'splice', id: 'words', at: 5, remove: 1, insert: plain('') };
    const both = merge(one, two)!;
    expect(must(sampleSheet(), both)).toEqual(must(must(sampleSheet(), one), two));
  });
});

describe('reading a sheet', () => {
  test('gives back what was written', () =>
    expect(readSheet(JSON.parse(JSON.stringify(sampleSheet())))).toEqual(sampleSheet()));
  test.each([
    ['null', null, /not a sheet/],
    ['a newer version', { ...sampleSheet(), version: 99 }, /newer version/],
    ['an older version without a way', { ...sampleSheet(), version: 0 }, /no way from/],
    ['damage', { ...sampleSheet(), pages: [{ id: 'p' }] }, /damaged at pages\.0/],
  ])('refuses %s with what is wrong', (_, json, message) => expect(() => readSheet(json)).toThrow(message));
});
