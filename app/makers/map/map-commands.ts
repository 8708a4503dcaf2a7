import { cutTo } from '../../../core/values/characters';
import { contains } from '../../../core/geometry/box';
import { boxOf } from '../../../core/items/hit';
import type { Point } from '../../../core/geometry/matrix';
import { rehung, withNode } from '../../../core/makers/map/outline';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import { freeId, LONGEST_NODE } from '../../../core/schema/recipes/map';
import type { MakerStateOf } from '../../../core/schema/recipes/recipes';
import { bodyLength } from '../../../core/text/body';
import type { GroupItem, Item } from '../../../core/schema/sheet';
import { isWritten } from '../../../core/schema/sheet';
import { find, findOn } from '../../../core/sheet/tree';
import { pictureNow } from '../../drawing/resources';
import type { Bench } from '../../document/bench';
import { typeWords } from '../../commands/word-commands';

/** What can be done with a concept map on the sheet itself. */

/** The node that a part of a map is. */
export const nodeOf = (item: Item | null): string | null => /^n-(.+)$/.exec(item?.made?.part ?? '')?.[1] ?? null;

/** The map that an item is a node of, and which. */
export function mapNode(bench: Bench, id: string): { group: GroupItem; node: string } | null {
  const place = findOn(bench.page, id);
  const group = place?.groups.at(-1);
  const node = place && nodeOf(place.item);
  return group?.maker?.kind === 'map' && node ? { group, node } : null;
}

/** The node at a point of the page. */
export function nodeAt(bench: Bench, point: Point): { group: GroupItem; node: string } | null {
  for (const group of bench.page.items)
    if (group.kind === 'group' && group.maker?.kind === 'map')
      for (const item of group.items)
        if (nodeOf(item) && contains(boxOf(bench.page, item, pictureNow), point)) return mapNode(bench, item.id);
  return null;
}

export const chosenNode = (bench: Bench) => (bench.chosen ? mapNode(bench, bench.chosen.id) : null);

/** Adds a node under or beside the chosen one, or the one that was just begun. */
export function addBeside(bench: Bench, as: 'child' | 'sibling'): void {
  const { begun } = bench;
  if (begun) return addNode(bench, as, begun.group, begun.node);
  const at = chosenNode(bench);
  if (at) addNode(bench, as, at.group.id, at.node);
}

const partId = (group: GroupItem, part: string) => group.items.find((item) => item.made?.part === part)?.id;

export function chooseNode(bench: Bench, groupId: string, node: string): void {
  const group = find(bench.sheet, groupId)?.item;
  const id = group?.kind === 'group' ? partId(group, `n-${node}`) : undefined;
  if (!id || bench.selection.includes(id)) return;
  bench.enter(groupId);
  bench.select([id]);
}

const recipeOf = (bench: Bench, groupId: string): MapRecipe | null => {
  const state = bench.making?.state(groupId);
  return state?.kind === 'map' ? (state as MakerStateOf<'map'>).recipe : null;
};

function edit(bench: Bench, groupId: string, name: string, recipe: MapRecipe, then?: () => void): void {
  const state = bench.making?.state(groupId);
  if (state) bench.making?.edit(groupId, name, { ...state, recipe } as MakerStateOf<'map'>, 'now', then);
}

/** The node that is just being begun, where it is this one: other maps have nodes of the same names. */
const begunAt = ({ begun }: Bench, groupId: string, node: string) =>
  begun?.group === groupId && begun.node === node ? begun : null;

/** Adds a node under or beside another one, and lets its words be typed. */
export function addNode(bench: Bench, as: 'child' | 'sibling', groupId: string, at: string): void {
  const recipe = recipeOf(bench, groupId);
  if (!recipe) return;
  const begun = begunAt(bench, groupId, at);
  const text = begun ? cutTo(begun.words.replace(/\s+/g, ' '), LONGEST_NODE) : undefined;
  const nodes = recipe.nodes.map((one) => (one.id === at && text !== undefined ? { ...one, text } : one));
  const { recipe: next, id } = withNode({ ...recipe, nodes }, at, as);
  bench.edit(null);
  bench.put({ begun: { group: groupId, node: id, words: '', left: false, from: bench.selection } });
  edit(bench, groupId, 'Add node', next, () => writeOn(bench, groupId, id));
}

/** Puts what was typed meanwhile into a node that has now been made, and goes on writing there. */
function writeOn(bench: Bench, groupId: string, node: string): void {
  const begun = begunAt(bench, groupId, node);
  if (!begun) return;
  bench.put({ begun: null });
  if (bench.selection === begun.from) chooseNode(bench, groupId, node);
  const group = find(bench.sheet, groupId)?.item;
  const item = group?.kind === 'group' && group.items.find((one) => nodeOf(one) === node);
  if (!item || !isWritten(item)) return;
  const end = bodyLength(item.body);
  const editing = { id: item.id, anchor: 0, focus: end, typing: null };
  if (!begun.left) bench.edit(editing);
  if (!begun.words || !typeWords(bench, editing, 0, end, begun.words)) return;
  const { length } = begun.words;
  if (!begun.left) bench.edit({ ...editing, anchor: length, focus: length });
}

/** Hangs a node, with its branch, under another one. */
export function rehang(bench: Bench, groupId: string, node: string, under: string): boolean {
  const recipe = recipeOf(bench, groupId);
  const next = recipe && rehung(recipe, node, under);
  if (!next || next === recipe) {
    bench.say('A node can’t hang under itself, or under what hangs under it.');
    return false;
  }
  edit(bench, groupId, 'Hang elsewhere', next, () => chooseNode(bench, groupId, node));
  return true;
}

export function linkChosen(bench: Bench, groupId: string, from: string, to: string): void {
  const recipe = recipeOf(bench, groupId);
  if (!recipe) return;
  const id = freeId(recipe.links.map((link) => link.id));
  edit(bench, groupId, 'Link nodes', {
    ...recipe,
    links: [...recipe.links, { id, from, to, words: '', arrow: 'forward' }],
  });
}

/** Puts a picture beside a node. */
export function pictureNode(bench: Bench, groupId: string, node: string, picture: string): void {
  const recipe = recipeOf(bench, groupId);
  if (recipe)
    edit(bench, groupId, 'Picture of node', {
      ...recipe,
      nodes: recipe.nodes.map((one) => (one.id === node ? { ...one, picture } : one)),
    });
}
