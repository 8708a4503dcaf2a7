import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { beginMap } from '../makers/map/begin';
import { pageMatrix } from '../placement/on-page';
import type { MakerState } from '../schema/recipes/recipes';
import type { Change } from '../changes/change';
import { apply } from '../changes/change';
import { free, group, ink, line, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { everyItem, find, findOn } from '../sheet/tree';
import { MOST_BROUGHT } from './brought';
import { freeThrough, refusal } from './permission';
import type { Supply } from './supplies';
import { SUPPLIES } from './supplies';

/** Rights as a property: over random sheets, random supplies and every kind of change, also hostile ones. */

const touches = fc.constantFrom('fixed' as const, 'fill' as const, 'free' as const, 'free' as const, 'free' as const);
const mapOf = (pictures: (string | null)[]): MakerState => ({
  kind: 'map',
  recipe: {
    ...beginMap([]),
    nodes: pictures.map((shown, i) => ({ id: `n${i}`, text: 'w', parent: null, link: '', picture: shown })),
  },
  seed: 1,
  parts: [],
});
const chart = { kind: 'chart', recipe: {}, seed: 1, parts: [] } as unknown as MakerState;

function itemsFor(name: string): fc.Arbitrary<Item> {
  const leaf = (id: string): fc.Arbitrary<Item> =>
    fc.tuple(touches, fc.nat({ max: 4 })).map(([touch, kind]): Item => {
      const at = { touch, x: 10, y: 20, width: 60, height: 40 };
      return [
        text({ id, ...at, body: plain('words'), fit: 'grow' }),
        shape({ id, ...at }),
        picture({ id, ...at, picture: 'flat/owl' }),
        line({ id, touch, from: free(1, 2), to: free(30, 40) }),
        ink({ id, ...at, points: [0, 0, 0.5, 1, 1, 0.5] }),
      ][kind];
    });
  const node = (id: string, depth: number): fc.Arbitrary<Item> =>
    depth === 0
      ? leaf(id)
      : fc.oneof(
          leaf(id),
          fc
            .tuple(
              touches,
              fc.nat({ max: 3 }),
              fc
                .array(fc.nat(), { minLength: 0, maxLength: 3 })
                .chain((list) => fc.tuple(...list.map((_, i) => node(`${id}_${i}`, depth - 1)))),
            )
            .map(([touch, made, items]): Item =>
              group({
                id,
                touch,
                x: 5,
                y: 5,
                width: 200,
                height: 200,
                items,
                maker: made === 3 ? mapOf(['flat/fox']) : null,
              }),
            ),
        );
  return node(name, 3);
}
const sheets: fc.Arbitrary<Sheet> = fc
  .tuple(...Array.from({ length: 5 }, (_, i) => itemsFor(`i${i}`)))
  .map((items) => sheet({ title: 'S', pages: [page({ id: 'p', items }), page({ id: 'q' })] }));

const hostile = (now: Sheet): fc.Arbitrary<Change> => {
  // Also what the pages show that are made elsewhere.
  const ids = [...everyItem(now).map(({ id }) => id), 'b1-scan', 'b2-scan'];
  const id = fc.constantFrom(...ids);
  const spot = fc.record({
    page: fc.constantFrom('p', 'p', 'p', 'q', 'b1'),
    group: fc.constantFrom(null, null, ...ids),
    behind: fc.constantFrom(null, ...ids),
  });
  const fresh = fc.nat({ max: 1e6 }).map((n) => `new${n}`);
  const added = fc.tuple(fresh, touches, fc.nat({ max: 9 })).map(([newId, touch, what]): Item => {
    const inner = (item: Item) => group({ id: newId, touch, items: [item] });
    return [
      text({ id: newId, touch }),
      text({ id: newId, touch: 'free', blank: true }),
      shape({ id: newId, touch }),
      picture({ id: newId, touch, picture: 'flat/owl' }),
      ink({ id: newId, touch, points: [0, 0, 0.5] }),
      inner(picture({ id: `${newId}a`, touch: 'free', picture: 'flat/owl' })),
      {
        ...group({ id: newId, touch, items: [ink({ id: `${newId}a`, touch: 'free', points: [0, 0, 0.5] })] }),
        maker: mapOf([null]),
      },
      { ...group({ id: newId, touch, items: [] }), maker: mapOf(['flat/owl']) },
      inner({ ...group({ id: `${newId}a`, touch: 'free', items: [] }), maker: mapOf([null]) }),
      line({ id: newId, touch }),
    ][what] as Item;
  });
  const values = fc.oneof(
    fc.record(
      {
        x: fc.integer({ min: -50, max: 300 }),
        opacity: fc.constantFrom(0, 0.5),
        hidden: fc.constant(true),
        angle: fc.constant(90),
        height: fc.integer({ min: 10, max: 90 }),
        touch: fc.constant('free'),
        locked: fc.boolean(),
        picture: fc.constantFrom('flat/cat', 'flat/fox', 'own/mine'),
        blank: fc.constant(true),
      },
      { requiredKeys: [] },
    ),
    fc.constantFrom(mapOf([null]), mapOf(['flat/owl']), mapOf(['flat/fox']), chart, null).map((maker) => ({ maker })),
    fc.constant({ fill: null }),
    fc.constant({ from: free(9, 9) }),
  );
  const simple: fc.Arbitrary<Change> = fc.oneof(
    fc.record({ kind: fc.constant('insert' as const), spot, item: added }),
    fc.record({ kind: fc.constant('remove' as const), id }),
    fc.record({ kind: fc.constant('reorder' as const), id, spot }),
    fc.record({ kind: fc.constant('set' as const), id, values: values as fc.Arbitrary<Record<string, unknown>> }),
    id.map((one): Change => ({ kind: 'splice', id: one, at: 0, remove: 0, insert: plain('x') })),
    id.map((one): Change => ({ kind: 'style', id: one, from: 0, to: 3, patch: { bold: true } })),
    fc.constant<Change>({ kind: 'page-remove', id: 'q' }),
    fc.constant<Change>({ kind: 'page-set', id: 'p', values: { width: 900 } }),
    fc
      .tuple(
        fc.constantFrom('b1', 'b2'),
        fc.constantFrom(null, 'p', 'q'),
        fc.constantFrom('own/scan', 'own/scan', 'flat/owl'),
        fc.option(added),
      )
      .map(([pageId, behind, shown, also]): Change => {
        const brought = { picture: `${pageId}-scan`, file: 'f', name: 'work.pdf', number: 1, of: 2 };
        const scan = picture({ id: brought.picture, picture: shown, touch: 'free', locked: true });
        const items = also ? [also, scan] : [scan];
        return { kind: 'page-insert', behind, page: page({ id: pageId, brought, items }) };
      }),
    fc.constant<Change>({ kind: 'page-insert', behind: null, page: page({ id: 'b3', items: [] }) }),
    fc
      .tuple(fc.constantFrom('p', 'q', 'b1', 'b2'), fc.constantFrom(null, 'p', 'q', 'b1'))
      .map(([one, behind]): Change => ({ kind: 'page-move', id: one, behind })),
    fc.constantFrom('p', 'b1').map((one): Change => ({ kind: 'page-remove', id: one })),
    fc
      .tuple(fc.constantFrom('p', 'b1'), fc.constantFrom({ width: 500 }, { brought: null }, { background: null }))
      .map(([one, set]): Change => ({ kind: 'page-set', id: one, values: set })),
    fc.constant<Change>({ kind: 'sheet-set', values: { title: 'Mine' } }),
    fc.constant<Change>({ kind: 'role-set', id: 'title', role: null }),
  );
  return fc.oneof(
    { weight: 4, arbitrary: simple },
    {
      weight: 1,
      arbitrary: fc.array(simple, { minLength: 2, maxLength: 3 }).map((changes): Change => ({ kind: 'all', changes })),
    },
  );
};

/** What of a part may be changed where it may only be filled in. */
const FILLED: Record<Item['kind'], string[]> = {
  text: ['body', 'height'],
  shape: ['body', 'fill'],
  line: ['from', 'to'],
  picture: [],
  ink: [],
  group: [],
};

/** The teacher's parts of a sheet: each with its settings, its place on the page, and how it is seen; in their order. */
function theirs(now: Sheet) {
  return now.pages
    .filter(({ brought }) => brought === null)
    .map((p) => ({
      page: { ...p, items: [] },
      parts: everyItem(p)
        .filter((item) => !freeThrough(item))
        .map((item) => {
          const { groups } = findOn(p, item.id)!;
          const kept = { ...item } as Record<string, unknown>;
          delete kept.items;
          for (const key of item.touch === 'fill' ? FILLED[item.kind] : []) delete kept[key];
          return {
            kept,
            within: groups.map(({ id }) => id),
            matrix: isFramed(item) ? pageMatrix(p, { ...item, height: 40 } as typeof item) : null,
            seen: groups.every((around) => !around.hidden) && groups.map(({ opacity, shadow }) => [opacity, shadow]),
          };
        }),
    }));
}

/** All that is shown of a kind that was not there before. */
function appeared(before: Sheet, after: Sheet): { kinds: Set<string>; bad: string[] } {
  const kinds = new Set<string>();
  const bad: string[] = [];
  const recipes = (now: Sheet) =>
    everyItem(now).flatMap((item) =>
      item.kind === 'group' && item.maker?.kind === 'map'
        ? item.maker.recipe.nodes.flatMap((n) => n.picture ?? [])
        : [],
    );
  const known = new Set([
    ...recipes(before),
    ...everyItem(before).flatMap((item) => (item.kind === 'picture' ? [item.picture] : [])),
  ]);
  for (const { brought, items } of after.pages) {
    if (!brought) continue;
    kinds.add('page');
    if (items.some(({ id, kind }) => id === brought.picture && kind !== 'picture'))
      bad.push(`${brought.picture} is no picture`);
  }
  for (const item of everyItem(after)) {
    const old = find(before, item.id)?.item;
    const made = find(after, item.id)!.groups.some((around) => around.maker);
    const isPage = find(after, item.id)!.page.brought?.picture === item.id;
    if (isPage && item.kind === 'picture' && item.picture !== 'own/scan') kinds.add('picture');
    if (!old && !isPage && item.kind !== 'group' && !(made && item.kind !== 'ink' && item.kind !== 'picture'))
      kinds.add(item.kind);
    if (!old && item.touch !== 'free') bad.push(`${item.id} is ${item.touch}`);
    if (item.kind === 'text' && (item.blank || item.also.length > 0)) bad.push(`${item.id} is a blank`);
    if (item.kind === 'group' && item.maker) {
      const was = old?.kind === 'group' ? old.maker : null;
      if (!was) kinds.add(item.maker.kind);
      else if (was.kind !== item.maker.kind) bad.push(`${item.id} became a ${item.maker.kind}`);
    }
    if (old?.kind === 'picture' && item.kind === 'picture' && old.picture !== item.picture) kinds.add('picture');
  }
  if (recipes(after).some((one) => !known.has(one))) kinds.add('picture');
  return { kinds, bad };
}

/** Every picture on a sheet, drawn or in a recipe, but for pages made elsewhere. */
const shownOn = (now: Sheet): string[] =>
  [
    ...JSON.stringify(now.pages, (key, value: unknown) => (key === 'brought' ? undefined : value)).matchAll(
      /"picture":"([^"]+)"/g,
    ),
  ]
    .map(([, id]) => id)
    .filter((id) => id !== 'own/scan');
const usables = fc.option(fc.record({ ids: fc.subarray(['flat/owl', 'flat/fox', 'own/mine']), own: fc.boolean() }), {
  nil: null,
});

describe('whatever a student may do', () => {
  test(
    'leaves the teacher’s parts as they were, in place and order, and seen as before; nothing shut appears',
    { timeout: 60_000 },
    () => {
      let [allowed, denied] = [0, 0];
      fc.assert(
        fc.property(
          sheets.chain((given) =>
            fc.tuple(fc.constant(given), fc.array(hostile(given), { minLength: 6, maxLength: 12 })),
          ),
          fc.subarray([...SUPPLIES]),
          usables,
          ([given, changes], supplies, usable) => {
            let now = given;
            for (const change of changes) {
              if (refusal(now, change, supplies, {}, usable) !== null) {
                denied++;
                continue;
              }
              const result = apply(now, change);
              if (!result.ok) continue;
              allowed++;
              now = result.sheet;
            }
            expect(theirs(now)).toEqual(theirs(given));
            expect([now.title, now.roles]).toEqual([given.title, given.roles]);
            if (usable) {
              const may = [...usable.ids, ...shownOn(given)];
              const others = shownOn(now).filter((id) => !may.includes(id) && !(usable.own && id.startsWith('own/')));
              expect(others).toEqual([]);
            }
            const { kinds, bad } = appeared(given, now);
            expect(bad).toEqual([]);
            for (const kind of kinds)
              // A picture that a recipe of the teacher's holds may come back with it.
              if (!(kind === 'picture' && JSON.stringify(given).includes('"maker":{"kind":"map"')))
                expect(supplies as string[], kind).toContain(kind);
          },
        ),
        { numRuns: 1500 },
      );
      // A property over what is never allowed, or always, would say nothing; about a tenth is allowed.
      expect(Math.min(allowed, denied)).toBeGreaterThan(500);
    },
  );
});

describe('a student’s own', () => {
  const all: Supply[] = [...SUPPLIES];
  const mixed = group({
    id: 'mixed',
    touch: 'free',
    items: [shape({ id: 'fixed' }), shape({ id: 'mine', touch: 'free' })],
  });
  const own = group({ id: 'own', touch: 'free', items: [shape({ id: 'x', touch: 'free' })] });
  const shut = group({ id: 'shut', items: [shape({ id: 'y', touch: 'free' })] });
  const now = sheet({
    title: 'S',
    pages: [page({ id: 'p', items: [mixed, own, shut, shape({ id: 'z', touch: 'free' })] })],
  });
  const to = (groupId: string | null) => ({ page: 'p', group: groupId, behind: null });
  test.each<[string, Change, boolean]>([
    ['goes into their own group', { kind: 'reorder', id: 'z', spot: to('own') }, true],
    ['does not go into a fixed group', { kind: 'reorder', id: 'z', spot: to('shut') }, false],
    ['nor into a free one that holds fixed parts', { kind: 'reorder', id: 'z', spot: to('mixed') }, false],
    ['is not added there either', { kind: 'insert', spot: to('shut'), item: shape({ id: 'n', touch: 'free' }) }, false],
    ['comes out of where it was', { kind: 'reorder', id: 'mine', spot: to(null) }, true],
    ['moves within its fixed group', { kind: 'set', id: 'y', values: { x: 3 } }, true],
    ['is brought forward there', { kind: 'reorder', id: 'mine', spot: to('mixed') }, true],
    ['a group that holds fixed parts is not hidden', { kind: 'set', id: 'mixed', values: { hidden: true } }, false],
    ['nor moved', { kind: 'set', id: 'mixed', values: { x: 3 } }, false],
    ['their own is', { kind: 'set', id: 'own', values: { hidden: true } }, true],
  ])('%s', (_, change, may) => expect(refusal(now, change, all) === null).toBe(may));

  describe('page made elsewhere', () => {
    const scan = picture({ id: 'scan', picture: 'own/a', touch: 'free', locked: true });
    const brought = { picture: 'scan', file: 'f', name: 'work.pdf', number: 1, of: 2 };
    const work = page({ id: 'w', brought, items: [scan] });
    const on = sheet({ title: 'S', pages: [page({ id: 'p', items: [shape({ id: 'z' })] }), work] });
    const bring = (given: Partial<typeof work>): Change => ({
      kind: 'page-insert',
      behind: 'p',
      page: { ...work, id: 'n', ...given },
    });
    test.each<[string, Change, boolean]>([
      ['comes in', bring({}), true],
      ['comes back with what was written on it', bring({ items: [text({ id: 't', touch: 'free' }), scan] }), true],
      [
        'shows a picture that was brought, not one that ships',
        bring({ items: [{ ...scan, picture: 'flat/owl' }] }),
        false,
      ],
      ['brings no other picture along', bring({ items: [{ ...scan, id: 'other' }, scan] }), false],
      ['does not lack what it shows', bring({ items: [] }), false],
      ['brings nothing fixed', bring({ items: [shape({ id: 's' }), scan] }), false],
      ['is no empty page', bring({ brought: null, items: [] }), false],
      ['keeps what it shows', { kind: 'reorder', id: 'scan', spot: { page: 'p', group: null, behind: null } }, false],
      [
        'also behind what is put on it',
        { kind: 'reorder', id: 'scan', spot: { page: 'w', group: null, behind: null } },
        true,
      ],
      ['goes', { kind: 'page-remove', id: 'w' }, true],
      ['moves', { kind: 'page-move', id: 'w', behind: null }, true],
      ['is turned', { kind: 'page-set', id: 'w', values: { width: 612, height: 792 } }, true],
      ['stays marked as brought', { kind: 'page-set', id: 'w', values: { brought: null } }, false],
      ['the teacher’s page stays', { kind: 'page-remove', id: 'p' }, false],
      ['and is not turned', { kind: 'page-set', id: 'p', values: { width: 612 } }, false],
    ])('%s', (_, change, may) => expect(refusal(on, change, ['page', 'text']) === null).toBe(may));
    test('goes on to show what was handed in, also where pictures are opened', () => {
      const other: Change = { kind: 'set', id: 'scan', values: { picture: 'flat/owl' } };
      expect(refusal(on, other, ['page', 'picture'])).toMatch(/not opened/);
    });
    test('needs that they are opened, and has an end', () => {
      expect(refusal(on, bring({}), ['picture'])).toMatch(/not opened/);
      const many = Array.from({ length: MOST_BROUGHT }, (_, i) => ({ ...work, id: `w${i}`, items: [] }));
      expect(refusal({ ...on, pages: [on.pages[0], ...many] }, bring({}), ['page'])).toMatch(/At most 40 pages/);
    });
  });

  test('map brings in no picture, ink or other recipe while those are shut', () => {
    const map = { ...group({ id: 'map', touch: 'free', items: [] }), maker: mapOf([null]) };
    const on = sheet({ title: 'S', pages: [page({ id: 'p', items: [map] })] });
    const part = (item: Item, supplies: Supply[]) => refusal(on, { kind: 'insert', spot: to('map'), item }, supplies);
    const owl = picture({ id: 'n', touch: 'free', picture: 'flat/owl' });
    const set = (maker: MakerState, supplies: Supply[]) =>
      refusal(on, { kind: 'set', id: 'map', values: { maker } }, supplies);
    expect([part(owl, ['map']), part(owl, ['map', 'picture'])]).toEqual([expect.any(String), null]);
    expect(part(ink({ id: 'n', touch: 'free', points: [0, 0, 0.5] }), ['map', 'ink'])).not.toBeNull();
    expect(part(group({ id: 'n', touch: 'free', items: [] }), ['map'])).not.toBeNull();
    expect(set(mapOf(['flat/owl']), ['map'])).not.toBeNull();
    expect(set(mapOf(['flat/owl']), ['map', 'picture'])).toBeNull();
    expect(set(chart, all)).not.toBeNull();
  });
});
