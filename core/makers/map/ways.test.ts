import { beforeAll, describe, expect, test } from 'vitest';
import { madeFrom, testKit } from '../../../tests/support/made';
import { clear } from '../../geometry/around';
import { grown } from '../../geometry/box';
import { linePoints } from '../../items/line';
import type { Box } from '../../geometry/matrix';
import { seeded } from '../../values/random';
import { page } from '../../schema/defaults';
import type { GroupItem, LineItem, PictureItem, ShapeItem } from '../../schema/sheet';
import { beginMap } from './begin';
import { inOrder } from './outline';
import type { MapRecipe } from '../../schema/recipes/map';
import { MAP_LAYOUTS } from '../../schema/recipes/map';
import type { Kit } from '../kit/maker';

/** Maps of any form in frames of any size: what holds of the links, words and pictures of all of them. */

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const SAID = [
  'mud',
  'salt marsh',
  'shore crab',
  'a',
  'photosynthesis in the creek',
  'sea lavender and glasswort',
  'tide',
];
const ROUTES = ['straight', 'stepped', 'curved'] as const;

function randomMap(seed: number, across: boolean): { recipe: MapRecipe; frame: { width: number; height: number } } {
  const random = seeded(seed);
  const below = (most: number) => Math.floor(random() * most);
  const count = 2 + below(28);
  const nodes = Array.from({ length: count }, (_, i) => ({
    id: `${i}`,
    text: `${SAID[below(SAID.length)]} ${i}`,
    parent: i === 0 || random() < 0.04 ? null : `${below(i)}`,
    link: random() < 0.3 ? 'lives in' : '',
    picture: random() < 0.2 ? 'flat/crab' : null,
  }));
  const links = Array.from({ length: across ? Math.ceil(count / 3) : 0 }, (_, i) => ({
    id: `${i}`,
    from: `${below(count)}`,
    to: `${below(count)}`,
    words: random() < 0.5 ? 'eats' : '',
    arrow: 'forward' as const,
  })).filter(({ from, to }) => from !== to);
  const recipe = { ...beginMap([]), nodes: inOrder(nodes), links, size: 12, route: ROUTES[below(3)] };
  return { recipe, frame: { width: 600 + random() * 900, height: 480 + random() * 750 } };
}

const nodeOf = (item: { made: { part: string } | null }) => item.made!.part.slice(2);

/** Links with what they run through, though it is neither theirs nor holds what is theirs. */
function throughOthers(group: GroupItem, recipe: MapRecipe): string[] {
  const on = page({ id: 'p', items: [group] });
  const nodes = group.items.filter((item): item is ShapeItem => item.kind === 'shape');
  const pictures = group.items.filter((item): item is PictureItem => item.kind === 'picture');
  const byItem = new Map(nodes.map((item) => [item.id, nodeOf(item)]));
  const parents = new Map(recipe.nodes.map(({ id, parent }) => [id, parent]));
  const above = (id: string) => {
    const out: string[] = [];
    for (let at: string | null = id; at !== null; at = parents.get(at) ?? null) out.push(at);
    return out;
  };
  return group.items
    .filter((item): item is LineItem => item.kind === 'line')
    .flatMap((line) => {
      const points = linePoints(on, line, kit.pictures);
      const ends = [byItem.get(line.from.item!)!, byItem.get(line.to.item!)!];
      const own = new Set(recipe.layout === 'nested' ? ends.flatMap(above) : ends);
      const boxes: [string, Box][] = [
        ...nodes.flatMap((item): [string, Box][] => (own.has(nodeOf(item)) ? [] : [[nodeOf(item), grown(item, -1)]])),
        ...pictures.flatMap((item): [string, Box][] =>
          recipe.layout === 'nested' && own.has(nodeOf(item)) ? [] : [[item.made!.part, grown(item, -item.width / 5)]],
        ),
      ];
      return boxes.flatMap(([name, box]) => (clear(points, [box]) ? [] : [`${line.made!.part} through ${name}`]));
    });
}

/** Parts that reach over the frame. */
function outside(group: GroupItem): string[] {
  const on = page({ id: 'p', items: [group] });
  return group.items.flatMap((item) => {
    const corners =
      item.kind === 'line'
        ? linePoints(on, item, kit.pictures)
        : [item, { x: item.x + item.width, y: item.y + item.height }];
    const within = corners.every(({ x, y }) => x > -0.5 && y > -0.5 && x < group.width + 0.5 && y < group.height + 0.5);
    return within ? [] : [item.made!.part];
  });
}

/** Words, pictures and links of the recipe that are not drawn. */
function missing(group: GroupItem, { nodes, links }: MapRecipe): string[] {
  const drawn = new Set(group.items.map((item) => item.made!.part));
  const asked = [
    ...nodes.flatMap(({ id, parent, link, picture }) => [
      ...(link && parent !== null ? [`w-${id}`] : []),
      ...(picture ? [`p-${id}`] : []),
    ]),
    ...links.flatMap(({ id, words }) => [`x-${id}`, ...(words ? [`y-${id}`] : [])]),
  ];
  return asked.filter((part) => !drawn.has(part));
}

describe.each(MAP_LAYOUTS)('%s', (layout) => {
  test.each([
    ['trees', false],
    ['graphs', true],
  ])('many %s: no link through what is not its own, all in its frame, nothing lost', async (_, across) => {
    let tooLarge = 0;
    // A network takes ten times as long to lay out as the others.
    for (let seed = 1; seed <= (layout === 'network' ? 70 : 200); seed++) {
      const { recipe, frame } = randomMap(seed, across);
      const asked = { ...recipe, layout };
      const { group, notes } = await madeFrom('map', asked, kit, frame);
      const name = `map ${seed}`;
      expect(missing(group, asked), name).toEqual([]);
      if (notes.some((note) => note.includes('larger than its frame'))) tooLarge++;
      else {
        expect(outside(group), name).toEqual([]);
        expect(throughOthers(group, asked), name).toEqual([]);
      }
    }
    // A list of thirty under one step is longer than some of these frames.
    expect(tooLarge).toBeLessThan(25);
  });
});
