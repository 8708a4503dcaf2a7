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
import type { Editor } from '../../document/editor';
import { typeWords } from '../../commands/word-commands';

/** Editing a concept map on the sheet itself. */

/** The node id of a map's part. */
export const nodeOf = (item: Item | null): string | null => /^n-(.+)$/.exec(item?.made?.part ?? '')?.[1] ?? null;

/** The map and node that an item belongs to. */
export function mapNode(editor: Editor, id: string): { group: GroupItem; node: string } | null {
  const place = findOn(editor.page, id);
  const group = place?.groups.at(-1);
  const node = place && nodeOf(place.item);
  return group?.maker?.kind === 'map' && node ? { group, node } : null;
}

/** The node at a point of the page. */
export function nodeAt(editor: Editor, point: Point): { group: GroupItem; node: string } | null {
  for (const group of editor.page.items)
    if (group.kind === 'group' && group.maker?.kind === 'map')
      for (const item of group.items)
        if (nodeOf(item) && contains(boxOf(editor.page, item, pictureNow), point)) return mapNode(editor, item.id);
  return null;
}

export const chosenNode = (editor: Editor) => (editor.chosen ? mapNode(editor, editor.chosen.id) : null);

/** Adds a node under or beside the selected one, or the one just added. */
export function addBeside(editor: Editor, as: 'child' | 'sibling'): void {
  const { begun } = editor;
  if (begun) return addNode(editor, as, begun.group, begun.node);
  const at = chosenNode(editor);
  if (at) addNode(editor, as, at.group.id, at.node);
}

const partId = (group: GroupItem, part: string) => group.items.find((item) => item.made?.part === part)?.id;

export function chooseNode(editor: Editor, groupId: string, node: string): void {
  const group = find(editor.sheet, groupId)?.item;
  const id = group?.kind === 'group' ? partId(group, `n-${node}`) : undefined;
  if (!id || editor.selection.includes(id)) return;
  editor.enter(groupId);
  editor.select([id]);
}

const recipeOf = (editor: Editor, groupId: string): MapRecipe | null => {
  const state = editor.making?.state(groupId);
  return state?.kind === 'map' ? (state as MakerStateOf<'map'>).recipe : null;
};

function edit(editor: Editor, groupId: string, name: string, recipe: MapRecipe, then?: () => void): void {
  const state = editor.making?.state(groupId);
  if (state) editor.making?.edit(groupId, name, { ...state, recipe } as MakerStateOf<'map'>, 'now', then);
}

/** The node just being added, if it belongs to this map: other maps have nodes with the same ids. */
const begunAt = ({ begun }: Editor, groupId: string, node: string) =>
  begun?.group === groupId && begun.node === node ? begun : null;

/** Adds a node under or beside another one, ready for typing. */
export function addNode(editor: Editor, as: 'child' | 'sibling', groupId: string, at: string): void {
  const recipe = recipeOf(editor, groupId);
  if (!recipe) return;
  const begun = begunAt(editor, groupId, at);
  const text = begun ? cutTo(begun.words.replace(/\s+/g, ' '), LONGEST_NODE) : undefined;
  const nodes = recipe.nodes.map((one) => (one.id === at && text !== undefined ? { ...one, text } : one));
  const { recipe: next, id } = withNode({ ...recipe, nodes }, at, as);
  editor.edit(null);
  editor.put({ begun: { group: groupId, node: id, words: '', left: false, from: editor.selection } });
  edit(editor, groupId, 'Add node', next, () => writeOn(editor, groupId, id));
}

/** Puts text typed meanwhile into the finished node, and goes on editing there. */
function writeOn(editor: Editor, groupId: string, node: string): void {
  const begun = begunAt(editor, groupId, node);
  if (!begun) return;
  editor.put({ begun: null });
  if (editor.selection === begun.from) chooseNode(editor, groupId, node);
  const group = find(editor.sheet, groupId)?.item;
  const item = group?.kind === 'group' && group.items.find((one) => nodeOf(one) === node);
  if (!item || !isWritten(item)) return;
  const end = bodyLength(item.body);
  const editing = { id: item.id, anchor: 0, focus: end, typing: null };
  if (!begun.left) editor.edit(editing);
  if (!begun.words || !typeWords(editor, editing, 0, end, begun.words)) return;
  const { length } = begun.words;
  if (!begun.left) editor.edit({ ...editing, anchor: length, focus: length });
}

/** Moves a node with its branch under another one. */
export function rehang(editor: Editor, groupId: string, node: string, under: string): boolean {
  const recipe = recipeOf(editor, groupId);
  const next = recipe && rehung(recipe, node, under);
  if (!next || next === recipe) {
    editor.say('A node can’t hang under itself, or under what hangs under it.');
    return false;
  }
  const from = editor.selection;
  // What was selected while the map was laid out stays selected.
  edit(editor, groupId, 'Hang elsewhere', next, () => {
    if (editor.selection === from) chooseNode(editor, groupId, node);
  });
  return true;
}

export function linkChosen(editor: Editor, groupId: string, from: string, to: string): void {
  const recipe = recipeOf(editor, groupId);
  if (!recipe) return;
  const id = freeId(recipe.links.map((link) => link.id));
  edit(editor, groupId, 'Link nodes', {
    ...recipe,
    links: [...recipe.links, { id, from, to, words: '', arrow: 'forward' }],
  });
}

/** Puts a picture beside a node. */
export function pictureNode(editor: Editor, groupId: string, node: string, picture: string): void {
  const recipe = recipeOf(editor, groupId);
  if (recipe)
    edit(editor, groupId, 'Picture of node', {
      ...recipe,
      nodes: recipe.nodes.map((one) => (one.id === node ? { ...one, picture } : one)),
    });
}
