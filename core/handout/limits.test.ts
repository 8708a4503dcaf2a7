import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Change } from '../changes/change';
import { apply } from '../changes/change';
import { beginMap } from '../makers/map/begin';
import { group, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { countOf, limitWords, mostOf, readLimits } from './limits';
import { refusal } from './permission';

const pic = (id: string) => picture({ id, picture: 'flat/owl', touch: 'free' });
const given = sheet({
  title: 'Owls',
  pages: [
    page({
      id: 'p',
      items: [pic('a'), group({ id: 'g', touch: 'free', items: [pic('b'), shape({ id: 's', touch: 'free' })] })],
    }),
    page({ id: 'q', items: [text({ id: 't', body: plain('x') })] }),
  ],
});
const insert = (item: Item, at = 'p', into: string | null = null): Change => ({
  kind: 'insert',
  spot: { page: at, group: into, behind: null },
  item,
});

test('things count on every page and in groups, and a made thing is one', () => {
  expect(countOf(given, 'picture')).toBe(2);
  const maker = { kind: 'map' as const, recipe: beginMap([]), seed: 1, parts: [] };
  const made = group({ id: 'm', maker, items: [pic('in'), text({ id: 'w' })] });
  const after = apply(given, insert(made));
  expect(
    after.ok && [countOf(after.sheet, 'picture'), countOf(after.sheet, 'map'), countOf(after.sheet, 'text')],
  ).toEqual([2, 1, 1]);
});

test('a limit counts what is added to what was handed out; one more is refused, wherever it comes in', () => {
  const most = mostOf(given, { picture: 1 });
  expect(most).toEqual({ picture: 3 });
  const one = apply(given, insert(pic('c')));
  if (!one.ok) throw new Error(one.reason);
  const may = (change: Change) => refusal(one.sheet, change, ['picture', 'shape'], most);
  expect(refusal(given, insert(pic('c')), ['picture'], most)).toBeNull();
  expect(may(insert(pic('d')))).toMatch(/how many pictures/);
  expect(may(insert(pic('d'), 'q'))).toMatch(/how many pictures/);
  expect(may(insert(pic('d'), 'p', 'g'))).toMatch(/how many pictures/);
  expect(may({ kind: 'all', changes: [insert(shape({ id: 'z', touch: 'free' })), insert(pic('d'))] })).toMatch(
    /how many/,
  );
  expect(may(insert(shape({ id: 'z', touch: 'free' })))).toBeNull();
  // One for another.
  expect(may({ kind: 'all', changes: [{ kind: 'remove', id: 'c' }, insert(pic('d'))] })).toBeNull();
});

test('pages made elsewhere count as pages, not as pictures', () => {
  const scan = picture({ id: 'scan', picture: 'own/a', touch: 'free' });
  const brought = { picture: 'scan', file: 'f', name: 'work.pdf', number: 1, of: 1 };
  const with2 = { ...given, pages: [...given.pages, page({ id: 'w', brought, items: [pic('c'), scan] })] };
  expect([countOf(with2, 'page'), countOf(with2, 'picture')]).toEqual([1, 3]);
  const one: Change = {
    kind: 'page-insert',
    behind: null,
    page: { ...with2.pages[2], id: 'v', items: [{ ...scan, id: 'scan2' }], brought: { ...brought, picture: 'scan2' } },
  };
  expect(refusal(with2, one, ['page'], mostOf(given, { page: 1 }))).toMatch(/how many pages made elsewhere/);
  expect(refusal(with2, one, ['page'], mostOf(given, { page: 2, picture: 1 }))).toBeNull();
});

test('whatever a student does, there are never more than the limit', () => {
  const step = fc.oneof(
    fc
      .record({ id: fc.integer({ min: 0, max: 9 }), at: fc.constantFrom('p', 'q'), into: fc.constantFrom(null, 'g') })
      .map(({ id, at, into }) => insert(pic(`n${id}`), at, at === 'q' ? null : into)),
    fc.constantFrom('a', 'b', 'n0', 'n1', 'n2').map((id): Change => ({ kind: 'remove', id })),
    fc.constantFrom('n0', 'n1', 'b').map((id): Change => ({
      kind: 'reorder',
      id,
      spot: { page: 'p', group: null, behind: null },
    })),
  );
  const change = fc.oneof(
    step,
    fc
      .array(step, { minLength: 1, maxLength: 4 })
      .map((changes): Change => ({ kind: 'all', changes: changes as never })),
  );
  fc.assert(
    fc.property(fc.array(change, { maxLength: 15 }), fc.integer({ min: 1, max: 3 }), (changes, limit) => {
      const most = mostOf(given, { picture: limit });
      let now = given;
      for (const one of changes) {
        if (refusal(now, one, ['picture'], most) !== null) continue;
        const result = apply(now, one);
        if (result.ok) now = result.sheet;
        expect(countOf(now, 'picture')).toBeLessThanOrEqual(2 + limit);
      }
    }),
  );
});

test('more than the limit, after it was lowered, may only become fewer', () => {
  const most = { picture: 1 };
  expect(refusal(given, { kind: 'remove', id: 'a' }, ['picture'], most)).toBeNull();
  expect(refusal(given, { kind: 'set', id: 'a', values: { x: 3 } }, ['picture'], most)).toBeNull();
  expect(refusal(given, insert(pic('c')), ['picture'], most)).toMatch(/how many/);
});

test('limits are told in words, and what can’t be read limits nothing', () => {
  expect(limitWords({ shape: 1, picture: 3 })).toEqual(['at most 1 shape', 'at most 3 pictures']);
  expect([readLimits({ picture: 3 }), readLimits({ picture: 0 }), readLimits(null), readLimits({ glue: 1 })]).toEqual([
    { picture: 3 },
    {},
    {},
    {},
  ]);
});
