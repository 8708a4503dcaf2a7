import { contains } from '../../../core/geometry/box';
import type { Point } from '../../../core/geometry/matrix';
import { boxOf } from '../../../core/items/hit';
import { typedAhead } from '../../../core/makers/map/ahead';
import type { Item } from '../../../core/schema/sheet';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import type { Bench } from '../../document/bench';
import type { OnSheet } from '../../document/on-sheet';
import { pictureNow } from '../../drawing/resources';
import { addBeside, chosenNode, mapNode, nodeOf, rehang } from './map-commands';

/** A node of a map that was dropped on another one of it hangs there from now on. */
function hungElsewhere(bench: Bench, moved: Item, point: Point): boolean {
  const own = mapNode(bench, moved.id);
  if (!own) return false;
  for (const item of own.group.items) {
    const onto = item.id === moved.id ? null : nodeOf(item);
    if (onto && !item.hidden && contains(boxOf(bench.page, item, pictureNow), point))
      return rehang(bench, own.group.id, own.node, onto);
  }
  return false;
}

export const MAP_ON_SHEET: OnSheet<Bench> = {
  kind: 'map',
  ahead: (group, recipe) => typedAhead(group, recipe as MapRecipe),
  beside(bench, as) {
    if (!bench.begun && !chosenNode(bench)) return false;
    addBeside(bench, as);
    return true;
  },
  drop: hungElsewhere,
};
