import { contains } from '../../../core/geometry/box';
import type { Point } from '../../../core/geometry/matrix';
import { boxOf } from '../../../core/items/hit';
import { typedAhead } from '../../../core/makers/map/ahead';
import type { Item } from '../../../core/schema/sheet';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import type { Editor } from '../../document/editor';
import type { OnSheet } from '../../document/on-sheet';
import { pictureNow } from '../../drawing/resources';
import { addBeside, chosenNode, mapNode, nodeOf, rehang } from './map-commands';

/** A node dropped on another node of its map becomes its child. */
function hungElsewhere(editor: Editor, moved: Item, point: Point): boolean {
  const own = mapNode(editor, moved.id);
  if (!own) return false;
  for (const item of own.group.items) {
    const onto = item.id === moved.id ? null : nodeOf(item);
    if (onto && !item.hidden && contains(boxOf(editor.page, item, pictureNow), point))
      return rehang(editor, own.group.id, own.node, onto);
  }
  return false;
}

export const MAP_ON_SHEET: OnSheet<Editor> = {
  kind: 'map',
  ahead: (group, recipe) => typedAhead(group, recipe as MapRecipe),
  beside(editor, as) {
    if (!editor.begun && !chosenNode(editor)) return false;
    addBeside(editor, as);
    return true;
  },
  drop: hungElsewhere,
};
