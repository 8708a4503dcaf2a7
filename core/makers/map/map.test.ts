import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { again, madeFrom, partOf, testKit, withoutPart, withPart } from '../../../tests/support/made';
import { centre, contains, grown, overlaps } from '../../geometry/box';
import { clear, crosses } from '../../geometry/around';
import { linePoints } from '../../items/line';
import { distanceTo } from '../../placement/line';
import type { Box } from '../../geometry/matrix';
import { page, plain } from '../../schema/defaults';
import type { GroupItem, Item, LineItem, ShapeItem, TextItem } from '../../schema/sheet';
import { Item as ItemSchema } from '../../schema/sheet';
import { resizedGroup } from '../../items/scale';
import type { Kit } from '../kit/maker';
import { alteredCount } from '../remake';
import { beginMap } from './begin';
import { inkOf } from './links';
import { indentedOf } from './files';
import { rowsFromText, withRows } from './outline';
import type { MapLayout, MapRecipe } from '../../schema/recipes/map';
import { MAP_LAYOUTS } from '../../schema/recipes/map';
import { tidy } from './tidy';
import type { Branch } from './tree';
import { branchesOf, everyBranch } from './tree';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const MARSH =
  'The salt marsh\n\tPlants\n\t\tglasswort\n\t\tsea lavender\n\tAnimals\n\t\theron\n\t\tshore crab\n\t\tmud snail\n\tWater\n\t\tcreek';
const map = (text = MARSH, values: Partial<MapRecipe> = {}): MapRecipe => ({
  ...withRows(beginMap([]), rowsFromText(text)),
  ...values,
});
const idOf = (recipe: MapRecipe, text: string) => recipe.nodes.find((node) => node.text === text)!.id;
const nodesOf = (made: GroupItem) => made.items.filter((item): item is ShapeItem => item.kind === 'shape');
const ROOM = { width: 1400, height: 1100 };

/** What words on a link cover: their plate, or where they have none the ink of their letters. */
const covered = (words: TextItem): Box => (words.plate ? grown(words, words.plate.spread - 0.01) : inkOf(words));

/** Trees of any form, by the parent of each node. */
const treeOf = (list: readonly (readonly [pick: number, words: number])[]): MapRecipe['nodes'] =>
  list.map(([pick, words], i) => ({
    id: `n${i}`,
    text: 'mud worm '.repeat(words).trim(),
    parent: i === 0 ? null : `n${pick % i}`,
    link: i % 3 === 1 ? 'lives in' : '',
    picture: null,
  }));
const trees = fc
  .array(fc.tuple(fc.nat(1000), fc.integer({ min: 1, max: 3 })), { minLength: 1, maxLength: 24 })
  .map(treeOf);
/** Words without a plate stood too near to others on it. */
const NEAR_WORDS = treeOf([
  [0, 2],
  [0, 1],
  [0, 3],
  [1, 3],
  [3, 1],
  [3, 1],
  [5, 3],
  [5, 3],
  [0, 1],
  [2, 3],
  [5, 1],
]);
const random = (layout: MapLayout, nodes: MapRecipe['nodes']): MapRecipe => {
  const order: MapRecipe['nodes'] = [];
  const put = (parent: string | null) => {
    for (const node of nodes)
      if (node.parent === parent) {
        order.push(node);
        put(node.id);
      }
  };
  put(null);
  return { ...beginMap([]), layout, nodes: order, size: 10 };
};

describe('every layout', () => {
  test.each(MAP_LAYOUTS.filter((layout) => layout !== 'nested'))('%s: no node lies on another', async (layout) => {
    await fc.assert(
      fc.asyncProperty(trees, async (nodes) => {
        const { group } = await madeFrom('map', random(layout, nodes), kit, ROOM);
        const boxes = nodesOf(group);
        for (const [i, a] of boxes.entries())
          for (const b of boxes.slice(i + 1)) expect(overlaps(shrunk(a), shrunk(b)), `${a.id} on ${b.id}`).toBe(false);
      }),
      { numRuns: layout === 'network' ? 6 : 25 },
    );
  });
  test('nested: each node lies within what it hangs under, and on nothing else', async () => {
    await fc.assert(
      fc.asyncProperty(trees, async (nodes) => {
        const { group } = await madeFrom('map', random('nested', nodes), kit, ROOM);
        const box = new Map(nodesOf(group).map((item) => [item.made!.part.slice(2), item]));
        for (const a of nodes)
          for (const b of nodes) {
            if (a.id >= b.id) continue;
            const [p, q] = [box.get(a.id)!, box.get(b.id)!];
            const inside = up(nodes, b.id).includes(a.id) ? [p, q] : up(nodes, a.id).includes(b.id) ? [q, p] : null;
            if (inside) expect(holds(inside[0], inside[1])).toBe(true);
            else expect(overlaps(shrunk(p), shrunk(q))).toBe(false);
          }
      }),
      { numRuns: 25 },
    );
  });
  test.each(MAP_LAYOUTS)('%s: stays in its frame, and all of it is fit for a sheet', async (layout) => {
    const { group, notes } = await madeFrom('map', map(MARSH, { layout }), kit);
    // Of three branches, two are compared.
    expect(notes).toEqual(
      layout === 'compare' ? [expect.stringMatching(/^Two things are compared.*“Water” stands below/)] : [],
    );
    for (const item of group.items) {
      expect(ItemSchema.safeParse(item).success).toBe(true);
      if (item.kind === 'line') continue;
      expect(item.x).toBeGreaterThan(-0.1);
      expect(item.y).toBeGreaterThan(-0.1);
      expect(item.x + item.width).toBeLessThan(600.1);
      expect(item.y + item.height).toBeLessThan(400.1);
    }
    expect(nodesOf(group)).toHaveLength(10);
  });
  test('the same recipe gives the same map', async () => {
    for (const layout of MAP_LAYOUTS) {
      const [a, b] = [
        await madeFrom('map', map(MARSH, { layout }), kit),
        await madeFrom('map', map(MARSH, { layout }), kit),
      ];
      expect(a).toEqual(b);
    }
  });
  test('words get smaller where the frame is small, and when they can’t it is said', async () => {
    const small = await madeFrom('map', map(), kit, { width: 310, height: 175 });
    expect(sizeIn(partOf<'shape'>(small.group, 'n-2'))).toBeLessThan(13);
    expect(small.notes).toEqual([]);
    const tiny = await madeFrom('map', map(), kit, { width: 60, height: 40 });
    expect(tiny.notes[0]).toMatch(/larger than its frame.*Make the frame larger/);
  });
  test('an empty outline makes nothing, and says what to do', async () => {
    const { group, notes } = await madeFrom('map', { ...map(), nodes: [], links: [] }, kit);
    expect(group.items).toEqual([]);
    expect(notes[0]).toMatch(/write its first line/);
  });
  test('a word of 300 letters is broken, not lost', async () => {
    const { group } = await madeFrom('map', map(`root\n\t${'w'.repeat(300)}`), kit);
    expect(partOf<'shape'>(group, 'n-2').width).toBeLessThan(600);
  });
});

const shrunk = ({ x, y, width, height }: Box): Box => ({
  x: x + 0.1,
  y: y + 0.1,
  width: width - 0.2,
  height: height - 0.2,
});
const holds = (outer: Box, inner: Box) =>
  inner.x >= outer.x - 0.1 &&
  inner.y >= outer.y - 0.1 &&
  inner.x + inner.width <= outer.x + outer.width + 0.1 &&
  inner.y + inner.height <= outer.y + outer.height + 0.1;
const up = (nodes: MapRecipe['nodes'], id: string): string[] => {
  const parent = nodes.find((node) => node.id === id)!.parent;
  return parent === null ? [] : [parent, ...up(nodes, parent)];
};
const sizeIn = (item: ShapeItem | TextItem) => item.body[0].runs[0].style.size!;

describe('the tree', () => {
  const sized = (nodes: MapRecipe['nodes']) =>
    branchesOf(nodes, (_, depth) => ({ width: 20 + depth * 3, height: 10, link: { width: 0, height: 0 } }));
  test('parents stand over the middle of their children, equal branches look equal', () => {
    const [root] = sized(map('r\n\ta\n\t\tb\n\t\tc\n\td\n\t\te\n\t\tf').nodes);
    const at = tidy(root, (b) => b.width, 10);
    const x = (text: string) => at.get(everyBranch([root]).find((b) => b.node.text === text)!)!;
    expect(x('r')).toBeCloseTo((x('a') + x('d')) / 2);
    expect(x('a')).toBeCloseTo((x('b') + x('c')) / 2);
    expect(x('c') - x('b')).toBeCloseTo(x('f') - x('e'));
  });
  test('neighbours in a level keep their distance, whatever the form', () =>
    fc.assert(
      fc.property(trees, (nodes) => {
        const roots = sized(random('down', nodes).nodes);
        const at = tidy(roots[0], (b) => b.width, 8);
        const levels: Branch[][] = [];
        for (const branch of everyBranch(roots)) (levels[branch.depth] ??= []).push(branch);
        for (const level of levels)
          level.forEach((branch, i) => {
            if (i > 0) expect(at.get(branch)! - at.get(level[i - 1])!).toBeGreaterThan(branch.width + 8 - 0.001);
          });
      }),
    ));
  test('a chain of 600 is no deeper than the stack', () => {
    const nodes = Array.from({ length: 600 }, (_, i) => ({
      id: `n${i}`,
      text: 'x',
      parent: i ? `n${i - 1}` : null,
      link: '',
      picture: null,
    }));
    expect(new Set(tidy(sized(nodes)[0], () => 10, 5).values()).size).toBe(1);
  });
});

test('a tree stays lined up where it is spread over its frame', async () => {
  const starts = async (layout: MapLayout, of: (item: ShapeItem) => number) => {
    const recipe = map(MARSH, { layout });
    const { group } = await madeFrom('map', recipe, kit, ROOM);
    return ['glasswort', 'sea lavender', 'heron', 'creek'].map((text) =>
      of(partOf<'shape'>(group, `n-${idOf(recipe, text)}`)),
    );
  };
  for (const list of [await starts('right', ({ x }) => x), await starts('down', ({ y }) => y)])
    for (const start of list) expect(start).toBeCloseTo(list[0], 1);
});

test('every layout takes pictures beside any of its nodes, also where two are drawn as one', async () => {
  await fc.assert(
    fc.asyncProperty(trees, fc.constantFrom(...MAP_LAYOUTS), async (nodes, layout) => {
      const shown = nodes.map((node, i) => ({ ...node, picture: i % 3 === 0 ? null : 'flat/crab' }));
      const { group } = await madeFrom('map', random(layout, shown), kit, ROOM);
      const drawn = nodesOf(group).map((item) => item.made!.part.slice(2));
      for (const item of group.items) if (item.kind === 'picture') expect(drawn).toContain(item.made!.part.slice(2));
    }),
    { numRuns: 40 },
  );
  const recipe = map('marsh\n\tmud\n\ttides\nrocks\n\tTides\n\tstone', { layout: 'compare' });
  const nodes = recipe.nodes.map((node) => ({ ...node, picture: 'flat/crab' }));
  const { group } = await madeFrom('map', { ...recipe, nodes }, kit);
  expect(group.items.filter((item) => item.kind === 'picture')).toHaveLength(5);
});
test.each(['chain', 'cycle'] as const)('a list that a bracket holds stays lined up: %s', async (layout) => {
  const recipe = map(MARSH, { layout });
  const { group } = await madeFrom('map', recipe, kit, ROOM);
  const starts = ['heron', 'shore crab', 'mud snail'].map(
    (text) => partOf<'shape'>(group, `n-${idOf(recipe, text)}`).x,
  );
  for (const start of starts) expect(start).toBeCloseTo(starts[0], 1);
});

describe('links', () => {
  test('run behind no picture: it stands on the other side of its node', async () => {
    const recipe = map();
    for (const layout of ['right', 'down', 'radial'] as const)
      for (const text of ['heron', 'glasswort']) {
        const nodes = recipe.nodes.map((node) => (node.text === text ? { ...node, picture: 'flat/crab' } : node));
        const { group } = await madeFrom('map', { ...recipe, layout, nodes }, kit);
        const id = idOf(recipe, text);
        const shown = partOf<'picture'>(group, `p-${id}`);
        const points = linePoints(page({ id: 'p', items: [group] }), partOf<'line'>(group, `l-${id}`), kit.pictures);
        // Where the line ends at a corner it may touch the edge of the picture.
        const inner = grown(shown, -shown.width / 6);
        expect(clear(points, [inner]), `${layout} ${text}`).toBe(true);
      }
  });
  test('hold on to both nodes, and follow the kinds of the layout', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const link = partOf<'line'>(group, `l-${idOf(recipe, 'heron')}`);
    const ids = [link.from.item, link.to.item].map((id) => group.items.find((item) => item.id === id)?.made?.part);
    expect(ids).toEqual([`n-${idOf(recipe, 'Animals')}`, `n-${idOf(recipe, 'heron')}`]);
    expect([link.from.side, link.to.side]).toEqual(['right', 'left']);
  });
  test.each(['straight', 'stepped', 'curved'] as const)('across are led around nodes: %s', async (route) => {
    const recipe = map('a\n\tb\n\tc\n\td\n\te\n\tf', { layout: 'right', route });
    recipe.links = [{ id: 'x', from: idOf(recipe, 'b'), to: idOf(recipe, 'f'), words: '', arrow: 'forward' }];
    const { group } = await madeFrom('map', recipe, kit);
    const link = partOf<'line'>(group, 'x-x');
    expect(link.via.length).toBeGreaterThan(0);
    const others = nodesOf(group).filter((item) => ![link.from.item, link.to.item].includes(item.id));
    for (let i = 1; i < link.via.length; i++)
      for (const box of others) expect(crosses(link.via[i - 1], link.via[i], shrunk(box))).toBe(false);
  });
  test('words on links cover no node and no other words', async () => {
    await fc.assert(
      fc.asyncProperty(trees, fc.constantFrom('down' as const, 'right' as const), async (nodes, layout) => {
        const { group } = await madeFrom('map', random(layout, nodes), kit, ROOM);
        const words = group.items.filter((item): item is TextItem => item.kind === 'text');
        for (const [i, a] of words.entries()) {
          for (const b of words.slice(i + 1)) expect(overlaps(shrunk(a), shrunk(b))).toBe(false);
          for (const node of nodesOf(group)) expect(overlaps(covered(a), node)).toBe(false);
        }
      }),
      { numRuns: 25, examples: [[NEAR_WORDS, 'right']] },
    );
  });
  test('nor does the plate behind them, between neighbours', async () => {
    const recipe = map();
    for (const words of ['eats', 'looks for', 'is', 'hunts along the creek'])
      for (const height of [380, 410, 440, 470, 500]) {
        const links = [
          { id: '1', from: idOf(recipe, 'heron'), to: idOf(recipe, 'shore crab'), words, arrow: 'forward' as const },
        ];
        const { group } = await madeFrom('map', { ...recipe, size: 15, links }, kit, { width: 760, height });
        const said = partOf<'text'>(group, 'y-1');
        expect(nodesOf(group).filter((node) => overlaps(covered(said), node))).toEqual([]);
        const points = linePoints(page({ id: 'p', items: [group] }), partOf<'line'>(group, 'x-1'), kit.pictures);
        const [start, end] = [points[0], points[points.length - 1]];
        const hidden = [0.1, 0.3, 0.5, 0.7, 0.9].filter((t) =>
          contains(said, { x: start.x + (end.x - start.x) * t, y: start.y + (end.y - start.y) * t }),
        );
        expect(hidden.length).toBeLessThan(4);
        // Nor do they stand far off.
        const far = distanceTo(points, centre(said));
        expect(far).toBeLessThan(Math.max(said.width, said.height) * 1.3);
      }
  });
  test('a cycle leads back to its first step', async () => {
    const recipe = map('water\n\train\n\triver\n\tsea', { layout: 'cycle' });
    const { group } = await madeFrom('map', recipe, kit);
    const back = partOf<'line'>(group, `l-${idOf(recipe, 'rain')}`);
    expect(group.items.find((item) => item.id === back.from.item)?.made?.part).toBe(`n-${idOf(recipe, 'sea')}`);
    expect(back.endCap).toBe('arrow');
  });
  test('of two compared, what both share is one node with two links', async () => {
    const recipe = map('marsh\n\tmud\n\ttides\nrocks\n\tTides\n\tstone', { layout: 'compare' });
    const { group } = await madeFrom('map', recipe, kit);
    const shared = partOf<'shape'>(group, `n-${recipe.nodes[2].id}`);
    expect(
      group.items.filter((item): item is LineItem => item.kind === 'line' && item.to.item === shared.id),
    ).toHaveLength(2);
    expect(nodesOf(group)).toHaveLength(5);
    const [left, right] = ['marsh', 'rocks'].map((text) => partOf<'shape'>(group, `n-${idOf(recipe, text)}`));
    expect(shared.x).toBeGreaterThan(left.x + left.width);
    expect(shared.x + shared.width).toBeLessThan(right.x);
  });
});

describe('what is done by hand', () => {
  const heron = (recipe: MapRecipe) => `n-${idOf(recipe, 'heron')}`;
  const withText = (recipe: MapRecipe, id: string, text: string): MapRecipe => ({
    ...recipe,
    nodes: recipe.nodes.map((node) => (`n-${node.id}` === id ? { ...node, text } : node)),
  });
  async function movedHeron(recipe = map()) {
    const { group } = await madeFrom('map', recipe, kit);
    const before = partOf<'shape'>(group, heron(recipe));
    const moved = withPart(group, heron(recipe), { x: before.x + 40, y: before.y - 25 });
    expect(alteredCount(moved)).toBe(1);
    return { recipe, group, moved, at: [before.x + 40, before.y - 25] };
  }
  const go = (group: GroupItem, recipe: MapRecipe) => again({ group, state: { kind: 'map', recipe, seed: 1 } }, kit);
  test('a moved node keeps its place while its neighbours stay, whatever it would move to', async () => {
    const { recipe, moved } = await movedHeron();
    // Longer words would push it and its links elsewhere.
    const next = withText(recipe, heron(recipe), 'the great grey heron of the creek');
    const after = (await go(moved, next)).group;
    const fresh = (await madeFrom('map', next, kit)).group;
    const [was, is, made] = [moved, after, fresh].map((group) => centre(partOf<'shape'>(group, heron(recipe))));
    const neighbour = `n-${idOf(recipe, 'shore crab')}`;
    const [crabWas, crabIs] = [moved, after].map((group) => centre(partOf<'shape'>(group, neighbour)));
    expect(Math.hypot(is.x - was.x - (crabIs.x - crabWas.x), is.y - was.y - (crabIs.y - crabWas.y))).toBeLessThan(14);
    expect(Math.hypot(is.x - made.x - 40, is.y - made.y + 25)).toBeGreaterThan(20);
  });
  test('it goes with its neighbours, and in another layout keeps its distance from its new place, until it is tidied', async () => {
    const { recipe, moved } = await movedHeron();
    const longer = withRows(
      recipe,
      rowsFromText(`${MARSH}\n\t\tspring tide`).map((row, i) => ({ ...row, id: recipe.nodes[i]?.id ?? row.id })),
    );
    const wider = (await go(moved, longer)).group;
    const among = (group: GroupItem) => {
      const [own, crab] = [heron(recipe), `n-${idOf(recipe, 'shore crab')}`].map((id) => partOf<'shape'>(group, id));
      return [own.x - crab.x, own.y - crab.y];
    };
    among(wider).forEach((far, i) => expect(Math.abs(far - among(moved)[i])).toBeLessThan(14));
    const radial = (await go(moved, { ...recipe, layout: 'radial' })).group;
    const fresh = (await madeFrom('map', { ...recipe, layout: 'radial' }, kit)).group;
    const [kept, new_] = [radial, fresh].map((group) => partOf<'shape'>(group, heron(recipe)));
    expect([kept.x - new_.x, kept.y - new_.y].map(Math.round)).toEqual([40, -25]);
    const tidied = await again({ group: radial, forget: 'places' }, kit);
    expect(partOf<'shape'>(tidied.group, heron(recipe)).x).toBeCloseTo(new_.x);
    expect(alteredCount(tidied.group)).toBe(0);
  });
  test('made again and again, a moved node does not creep', async () => {
    const { recipe, moved, at } = await movedHeron();
    let group = moved;
    for (let i = 0; i < 5; i++) group = (await go(group, recipe)).group;
    const { x, y } = partOf<'shape'>(group, heron(recipe));
    expect([x, y]).toEqual(at);
  });
  test('a look of its own, and being hidden, survive; another look of the level does not undo them', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const styled = withPart(
      withPart(group, heron(recipe), { fill: { kind: 'solid', colour: '#ff0000', opacity: 1 } } as Partial<Item>),
      `n-${idOf(recipe, 'creek')}`,
      { hidden: true },
    );
    const looks = recipe.looks.map((look) => ({ ...look, fill: '#00ff00' }));
    const { group: after } = await again(
      { group: styled, state: { kind: 'map', recipe: { ...recipe, looks }, seed: 1 } },
      kit,
    );
    expect(partOf<'shape'>(after, heron(recipe)).fill).toMatchObject({ colour: '#ff0000' });
    expect(partOf<'shape'>(after, `n-${idOf(recipe, 'glasswort')}`).fill).toMatchObject({ colour: '#00ff00' });
    expect(partOf<'shape'>(after, `n-${idOf(recipe, 'creek')}`).hidden).toBe(true);
    expect(partOf<'line'>(after, `l-${idOf(recipe, 'creek')}`)).toBeUndefined();
  });
  test('a link keeps the arrow, line and light that it alone was given, when the map goes on in another layout', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const [one, other] = [`l-${idOf(recipe, 'glasswort')}`, `l-${idOf(recipe, 'creek')}`];
    const dashed = { colour: '#aa0000', width: 3, dash: 'dashed' as const };
    const styled = withPart(withPart(group, one, { endCap: 'arrow', outline: dashed } as Partial<Item>), other, {
      hidden: true,
    });
    const next = { ...recipe, layout: 'radial' as const, arrows: 'none' as const };
    const { group: after } = await again({ group: styled, state: { kind: 'map', recipe: next, seed: 1 } }, kit);
    expect(partOf<'line'>(after, one)).toMatchObject({ endCap: 'arrow', outline: dashed });
    expect(partOf<'line'>(after, other).hidden).toBe(true);
    // Others stay as the recipe has them.
    const third = after.items.find((item) => item.kind === 'line' && ![one, other].includes(item.made!.part));
    expect(third).toMatchObject({ endCap: 'none' });
  });
  test('a link that was taken away stays away, and comes back when all is made anew', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const link = `l-${idOf(recipe, 'creek')}`;
    const { group: after } = await again({ group: withoutPart(group, link) }, kit);
    expect(partOf(after, link)).toBeUndefined();
    expect(partOf((await again({ group: after, forget: 'all' }, kit)).group, link)).toBeDefined();
  });
  test('words typed into a node, and a node taken away, show in the outline', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const named = withPart(group, heron(recipe), { body: plain('grey heron') } as Partial<Item>);
    const { group: after } = await again({ group: withoutPart(named, `n-${idOf(recipe, 'Animals')}`) }, kit);
    expect(after.maker!.kind === 'map' && indentedOf(after.maker!.recipe.nodes)).toBe(
      'The salt marsh\n\tPlants\n\t\tglasswort\n\t\tsea lavender\n\tgrey heron\n\tshore crab\n\tmud snail\n\tWater\n\t\tcreek',
    );
  });
  test('parts keep their identities, so that lines from elsewhere hold on', async () => {
    const recipe = map();
    const { group } = await madeFrom('map', recipe, kit);
    const { group: after } = await again(
      { group, state: { kind: 'map', recipe: { ...recipe, layout: 'radial' }, seed: 1 } },
      kit,
    );
    expect(partOf(after, heron(recipe)).id).toBe(partOf(group, heron(recipe)).id);
  });
  test('what was added to the group by hand stays, in front', async () => {
    const { group } = await madeFrom('map', map(), kit);
    const own = { ...partOf<'shape'>(group, 'n-1'), id: 'mine', made: null };
    const { group: after } = await again({ group: { ...group, items: [own, ...group.items] } }, kit);
    expect(after.items[0].id).toBe('mine');
  });
  test('a frame of another size is no change by hand: the map is made to it', async () => {
    const { group } = await madeFrom('map', map(), kit);
    const larger = resizedGroup(
      group,
      { ...group, width: 900, height: 600 },
      { words: 'all', weights: true, roles: kit.roles },
    );
    expect(alteredCount(larger)).toBe(0);
    const { group: after } = await again({ group: larger }, kit);
    expect(sizeIn(partOf<'shape'>(after, 'n-2'))).toBeGreaterThan(sizeIn(partOf<'shape'>(group, 'n-2')) * 1.3);
  });
  test('made again without any change it is exactly the same', async () => {
    const { group } = await madeFrom('map', map(), kit);
    expect((await again({ group }, kit)).group).toEqual(group);
  });
});
