import type { HierarchyPointNode } from 'd3-hierarchy';
import { stratify, tree } from 'd3-hierarchy';
import { remake } from '../core/makers/all';
import { beginLabels } from '../core/makers/labels/begin';
import { beginMap } from '../core/makers/map/begin';
import { LAYOUTS } from '../core/makers/map/layouts';
import type { MapNode } from '../core/schema/recipes/map';
import { branchesOf } from '../core/makers/map/tree';
import { beginPractice, PRACTICES } from '../core/makers/practice/begin';
import { searchFor } from '../core/makers/practice/wordsearch';
import type { PracticeType } from '../core/schema/recipes/practice';
import type { MakerState } from '../core/schema/recipes/recipes';
import { seeded } from '../core/values/random';
import { defaultRoles, group } from '../core/schema/defaults';
import { Shelf } from '../server/exports/shelf';
import { figure, inTurn, median, wordsOf } from './measure';

/** How long makers take: a tree against the tree library alone, and the times that a person would notice. */

/** A tree of so many nodes, the same each time, with words on some links. */
export function nodes(count: number): MapNode[] {
  const random = seeded(11);
  const words = wordsOf(count);
  const list = Array.from({ length: count }, (_, i): MapNode => ({
    id: `n${i}`,
    text: words[i],
    parent: i === 0 ? null : `n${Math.floor(random() ** 1.4 * i)}`,
    link: i % 9 === 1 ? 'lives in' : '',
    picture: null,
  }));
  const out: MapNode[] = [];
  const put = (parent: string | null) => {
    for (const node of list)
      if (node.parent === parent) {
        out.push(node);
        put(node.id);
      }
  };
  put(null);
  return out;
}

/** Two things and their traits, some of them shared. */
function compared(count: number): MapNode[] {
  const node = (id: string, text: string, parent: string | null): MapNode => ({
    id,
    text,
    parent,
    link: '',
    picture: null,
  });
  const words = wordsOf(count);
  return [
    node('a', 'salt marsh', null),
    ...Array.from({ length: count / 2 - 1 }, (_, i) => node(`a${i}`, `${words[i]} ${i}`, 'a')),
    node('b', 'rocky shore', null),
    ...Array.from({ length: count / 2 - 1 }, (_, i) => node(`b${i}`, `${words[i]} ${i % 5 ? i + 1000 : i}`, 'b')),
  ];
}

const timed = async (runs: number, work: () => unknown): Promise<number> => {
  const times: number[] = [];
  for (let i = -1; i < runs; i++) {
    const begun = performance.now();
    await work();
    if (i >= 0) times.push(performance.now() - begun);
  }
  return median(times);
};

export async function run() {
  const { resources } = await Shelf.open();
  const kit = { ...resources, roles: defaultRoles() };
  const make = (kind: MakerState['kind'], recipe: unknown, seed: number, width = 720, height = 540) =>
    remake(
      {
        group: group({ id: 'g', width, height, items: [] }),
        state: { kind, recipe, seed } as unknown as MakerState,
      },
      kit,
    );

  const many = nodes(500);
  const size = { width: 60, height: 20, link: { width: 0, height: 0 } };
  const [ours, theirs] = await inTurn(
    40,
    () =>
      LAYOUTS.down(
        branchesOf(many, () => size),
        { near: 10, level: 30 },
      ),
    () => {
      const root = stratify<MapNode>()
        .id((node) => node.id)
        .parentId((node) => node.parent)(many);
      return tree<MapNode>().nodeSize([70, 50])(root).descendants() satisfies HierarchyPointNode<MapNode>[];
    },
  );

  const spots = Array.from({ length: 30 }, (_, i) => {
    const random = seeded(i + 1);
    return {
      id: `s${i}`,
      words: wordsOf(30)[i],
      also: [],
      x: random(),
      y: random(),
      wide: 0,
      high: 0,
      target: null,
      definition: '',
      reason: '',
    };
  });
  const mapRecipe = { ...beginMap([]), nodes: nodes(150), size: 11 };
  const search = {
    ...beginPractice('wordsearch'),
    words: wordsOf(24).map((word, i) => `${word}${'abcdefgh'[i % 8]}`),
    across: 20,
    down: 20,
    backwards: true,
  };
  let seed = 0;
  const versions = async (type: PracticeType) => {
    for (let i = 0; i < 30; i++) await make('practice', beginPractice(type), seed++, 552, 732);
  };
  const slowest = { type: '', time: 0 };
  for (const type of Object.keys(PRACTICES) as PracticeType[]) {
    const time = await timed(2, () => versions(type));
    if (time > slowest.time) Object.assign(slowest, { type, time });
  }
  return [
    figure('tree of 500 nodes, against d3-hierarchy alone', ours, theirs, 2),
    figure(
      'map of 150 nodes with words on links, against two frames',
      await timed(31, () => make('map', mapRecipe, 1, 1400, 1000)),
      33,
      1,
    ),
    figure(
      'two things compared, 300 nodes, against 1 s',
      await timed(5, () => make('map', { ...beginMap([]), nodes: compared(300), layout: 'compare' }, 1)),
      1000,
      1,
    ),
    figure(
      'labels for 30 spots, against 50 ms',
      await timed(15, () => make('labels', beginLabels([], 'diagram/heron', spots), 1)),
      50,
      1,
    ),
    figure(
      'word search 20 by 20 with 24 words, against 50 ms',
      await timed(15, () => searchFor(search, seeded(seed++))),
      50,
      1,
    ),
    figure('30 versions of a matching sheet, against 1 s', await timed(5, () => versions('matching')), 1000, 1),
    figure(`30 versions of the slowest kind (${slowest.type}), against 1 s`, slowest.time, 1000, 1),
  ];
}
