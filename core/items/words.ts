import type { DisplayNode } from '../drawing/list';
import { ink } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import { shapeInside } from '../geometry/shapes/shapes';
import type { WrittenItem } from '../schema/sheet';
import { layOut } from '../text/fit';
import type { Warp } from '../text/lettering';
import { warpOf } from '../text/lettering';
import type { Layout, Piece } from '../text/lines';
import { wordsBox } from '../text/lines';
import { roleOfItem } from '../text/style';
import type { Drawing } from './kind';

/** The words of a text or a shape, as they are drawn. */

/** The box that words are set in, and their layout in it. A shape wraps words to its inside. */
export function wordsOf(item: WrittenItem, drawing: Pick<Drawing, 'faces' | 'roles'>): Setting {
  const role = roleOfItem(drawing, item);
  if (item.kind === 'text') return { layout: layOut(item.body, role, item, drawing.faces), origin: { x: 0, y: 0 } };
  const inside = shapeInside(item.shape, item.width, item.height, item.adjust);
  return {
    layout: layOut(
      item.body,
      role,
      { ...inside, padding: item.padding, vertical: item.vertical, fit: 'keep' },
      drawing.faces,
    ),
    origin: { x: inside.x, y: inside.y },
  };
}

export type Setting = { layout: Layout; origin: Point };

function pieceNodes(piece: Piece, baseline: number, origin: Point): DisplayNode[] {
  const fill = ink(piece.style.colour);
  const x = piece.x + origin.x;
  const y = baseline + origin.y;
  const nodes: DisplayNode[] = [
    {
      kind: 'glyphs',
      file: piece.file,
      size: piece.size,
      x,
      y,
      text: piece.text,
      fill,
      glyphs: piece.glyphs.map(({ id, cluster, x: dx, dy, advance }) => ({ id, cluster, x: dx, y: dy, advance })),
    },
  ];
  if (piece.style.underline && piece.width > 0) {
    const thick = piece.size / 18;
    nodes.push({ kind: 'path', d: `M${x} ${y + piece.size * 0.12}h${piece.width}v${thick}h${-piece.width}z`, fill });
  }
  return nodes;
}

export const piecesOf = ({ layout }: Setting) =>
  layout.lines.flatMap((line) =>
    [...(line.marker ? [line.marker] : []), ...line.pieces].map((piece) => ({ piece, line })),
  );

export const layoutNodes = (setting: Setting): DisplayNode[] =>
  piecesOf(setting).flatMap(({ piece, line }) => pieceNodes(piece, line.baseline, setting.origin));

/** The transform that bends an item's text, or null for straight text. */
export function warpOfItem(item: WrittenItem, layout: Layout): Warp | null {
  if (item.kind !== 'text' || !item.lettering || item.lettering.curve === 'straight') return null;
  const { padding, width, height } = item;
  const box = {
    x: padding,
    y: padding,
    width: Math.max(1, width - 2 * padding),
    height: Math.max(1, height - 2 * padding),
  };
  return warpOf(item.lettering, box, wordsBox(layout));
}
