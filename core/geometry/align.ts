import { union } from './box';
import type { Box, Point } from './matrix';

/** Aligning, distributing and tidying boxes. Each gives the move of every box, in the order given; boxes keep their sizes. */

export type Edge = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';
type Axis = 'x' | 'y';
const SIDE = { x: 'width', y: 'height' } as const;

/** Moves that bring an edge or centre of each box to that of `to`. */
export function alignMoves(boxes: readonly Box[], edge: Edge, to: Box): Point[] {
  return boxes.map((box) => {
    switch (edge) {
      case 'left':
        return { x: to.x - box.x, y: 0 };
      case 'centre':
        return { x: to.x + to.width / 2 - (box.x + box.width / 2), y: 0 };
      case 'right':
        return { x: to.x + to.width - (box.x + box.width), y: 0 };
      case 'top':
        return { x: 0, y: to.y - box.y };
      case 'middle':
        return { x: 0, y: to.y + to.height / 2 - (box.y + box.height / 2) };
      case 'bottom':
        return { x: 0, y: to.y + to.height - (box.y + box.height) };
    }
  });
}

const middleOf = (box: Box, axis: Axis) => box[axis] + box[SIDE[axis]] / 2;
const inOrder = (boxes: readonly Box[], axis: Axis) =>
  boxes.map((_, i) => i).sort((a, b) => middleOf(boxes[a], axis) - middleOf(boxes[b], axis) || a - b);

/**
 * Moves that make the gaps between neighbours, or the distances between centres, equal. The outermost two stay. Gaps so
 * narrow that they would change the order of the boxes give way to equal distances.
 */
export function distributeMoves(boxes: readonly Box[], axis: Axis, by: 'gap' | 'centre'): Point[] {
  const moves = boxes.map(() => ({ x: 0, y: 0 }));
  if (boxes.length < 3) return moves;
  const order = inOrder(boxes, axis);
  const side = SIDE[axis];
  const sizes = order.map((i) => boxes[i][side]);
  const first = boxes[order[0]];
  const last = boxes[order[order.length - 1]];
  const inner = sizes.slice(1, -1).reduce((sum, size) => sum + size, 0);
  const gap = (last[axis] - (first[axis] + first[side]) - inner) / (boxes.length - 1);
  const keepsOrder = sizes.every((size, i) => i === 0 || (sizes[i - 1] + size) / 2 + gap > 1e-6);
  let pen = first[axis];
  const [start, end] = [middleOf(first, axis), middleOf(last, axis)];
  order.forEach((index, place) => {
    const box = boxes[index];
    const to = by === 'gap' && keepsOrder ? pen : start + ((end - start) * place) / (order.length - 1) - box[side] / 2;
    moves[index][axis] = to - box[axis];
    pen += box[side] + gap;
  });
  return moves;
}

/** Boxes that lie abreast: a box joins a band when it shares more than half of the smaller extent with all of it. */
function bands(boxes: readonly Box[], axis: Axis): number[][] {
  const side = SIDE[axis];
  const found: { members: number[]; from: number; to: number }[] = [];
  for (const i of inOrder(boxes, axis)) {
    const [from, to] = [boxes[i][axis], boxes[i][axis] + boxes[i][side]];
    const band = found.find((one) => {
      const shared = Math.min(one.to, to) - Math.max(one.from, from);
      return shared > Math.min(one.to - one.from, to - from) / 2;
    });
    if (!band) found.push({ members: [i], from, to });
    else {
      band.members.push(i);
      band.from = Math.max(band.from, from);
      band.to = Math.min(band.to, to);
      if (band.to <= band.from) [band.from, band.to] = [from, to];
    }
  }
  return found.map(({ members }) => members);
}

/** Gap where things lay on each other, in points. */
const LEAST_GAP = 8;

/** Lines the bands up one after the other with equal gaps, as far as they reached before: the middle of each band. */
function evened(boxes: readonly Box[], found: readonly number[][], axis: Axis): number[] {
  const side = SIDE[axis];
  const sizes = found.map((band) => Math.max(...band.map((i) => boxes[i][side])));
  const whole = union(boxes);
  const total = sizes.reduce((sum, size) => sum + size, 0);
  const gap = found.length > 1 ? Math.max(LEAST_GAP, (whole[side] - total) / (found.length - 1)) : 0;
  let pen = whole[axis];
  return sizes.map((size) => {
    const middle = pen + size / 2;
    pen += size + gap;
    return middle;
  });
}

function tidiedOnce(boxes: readonly Box[]): Box[] {
  const rows = bands(boxes, 'y');
  const columns = bands(boxes, 'x');
  const rowOf = boxes.map((_, i) => rows.findIndex((row) => row.includes(i)));
  const columnOf = boxes.map((_, i) => columns.findIndex((column) => column.includes(i)));
  const cells = new Set(boxes.map((_, i) => `${rowOf[i]} ${columnOf[i]}`));
  const downs = evened(boxes, rows, 'y');
  const down = (i: number) => downs[rowOf[i]] - boxes[i].height / 2;
  if (cells.size === boxes.length) {
    const acrosses = evened(boxes, columns, 'x');
    return boxes.map((box, i) => ({ ...box, x: acrosses[columnOf[i]] - box.width / 2, y: down(i) }));
  }
  // Rows alone: what stands in one is spread over its length.
  const out = boxes.map((box, i) => ({ ...box, y: down(i) }));
  for (const row of rows) {
    const members = row.map((i) => boxes[i]);
    const middles = evened(
      members,
      inOrder(members, 'x').map((i) => [i]),
      'x',
    );
    inOrder(members, 'x').forEach((member, place) => {
      out[row[member]].x = middles[place] - members[member].width / 2;
    });
  }
  return out;
}

/**
 * Moves that make rows and columns out of boxes that lie nearly so: things in a row share a middle line, things in a column
 * too, and the gaps are equal. Done until nothing moves any more, so that tidying twice is tidying once.
 */
export function tidyMoves(boxes: readonly Box[]): Point[] {
  let now: Box[] = boxes.map((box) => ({ ...box }));
  for (let round = 0; round < 8 && now.length > 1; round++) {
    const next = tidiedOnce(now);
    const still = next.every((box, i) => Math.abs(box.x - now[i].x) < 1e-6 && Math.abs(box.y - now[i].y) < 1e-6);
    now = next;
    if (still) break;
  }
  return boxes.map((box, i) => ({ x: now[i].x - box.x, y: now[i].y - box.y }));
}
