import type { DisplayNode } from '../drawing/list';
import { contains } from '../geometry/box';
import { covers, edgeDistance, flatten } from '../geometry/flatten';
import type { Point } from '../geometry/matrix';
import { countOf } from '../geometry/shapes/pen';
import { OUTLINES, shapeInside, shapePath, valuesOf } from '../geometry/shapes/shapes';
import type { ShapeItem } from '../schema/sheet';
import { isEmpty } from '../text/body';
import type { Drawing, ItemKind } from './kind';
import { recoloured, recolouredBody, recolouredPaint, writtenColour } from './colours';
import { thicker, tidy, within } from './measures';
import { paintOf, strokeOf } from './paint';
import { layoutNodes, wordsOf } from './words';

function drawShape(item: ShapeItem, drawing: Drawing): DisplayNode[] {
  const { width, height, fill, outline } = item;
  const outlined: DisplayNode = {
    kind: 'path',
    d: shapePath(item.shape, width, height, item.adjust),
    ...(fill && !OUTLINES[item.shape].open && { fill: paintOf(fill, width, height) }),
    ...(outline && { stroke: strokeOf(outline) }),
  };
  return isEmpty(item.body) ? [outlined] : [outlined, ...layoutNodes(wordsOf(item, drawing))];
}

/** A shape is met where it is painted: a hollow one at its edge and its words only, so that what lies in it can be reached. */
function hitsShape(item: ShapeItem, local: Point, reach: number): boolean {
  const outline = flatten(shapePath(item.shape, item.width, item.height, item.adjust));
  if (edgeDistance(outline, local) <= reach + (item.outline?.width ?? 0) / 2) return true;
  if (item.fill && !OUTLINES[item.shape].open) return covers(outline, local);
  return !isEmpty(item.body) && contains(shapeInside(item.shape, item.width, item.height, item.adjust), local);
}

export const SHAPE: ItemKind<ShapeItem> = {
  kind: 'shape',
  name: 'shape',
  called({ shape, adjust }) {
    const { name, counted } = OUTLINES[shape];
    return counted ? `${name} of ${countOf(counted, valuesOf(shape, adjust)[counted.at])} ${counted.name}` : name;
  },
  look: ['opacity', 'shadow', 'padding', 'vertical', 'fill', 'outline'],
  filled: () => ['fill'],
  pointedAt: true,
  seenIn: writtenColour,
  draw: drawShape,
  meets: (item, { at, reach }) => hitsShape(item, at, reach),
  grown: (item, { words, weight, body }) => ({
    ...item,
    body: body(item.body, item.role ?? 'label'),
    padding: tidy(within(item.padding * words, 0, 200)),
    outline: thicker(item.outline, weight),
  }),
  recoloured: (item, to) => ({
    ...item,
    body: recolouredBody(item.body, to),
    fill: recolouredPaint(item.fill, to),
    outline: recoloured(item.outline, to),
  }),
};
