import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { changeFor, sampleSheet } from '../../tests/support/sheets';
import { apply, Change, invert, replay } from '../changes/change';
import { bodyLength } from '../text/body';
import { depthOf, LIMITS, loadOfAll } from './limits';
import { group, line, page, plain, shape, sheet, text } from '../schema/defaults';
import type { Item, Sheet, TextItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { readSheet } from '../schema/read';
import { everyItem, find, loadsOf, locate } from './tree';

const stored = (value: Sheet): Sheet => readSheet(JSON.parse(JSON.stringify(value)));
const boxOf = (id: string, letters: number) => text({ id, body: plain('x'.repeat(letters)) });
const shapes = (name: string, count: number): Item[] =>
  Array.from({ length: count }, (_, i) => line({ id: `${name}${i}` }));
const nested = (depth: number): Item =>
  depth === 0 ? shape({ id: 'core' }) : group({ id: `deep${depth}`, items: [nested(depth - 1)] });

/** Just below every limit. */
const brimful = (): Sheet => {
  const made = sheet({
    title: 'Full',
    pages: [
      page({
        id: 'p',
        items: [
          boxOf('full', LIMITS.boxLetters - 5),
          boxOf('other', LIMITS.boxLetters - 5),
          group({ id: 'crowd', items: shapes('c', LIMITS.groupItems - 2) }),
          nested(LIMITS.depth - 1),
          ...shapes('l', LIMITS.pageItems - LIMITS.groupItems - LIMITS.depth - 10),
        ],
      }),
      ...Array.from({ length: LIMITS.pages - 2 }, (_, i) => page({ id: `q${i}` })),
    ],
  });
  const role = Object.values(made.roles)[0];
  const roles = Object.fromEntries(Array.from({ length: LIMITS.roles - 1 }, (_, i) => [`r${i}`, role]));
  return { ...made, roles };
};
const full = brimful();

/** Changes that add something wherever there is hardly room for it. */
const greedy = (now: Sheet): fc.Arbitrary<Change> => {
  const fresh = fc.nat({ max: 1e9 }).map((n) => `new${n}`);
  const spot = fc.record({
    page: fc.constantFrom('p', 'q0'),
    group: fc.constantFrom(null, 'crowd', 'deep1', 'deep11'),
    behind: fc.constant(null),
  });
  const box = fc.constantFrom('full', 'other');
  const item = fc
    .tuple(fresh, fc.nat({ max: 3 }))
    .map(
      ([id, what]): Item =>
        [
          shape({ id }),
          boxOf(id, LIMITS.boxLetters + 1),
          group({ id, items: [group({ id: `${id}a`, items: [shape({ id: `${id}b` })] })] }),
          group({ id, items: shapes(`${id}x`, 6) }),
        ][what],
    );
  const role = Object.values(now.roles)[0];
  return fc.oneof(
    fc
      .record({ id: box, at: fc.nat({ max: 20 }), remove: fc.nat({ max: 3 }), size: fc.nat({ max: 30 }) })
      .map(({ id, at, remove, size }): Change => ({ kind: 'splice', id, at, remove, insert: plain('y'.repeat(size)) })),
    fc.record({ id: box, count: fc.nat({ max: 2500 }) }).map(({ id, count }): Change => ({
      kind: 'splice',
      id,
      at: 0,
      remove: 10_000,
      insert: plain('\n'.repeat(count)),
    })),
    fc.record({ spot, item }).map((given): Change => ({ kind: 'insert', ...given })),
    fc
      .record({ id: fc.constantFrom('crowd', 'deep1', 'deep5', 'l1', 'l2', 'full'), spot })
      .map((given): Change => ({ kind: 'reorder', ...given })),
    fc.tuple(fresh, fc.nat({ max: 1 })).map(([id, big]): Change => ({
      kind: 'page-insert',
      behind: null,
      page: page({ id, items: big ? shapes(id, 9) : [] }),
    })),
    fresh.map((id): Change => ({ kind: 'role-set', id, role })),
  );
};

/** Counted again, by other means than the sheet's own register. */
function measured(now: Sheet) {
  const items = [...everyItem({ ...now, pages: now.pages.map((p) => ({ ...p })) })];
  const written = items.filter(isWritten);
  const groups = items.filter((item) => item.kind === 'group');
  return {
    boxLetters: Math.max(...written.map((item) => bodyLength(item.body))),
    paragraphs: Math.max(...written.map((item) => item.body.length)),
    groupItems: Math.max(0, ...groups.map((item) => item.items.length)),
    depth: Math.max(...now.pages.flatMap((p) => p.items.map(depthOf))),
    pageItems: Math.max(...now.pages.map((p) => loadOfAll(p.items).items)),
    pageLetters: Math.max(...now.pages.map((p) => loadOfAll(p.items).letters)),
    pages: now.pages.length,
    sheetItems: items.length,
    roles: Object.keys(now.roles).length,
  };
}

describe('what a sheet holds', () => {
  test('never goes beyond its limits, whatever is added, and is read again', { timeout: 60_000 }, () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.nat()), (seeds) => {
        let now = full;
        for (let i = 0; i < 40; i++) {
          const [change] = fc.sample(greedy(now), { seed: seeds.next().value as number, numRuns: 1 });
          const result = apply(now, change);
          if (result.ok) now = result.sheet;
        }
        for (const [what, value] of Object.entries(measured(now)))
          expect(value, what).toBeLessThanOrEqual(LIMITS[what as keyof typeof LIMITS]);
        expect(stored(now)).toEqual(now);
      }),
      { numRuns: 8 },
    );
  });

  test.each<[string, Change, RegExp]>([
    ['letters in a box', { kind: 'splice', id: 'full', at: 0, remove: 0, insert: plain('123456') }, /100,000 letters/],
    ['paragraphs', { kind: 'splice', id: 'full', at: 0, remove: 99_000, insert: plain('\n'.repeat(2000)) }, /2,000/],
    [
      'things on a page',
      {
        kind: 'insert',
        spot: { page: 'p', group: null, behind: null },
        item: group({ id: 'n', items: shapes('n', 20) }),
      },
      /10,000 things/,
    ],
    [
      'things in a group',
      {
        kind: 'all',
        changes: [0, 1, 2].map((i) => ({
          kind: 'reorder' as const,
          id: `l${i}`,
          spot: { page: 'p', group: 'crowd', behind: null },
        })),
      },
      /5,000 things/,
    ],
    [
      'groups in groups',
      {
        kind: 'insert',
        spot: { page: 'p', group: 'deep1', behind: null },
        item: group({ id: 'n', items: [group({ id: 'n1', items: [] })] }),
      },
      /12 deep/,
    ],
    [
      'pages',
      {
        kind: 'all',
        changes: [0, 1].map((i) => ({ kind: 'page-insert' as const, behind: null, page: page({ id: `n${i}` }) })),
      },
      /200 pages/,
    ],
    [
      'kinds of text',
      {
        kind: 'all',
        changes: [0, 1].map((i) => ({ kind: 'role-set' as const, id: `n${i}`, role: Object.values(full.roles)[0] })),
      },
      /100 kinds/,
    ],
    [
      'letters on a page',
      { kind: 'insert', spot: { page: 'p', group: null, behind: null }, item: boxOf('n', 200) },
      /200,000 letters/,
    ],
  ])('%s: one too many is refused, with what to do', (_, change, reason) => {
    const result = apply(full, change);
    expect(result.ok ? '' : result.reason).toMatch(reason);
  });

  test('what was stored beyond the limits opens, can become less, and not more', () => {
    const old = sheet({ title: 'Old', pages: [page({ id: 'p', items: [boxOf('long', 150_000), nested(60)] })] });
    const read = stored(old);
    expect(bodyLength((find(read, 'long')!.item as TextItem).body)).toBe(150_000);
    expect(find(read, 'core')).toBeDefined();
    const less = apply(read, { kind: 'splice', id: 'long', at: 0, remove: 1000, insert: plain('') });
    const more = apply(read, { kind: 'splice', id: 'long', at: 0, remove: 0, insert: plain('a') });
    expect([less.ok, more.ok]).toEqual([true, false]);
  });

  test('a log of before the limits is replayed as it was allowed then', () => {
    const start = sheet({ title: 'Old', pages: [page({ id: 'p', items: [boxOf('long', 10)] })] });
    const grown = replay(start, [{ kind: 'splice', id: 'long', at: 0, remove: 0, insert: plain('a'.repeat(50_000)) }]);
    expect(bodyLength((find(grown, 'long')!.item as TextItem).body)).toBe(50_010);
  });

  test('a sheet laid deeper than anything can be read opens with all that is in it', () => {
    const deep = JSON.stringify(sheet({ title: 'Deep', pages: [page({ id: 'p', items: [nested(3)] })] }));
    let inner = JSON.stringify(nested(0));
    for (let i = 1; i <= 3000; i++)
      inner = JSON.stringify(group({ id: `d${i}`, items: [] })).replace('"items":[]', `"items":[${inner}]`);
    const raw = JSON.parse(deep) as { pages: { items: unknown[] }[] };
    raw.pages[0].items = [JSON.parse(inner)];
    const read = readSheet(raw);
    expect(find(read, 'core')).toBeDefined();
  });
});

test('finding by the register gives what looking through the sheet gives, along any way of changes and back', () => {
  fc.assert(
    fc.property(fc.infiniteStream(fc.nat()), (seeds) => {
      let now = sampleSheet();
      const back: Change[] = [];
      const check = () => {
        const fresh = { ...now, pages: now.pages.map((p) => ({ ...p })) };
        for (const { id } of everyItem(fresh)) {
          const [a, b] = [locate(now, id)!, find(fresh, id)!];
          expect(a.item).toBe(b.item);
          expect(a.siblings[a.index]).toBe(a.item);
          expect(a.groups.map((g) => g.id)).toEqual(b.groups.map((g) => g.id));
          expect(find(now, id)!.item).toBe(a.item);
        }
        for (const p of now.pages) expect(loadsOf(now, p.id).page).toEqual(loadOfAll(p.items));
        expect(locate(now, 'gone')).toBeUndefined();
      };
      for (let i = 0; i < 12; i++) {
        const [change] = fc.sample(changeFor(now), { seed: seeds.next().value as number, numRuns: 1 });
        const inverse = locate(now, 'box') && apply(now, change).ok ? invert(now, change) : null;
        const result = apply(now, change);
        if (!result.ok) continue;
        if (inverse) back.unshift(inverse);
        now = result.sheet;
        check();
      }
      for (const change of back.slice(0, 3)) {
        const result = apply(now, change);
        if (!result.ok) break;
        now = result.sheet;
        check();
      }
    }),
    { numRuns: 60 },
  );
});

describe('characters of two units', () => {
  const emoji = () =>
    sheet({ title: 'E', pages: [page({ id: 'p', items: [text({ id: 't', body: plain('a😀b👩‍🚀c') })] })] });
  test('are never cut in two, whichever stretch a change names', () => {
    fc.assert(
      fc.property(fc.nat({ max: 10 }), fc.nat({ max: 10 }), fc.constantFrom('splice', 'style'), (one, two, kind) => {
        const [from, to] = [Math.min(one, two, 9), Math.min(9, Math.max(one, two))];
        const change: Change =
          kind === 'splice'
            ? { kind, id: 't', at: from, remove: to - from, insert: plain('x') }
            : { kind: 'style', id: 't', from, to, patch: { bold: true } };
        const now = emoji();
        const result = apply(now, change);
        expect(result.ok).toBe(true);
        if (!result.ok) return;
        for (const item of everyItem(result.sheet))
          if (isWritten(item))
            for (const { runs } of item.body) for (const run of runs) expect(run.text.isWellFormed()).toBe(true);
        expect(apply(result.sheet, invert(now, change))).toEqual({ ok: true, sheet: now });
      }),
    );
  });
});
