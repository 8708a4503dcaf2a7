import type { DisplayNode } from '../drawing/list';
import { ink } from '../drawing/list';
import { roundedBox } from '../geometry/shapes/shapes';
import { plain } from '../schema/defaults';
import type { Lettering, Plate, TextItem } from '../schema/sheet';
import { isEmpty } from '../text/body';
import { nearBox } from './box';
import type { Drawing, ItemKind } from './kind';
import { recoloured, recolouredBody, recolouredPaint, writtenColour } from './colours';
import { thicker, tidy, within } from './measures';
import { paintOf, strokeOf } from './paint';
import type { Setting } from './words';
import { layoutNodes, piecesOf, warpOfItem, wordsOf } from './words';

function letteringNodes(item: TextItem, lettering: Lettering, setting: Setting): DisplayNode[] {
  const warp = warpOfItem(item, setting.layout);
  const fill = lettering.fill && paintOf(lettering.fill, item.width, item.height);
  const stroke = lettering.outline && strokeOf(lettering.outline);
  return piecesOf(setting).map(({ piece, line }) => ({
    kind: 'glyphs',
    file: piece.file,
    size: piece.size,
    x: 0,
    y: 0,
    text: piece.text,
    fill: fill ?? ink(piece.style.colour),
    ...(stroke && { stroke: { ...stroke, cap: 'round' as const } }),
    glyphs: piece.glyphs.map(({ id, cluster, x, dy, advance }) => {
      const at = { x: piece.x + x, y: line.baseline + dy };
      if (!warp) return { id, cluster, ...at, advance };
      // Each letter stands on the curve at its middle.
      const { point, turn } = warp({ x: at.x + advance / 2, y: at.y });
      return {
        id,
        cluster,
        x: point.x - (turn[0] * advance) / 2,
        y: point.y - (turn[1] * advance) / 2,
        advance,
        turn,
      };
    }),
  }));
}

/** The backing behind each line of words. */
function plateNodes({ colour, opacity, spread, corner }: Plate, { layout, origin }: Setting): DisplayNode[] {
  return layout.lines
    .filter((line) => line.width > 0)
    .map((line) => ({
      kind: 'group',
      matrix: [1, 0, 0, 1, origin.x + line.x - spread, origin.y + line.top - spread * 0.5],
      children: [
        {
          kind: 'path',
          d: roundedBox(line.width + 2 * spread, line.bottom - line.top + spread, corner),
          fill: ink(colour, opacity),
        },
      ],
    }));
}

function promptNodes(item: TextItem, drawing: Drawing): DisplayNode[] {
  const words = layoutNodes(wordsOf({ ...item, body: plain(item.prompt), fit: 'keep' }, drawing));
  return words.map((node) => (node.kind === 'glyphs' ? { ...node, fill: ink('#8a8471') } : node));
}

function drawText(item: TextItem, drawing: Drawing): DisplayNode[] {
  const { width, height, fill, outline } = item;
  const nodes: DisplayNode[] = [];
  if (fill || outline)
    nodes.push({
      kind: 'path',
      d: roundedBox(width, height, item.corner),
      ...(fill && { fill: paintOf(fill, width, height) }),
      ...(outline && { stroke: strokeOf(outline) }),
    });
  if (isEmpty(item.body)) return drawing.prompts && item.prompt ? [...nodes, ...promptNodes(item, drawing)] : nodes;
  const setting = wordsOf(item, drawing);
  if (item.plate) nodes.push(...plateNodes(item.plate, setting));
  return [...nodes, ...(item.lettering ? letteringNodes(item, item.lettering, setting) : layoutNodes(setting))];
}

export const TEXT: ItemKind<TextItem> = {
  kind: 'text',
  name: 'text',
  called: (item) => item.prompt || (item.role === 'label' ? 'empty label' : 'empty text'),
  look: ['opacity', 'shadow', 'role', 'padding', 'vertical', 'plate', 'lettering', 'fill', 'outline', 'corner'],
  // A box that grows with its text must be allowed to.
  filled: (item) => (['grow', 'width', 'lines'].includes(item.fit) ? ['height'] : []),
  pointedAt: true,
  seenIn: writtenColour,
  draw: drawText,
  meets: nearBox,
  grown: (item, { words, weight, body }) => ({
    ...item,
    body: body(item.body, item.role),
    padding: tidy(within(item.padding * words, 0, 200)),
    least: tidy(within(item.least * words, 1, 200)),
    outline: thicker(item.outline, weight),
    corner: weight === 1 ? item.corner : tidy(within(item.corner * weight, 0, 500)),
    plate: item.plate && {
      ...item.plate,
      spread: tidy(within(item.plate.spread * words, 0, 60)),
      corner: tidy(within(item.plate.corner * words, 0, 60)),
    },
    lettering: item.lettering && { ...item.lettering, outline: thicker(item.lettering.outline, weight) },
  }),
  recoloured: (item, to) => ({
    ...item,
    body: recolouredBody(item.body, to),
    fill: recolouredPaint(item.fill, to),
    outline: recoloured(item.outline, to),
    plate: recoloured(item.plate, to),
    lettering: item.lettering && {
      ...item.lettering,
      fill: recolouredPaint(item.lettering.fill, to),
      outline: recoloured(item.lettering.outline, to),
    },
  }),
};
