import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { again, madeFrom, partOf, shippedPicture, testKit, withoutPart, withPart } from '../../../tests/support/made';
import { overlaps } from '../../geometry/box';
import { targetPoint } from '../../placement/line';
import { answered, givenOut, keyOf } from '../../handout/copy';
import { count } from '../../lookfors/all';
import { bodyText, isEmpty } from '../../text/body';
import { markOf } from '../../sheet/made';
import { group as groupOf, page, plain, sheet, shape } from '../../schema/defaults';
import type { GroupItem, Item, ShapeItem, TextItem } from '../../schema/sheet';
import { Item as ItemSchema } from '../../schema/sheet';
import { find } from '../../sheet/tree';
import type { Kit } from '../kit/maker';
import { contrastOf } from '../../colour/space';
import { apply } from '../../changes/change';
import { beginLabels, calledLine, rolesForLines, spotsOf } from './begin';
import { shuffled } from '../kit/shuffle';
import { bankFor, firstLetters, labelsFor } from './editions';
import type { Wanted } from './place';
import { crossing, crossings, leastMatching, placeLabels } from './place';
import type { Edition } from '../../schema/recipes/labels';
import { DRAWING, EDITIONS, LabelsRecipe } from '../../schema/recipes/labels';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const heron = (values: Partial<LabelsRecipe> = {}): LabelsRecipe => ({
  ...beginLabels([], 'diagram/heron', spotsOf(shippedPicture('diagram/heron'))),
  ...values,
});
const on = (item: Item) => sheet({ title: 'S', pages: [page({ id: 'p', items: [item] })] });
const said = (group: GroupItem, part: string) => bodyText(partOf<'text'>(group, part).body);
const labelsIn = (group: GroupItem) =>
  group.items.filter((item): item is TextItem => /^l-/.test(item.made?.part ?? ''));

const spots = (most: number) =>
  fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 400 })), {
    minLength: 1,
    maxLength: most,
  });
const COLUMNS = [
  { side: 'left' as const, x: -20 },
  { side: 'right' as const, x: 320 },
];
const wantedAt = (list: [number, number][]): Wanted[] =>
  list.map(([x, y]) => ({ spot: { x, y }, width: 60, height: 18 }));

describe('placing', () => {
  test('no two leaders cross, no two labels overlap, and all are within the height', () =>
    fc.assert(
      fc.property(spots(36), (list) => {
        const wanted = wantedAt(list as [number, number][]);
        const places = placeLabels(wanted, COLUMNS, 400, 4);
        expect(places).not.toContain(null);
        const leaders = places.map(
          (place, i) => [wanted[i].spot, { x: COLUMNS[place!.column].x, y: place!.y }] as const,
        );
        expect(crossings(leaders)).toBe(0);
        for (const [i, a] of places.entries()) {
          expect(a!.y - 9).toBeGreaterThan(-0.01);
          expect(a!.y + 9).toBeLessThan(400.01);
          for (const b of places.slice(i + 1))
            if (a!.column === b!.column) expect(Math.abs(a!.y - b!.y)).toBeGreaterThan(18 + 3.99);
        }
      }),
      { numRuns: 300 },
    ));
  test('the matching is of least cost: as cheap as the best of all orders', () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.nat(50), { minLength: 5, maxLength: 5 }), { minLength: 1, maxLength: 4 }),
        (cost) => {
          const found = leastMatching(cost);
          expect(new Set(found).size).toBe(cost.length);
          const cheapest = (row: number, used: number[]): number =>
            row === cost.length
              ? 0
              : Math.min(
                  ...[0, 1, 2, 3, 4]
                    .filter((j) => !used.includes(j))
                    .map((j) => cost[row][j] + cheapest(row + 1, [...used, j])),
                );
          expect(found.reduce((sum, j, i) => sum + cost[i][j], 0)).toBe(cheapest(0, []));
        },
      ),
    ));
  test('labels stand level with their spots where there is room', () => {
    const [place] = placeLabels(wantedAt([[10, 137]]), COLUMNS, 400, 4);
    expect(place).toEqual({ column: 0, y: 137 });
  });
  test('what has no room is left out, from the end', () => {
    const places = placeLabels(wantedAt(Array.from({ length: 50 }, (_, i) => [i, i])), COLUMNS, 100, 4);
    expect(places.filter(Boolean)).toHaveLength(8);
    expect(places.slice(0, 8)).not.toContain(null);
  });
  test('segments that only touch do not cross', () => {
    const p = (x: number, y: number) => ({ x, y });
    expect(crossing([p(0, 0), p(2, 2)], [p(0, 2), p(2, 0)])).toBe(true);
    expect(crossing([p(0, 0), p(2, 2)], [p(2, 2), p(4, 0)])).toBe(false);
  });
});

describe('every edition', () => {
  test.each(EDITIONS)('%s fits its frame, is fit for a sheet, and leads to every spot', async (edition) => {
    const recipe = heron({ edition });
    const { group, notes } = await madeFrom('labels', recipe, kit);
    expect(notes).toEqual([]);
    for (const item of group.items) {
      expect(ItemSchema.safeParse(item).success).toBe(true);
      if (item.kind === 'line') continue;
      expect(item.x).toBeGreaterThan(-0.1);
      expect(item.x + item.width).toBeLessThan(600.1);
      expect(item.y + item.height).toBeLessThan(400.1);
    }
    const leaders = group.items.filter((item) => item.kind === 'line' && /^k-/.test(item.made!.part));
    expect(leaders).toHaveLength(recipe.spots.length);
  });
  test.each(EDITIONS)('%s: the same seed gives the same', async (edition) =>
    expect(await madeFrom('labels', heron({ edition }), kit, { seed: 7 })).toEqual(
      await madeFrom('labels', heron({ edition }), kit, { seed: 7 }),
    ),
  );
  test.each(['first', 'some', 'blank', 'bank', 'swapped', 'numbers'] as Edition[])(
    '%s: what students get holds no answer that they have to find, and the key has all of them',
    async (edition) => {
      const recipe = heron({ edition });
      const { group } = await madeFrom('labels', recipe, kit, { seed: 3 });
      const whole = on(group);
      const copy = givenOut(whole);
      const [{ expect: key }] = keyOf(whole);
      expect(key.length).toBe(edition === 'some' ? 3 : recipe.spots.length);
      expect(JSON.stringify(copy)).not.toContain('"also":["');
      const lookFor = {
        kind: 'labels' as const,
        id: 'k',
        title: 'T',
        tell: 'result' as const,
        spelling: 'exact' as const,
        ...keyOf(whole)[0],
      };
      const context = { handedOut: copy, studentName: 'I' };
      const got = count(lookFor, copy, context);
      // In the swapped edition, labels that were not swapped are right already.
      expect(got.got).toBe(edition === 'swapped' ? recipe.spots.length - 3 : 0);
      expect(count(lookFor, answered(whole), context).held).toBe(true);
    },
  );
  test('a blank is as wide as any other: its width tells nothing', async () => {
    const { group } = await madeFrom('labels', heron({ edition: 'blank' }), kit);
    expect(new Set(labelsIn(group).map((item) => item.width)).size).toBe(1);
  });
  test('explained labels have a place to write under each', async () => {
    const { group } = await madeFrom('labels', heron({ edition: 'explain' }), kit);
    const boxes = group.items.filter((item) => /^e-/.test(item.made!.part));
    expect(boxes).toHaveLength(heron().spots.length);
    expect(boxes.every((item) => item.touch === 'fill')).toBe(true);
  });
  test('another seed leaves others empty', () => {
    const blanks = (seed: number) =>
      labelsFor(heron({ edition: 'some' }), seed).flatMap((label) => (label.blank ? label.spot.id : []));
    expect(new Set(Array.from({ length: 8 }, (_, seed) => blanks(seed).join())).size).toBeGreaterThan(3);
    expect(blanks(2)).toHaveLength(3);
  });
  test('swapped words all stand at wrong spots, and no other word is touched', () =>
    fc.assert(
      fc.property(fc.nat(10_000), fc.integer({ min: 2, max: 9 }), (seed, some) => {
        const labels = labelsFor(heron({ edition: 'swapped', some }), seed);
        const wrong = labels.filter(({ words, answer }) => words !== answer);
        expect(wrong).toHaveLength(some);
        expect(wrong.map(({ words }) => words).sort()).toEqual(wrong.map(({ answer }) => answer).sort());
      }),
    ));
  test('first letters leave a gap for each letter', () => {
    expect(firstLetters('walking leg')).toBe('w______ l__');
    expect(firstLetters('é')).toBe('é');
  });
});

describe('a word bank', () => {
  test('holds each word once and all decoys, in an order of its own', () => {
    const recipe = heron({ decoys: ['antler', 'hoof'] });
    const { words } = bankFor(recipe, 5);
    expect(words.slice().sort()).toEqual([...recipe.spots.map((spot) => spot.words), 'antler', 'hoof'].sort());
    expect(words).not.toEqual(bankFor(recipe, 6).words);
  });
  test('a decoy that is right somewhere is left out, and said', async () => {
    const { notes, group } = await madeFrom('labels', heron({ edition: 'bank', decoys: ['Bill', 'antler'] }), kit);
    expect(notes[0]).toMatch(/“Bill” can’t mislead/);
    expect(said(group, 'bank').match(/bill/gi)).toHaveLength(1);
  });
  test('shuffling keeps all, and is evenly spread over places', () => {
    let n = 0;
    const random = () => ((n = (n * 7 + 3) % 11), n / 11);
    expect(shuffled([1, 2, 3, 4], random).sort()).toEqual([1, 2, 3, 4]);
  });
});

describe('spots', () => {
  test('of no named part are shares of the picture, of a region an ellipse round it', async () => {
    const spot = {
      id: 'a',
      words: 'sheen',
      also: [],
      x: 0.4,
      y: 0.3,
      wide: 0.2,
      high: 0.1,
      target: null,
      definition: '',
      reason: '',
    };
    const { group } = await madeFrom('labels', heron({ spots: [spot] }), kit);
    const base = partOf<'picture'>(group, 'base');
    const leader = partOf<'line'>(group, 'k-a');
    expect(leader.to.target).toBe('@40,30');
    expect(targetPoint(base, '@40,30', shippedPicture)).toEqual({ x: base.width * 0.4, y: base.height * 0.3 });
    const ring = partOf<'shape'>(group, 'r-a');
    expect(ring.width).toBeCloseTo(base.width * 0.2, 1);
    expect(ring.x + ring.width / 2).toBeCloseTo(base.x + base.width * 0.4, 1);
  });
  test('on anything with a frame, not only on pictures', () =>
    expect(targetPoint(shape({ id: 's', width: 200, height: 100 }), '@25,50', () => undefined)).toEqual({
      x: 50,
      y: 50,
    }));
  test('that do not fit are named, with what would help', async () => {
    const many = Array.from({ length: 60 }, (_, i) => ({
      ...heron().spots[0],
      id: `s${i}`,
      words: `part ${i}`,
      target: null,
    }));
    const { notes, group } = await madeFrom('labels', heron({ spots: many }), kit, { width: 300, height: 160 });
    expect(notes[0]).toMatch(/no room for .*“part 59”.*taller/);
    expect(labelsIn(group).length).toBeGreaterThan(5);
  });
  test('more than 60 are refused', () => {
    const many = Array.from({ length: 61 }, (_, i) => ({ ...heron().spots[0], id: `s${i}` }));
    expect(LabelsRecipe.safeParse(heron({ spots: many })).success).toBe(false);
  });
  test('none at all: the picture, and what to do', async () => {
    const { group, notes } = await madeFrom('labels', heron({ spots: [] }), kit);
    expect(partOf<'picture'>(group, 'base').height).toBeGreaterThan(300);
    expect(notes[0]).toMatch(/new spot/);
  });
  test('a picture that is not there any more leaves its place', async () => {
    const { group } = await madeFrom('labels', heron({ picture: 'flat/no-such-thing' }), kit);
    expect(partOf<'picture'>(group, 'base').width).toBeGreaterThan(100);
  });
});

describe('by hand', () => {
  test('words typed into a label become the name of the spot; a label taken away takes its spot', async () => {
    const { group } = await madeFrom('labels', heron(), kit);
    const named = withPart(group, 'l-1', { body: plain('beak') } as Partial<Item>);
    const { group: after } = await again({ group: withoutPart(named, 'l-2') }, kit);
    const { recipe } = after.maker as { recipe: LabelsRecipe };
    expect(recipe.spots[0].words).toBe('beak');
    expect(recipe.spots.map(({ id }) => id)).not.toContain('2');
    expect(partOf(after, 'k-2')).toBeUndefined();
  });
  test('a label that was moved stays where it was put when the edition changes', async () => {
    const { group } = await madeFrom('labels', heron(), kit);
    const label = partOf<'text'>(group, 'l-1');
    const moved = withPart(group, 'l-1', { x: label.x + 30, y: label.y + 12 });
    const fresh = partOf<'text'>((await madeFrom('labels', heron({ edition: 'blank' }), kit)).group, 'l-1');
    const { group: after } = await again(
      { group: moved, state: { kind: 'labels', recipe: heron({ edition: 'blank' }), seed: 1 } },
      kit,
    );
    expect(partOf<'text'>(after, 'l-1').x - fresh.x).toBeCloseTo(30);
  });
  test('first letters that stand in a label are not taken for its name', async () => {
    const { group } = await madeFrom('labels', heron({ edition: 'first' }), kit);
    const { group: after } = await again({ group }, kit);
    expect((after.maker as { recipe: LabelsRecipe }).recipe.spots).toEqual(heron().spots);
  });
});

test('a call-out: its title and two lines in their roles, in a box that covers no other', async () => {
  const traits = heron({
    form: 'traits',
    size: 10,
    spots: heron()
      .spots.slice(0, 6)
      .map((spot) => ({ ...spot, definition: 'a long tool', reason: 'it spears fish' })),
  });
  const { group, notes } = await madeFrom('labels', traits, kit);
  expect(notes).toEqual([]);
  expect(['t-1', 'd-1', 'e-1'].map((part) => partOf<'text'>(group, part).role)).toEqual([
    'heading',
    'call-out-what-it-is-like',
    'call-out-what-for',
  ]);
  expect(said(group, 'd-1')).toBe('a long tool');
  const boxes = group.items.filter((item) => item.kind === 'shape');
  for (const [i, a] of boxes.entries()) for (const b of boxes.slice(i + 1)) expect(overlaps(a, b)).toBe(false);
  const empty = await madeFrom('labels', { ...traits, edition: 'blank' }, kit);
  const copy = givenOut(on(empty.group));
  const id = partOf(empty.group, 'd-1').id;
  expect(bodyText((find(copy, id)!.item as TextItem).body)).toBe('');
  expect(bodyText((find(copy, partOf(empty.group, 't-1').id)!.item as TextItem).body)).toBe(traits.spots[0].words);
});

test('numbers run round the picture with the clock', async () => {
  const { group } = await madeFrom('labels', heron({ edition: 'numbers' }), kit);
  const numbered = group.items
    .filter(
      (item): item is TextItem | ShapeItem =>
        /^l-/.test(item.made?.part ?? '') && (item.kind === 'text' || item.kind === 'shape'),
    )
    .map((item) => ({ n: Number(bodyText(item.body)), x: item.x, y: item.y }))
    .sort((a, b) => a.n - b.n);
  expect(numbered.map(({ n }) => n)).toEqual(numbered.map((_, i) => i + 1));
  const middle = (Math.min(...numbered.map(({ x }) => x)) + Math.max(...numbered.map(({ x }) => x))) / 2;
  const right = numbered.filter(({ x }) => x > middle);
  const left = numbered.filter(({ x }) => x <= middle);
  expect(numbered).toEqual([...right, ...left]);
  expect(right.map(({ y }) => y)).toEqual(right.map(({ y }) => y).toSorted((a, b) => a - b));
  expect(left.map(({ y }) => y)).toEqual(left.map(({ y }) => y).toSorted((a, b) => b - a));
});

test('the roles of call-outs are named for what they hold, in dark colours of the palette, once', () => {
  const { roles, palette } = sheet({ title: 's', pages: [page({ id: 'p' })] });
  expect(Object.keys(roles)).not.toContain('definition');
  const lines = [calledLine('Wofür'), calledLine('Πού ζει')];
  const changes = rolesForLines(lines, { roles, palette });
  expect(changes.map((change) => change.kind === 'role-set' && change.role?.name)).toEqual(['Wofür', 'Πού ζει']);
  expect(new Set(lines.map(({ role }) => role)).size).toBe(2);
  let now = sheet({ title: 's', pages: [page({ id: 'p' })] });
  for (const change of changes) {
    const result = apply(now, change);
    if (result.ok) now = result.sheet;
  }
  for (const { role } of lines) {
    expect(palette).toContain(now.roles[role].run.colour);
    expect(contrastOf(now.roles[role].run.colour, '#ffffff')).toBeGreaterThanOrEqual(4.5);
  }
  expect(rolesForLines(lines, now)).toEqual([]);
});

test('call-outs that were made before keep the roles that they were set in', () => {
  const { lines: _, ...before } = heron({ form: 'traits' });
  expect(LabelsRecipe.parse(before).lines.map(({ role }) => role)).toEqual(['definition', 'reason']);
});

describe('around a drawing', () => {
  const drawn = () => {
    const item = groupOf({
      id: 'mine',
      x: 200,
      y: 20,
      width: 200,
      height: 100,
      items: [
        shape({ id: 'body', x: 0, y: 0, width: 200, height: 50 }),
        shape({ id: 'leg', x: 90, y: 50, width: 20, height: 50 }),
      ],
    });
    return { ...item, made: markOf(item, DRAWING, (id) => id) };
  };
  const spot = { ...spotsOf(shippedPicture('diagram/heron'))[0], target: null, x: 0.5, y: 0.9, words: 'leg' };
  const recipe = (values: Partial<LabelsRecipe> = {}): LabelsRecipe => ({
    ...beginLabels([]),
    drawing: { ratio: 2 },
    spots: [spot],
    ...values,
  });
  const begun = (values: Partial<LabelsRecipe> = {}, size = { width: 600, height: 300 }) =>
    again(
      {
        group: groupOf({ id: 'g', ...size, items: [drawn()] }),
        state: { kind: 'labels', recipe: recipe(values), seed: 1 },
      },
      kit,
    );
  const mine = (group: GroupItem) => group.items.find(({ id }) => id === 'mine') as GroupItem;
  const place = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => ({
    x,
    y,
    width,
    height,
  });

  test('leaders hold on to it, and it fills the place between the labels, behind them', async () => {
    const { group } = await begun();
    const base = partOf<'shape'>(group, 'base');
    expect([base.fill, base.outline, isEmpty(base.body)]).toEqual([null, null, true]);
    expect(place(mine(group))).toEqual(place(base));
    expect(base.width / base.height).toBeCloseTo(2, 2);
    expect(group.items.at(-1)).toBe(mine(group));
    // What it is drawn of goes along.
    expect(mine(group).items[0]).toMatchObject({ width: base.width, height: base.height / 2 });
    const leader = partOf<'line'>(group, `k-${spot.id}`);
    expect([leader.to.item, leader.to.target]).toEqual([base.id, '@50,90']);
    expect(ItemSchema.safeParse(group).success).toBe(true);
  });
  test('it stays where it is when nothing changes, and follows the frame', async () => {
    const { group } = await begun();
    const next = (await again({ group }, kit)).group;
    expect(next).toEqual(group);
    const wider = (await again({ group: { ...group, width: 900, height: 500 } }, kit)).group;
    expect(mine(wider).width).toBeGreaterThan(mine(group).width);
    expect(place(mine(wider))).toEqual(place(partOf<'shape'>(wider, 'base')));
  });
  test('pulled wider by hand, it keeps its new proportions', async () => {
    const { group } = await begun();
    const items = group.items.map((item) =>
      item.id === 'mine' ? { ...item, width: 300, height: 100 } : item,
    ) as Item[];
    const next = (await again({ group: { ...group, items } }, kit)).group;
    expect((next.maker!.recipe as LabelsRecipe).drawing!.ratio).toBeCloseTo(3, 2);
    expect(mine(next).width / mine(next).height).toBeCloseTo(3, 1);
  });
  test('it gives way to a picture, and labels stay when it was taken away', async () => {
    const { group } = await begun();
    const state = { kind: 'labels' as const, recipe: recipe({ drawing: null }), seed: 1 };
    const pictured = (await again({ group, state }, kit)).group;
    expect(mine(pictured)).toBeUndefined();
    expect(partOf<'picture'>(pictured, 'base').kind).toBe('picture');
    const without = { ...group, items: group.items.filter(({ id }) => id !== 'mine') };
    expect(said((await again({ group: without }, kit)).group, `l-${spot.id}`)).toBe('leg');
  });
});
