import type { Box, Point } from '../../geometry/matrix';
import type { Fitted } from './fit';
import { pictureAtRight } from './links';
import type { Branch, LaidLink } from './tree';

/** Where a node and its picture stand in the box that they share. */
export function partsOf(
  { draft, laid }: Fitted,
  { node, depth, height: headHeight }: Branch,
  box: Box,
  laidLinks: readonly LaidLink[],
  middleOf: (id: string) => Point,
): { frame: Box; picture: Box | null } {
  const { em } = draft;
  const { shape: own, picture: side } = draft.sizes(node, depth);
  const apart = draft.apart(depth);
  if (laid.boxes?.has(node.id)) {
    const inner = { x: box.x + em * 0.4, y: box.y + (headHeight - side) / 2 + em * 0.15 };
    return { frame: box, picture: side > 0 ? { ...inner, width: side, height: side } : null };
  }
  const middle = { x: box.x + (box.width - own.width) / 2, y: box.y + (box.height - own.height) / 2 };
  if (side === 0) return { frame: { ...middle, ...own }, picture: null };
  const square = { width: side, height: side };
  if (draft.words.pictureAt(node.id, depth, draft.shape) === 'above')
    return {
      frame: { x: middle.x, y: box.y + box.height - own.height, ...own },
      picture: { x: box.x + (box.width - side) / 2, y: box.y, ...square },
    };
  const atRight = pictureAtRight(node.id, laidLinks, middleOf);
  const left = draft.words.centred(node.id) ? middle.x : atRight ? box.x : box.x + box.width - own.width;
  return {
    frame: { x: left, y: middle.y, ...own },
    picture: {
      x: atRight ? left + own.width + apart : left - apart - side,
      y: box.y + (box.height - side) / 2,
      ...square,
    },
  };
}
