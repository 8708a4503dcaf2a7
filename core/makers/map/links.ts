import { around, contains, grown, overlapArea, overlaps } from '../../geometry/box';
import type { Box, Point } from '../../geometry/matrix';
import type { Size } from '../kit/measure';
import type { LaidLink } from './tree';

/** Where the words of links stand, and the pictures beside nodes. */

/**
 * Whether a node's picture stands at its right, out of the way of its links: where they come from the left and none goes on.
 * `at` gives where the middle of a node's box lies.
 */
export function pictureAtRight(node: string, links: readonly LaidLink[], at: (id: string) => Point): boolean {
  const arriving = links.filter(({ to }) => to === node);
  const fromLeft = ({ from, sides }: LaidLink): boolean => {
    if (sides) return sides[1] === 'left';
    const [start, end] = [at(from), at(node)];
    return end.x - start.x > Math.abs(end.y - start.y);
  };
  return arriving.length > 0 && arriving.every(fromLeft) && !links.some(({ from }) => from === node);
}

/** The points at some shares of the length of a way. */
function pointsAlong(points: readonly Point[], shares: readonly number[]): Point[] {
  const lengths = points.slice(1).map((p, i) => Math.hypot(p.x - points[i].x, p.y - points[i].y));
  const whole = lengths.reduce((sum, length) => sum + length, 0);
  return shares.map((share) => {
    let left = whole * share;
    for (let i = 0; i < lengths.length; i++) {
      if (left <= lengths[i] && lengths[i] > 0) {
        const t = left / lengths[i];
        return {
          x: points[i].x + (points[i + 1].x - points[i].x) * t,
          y: points[i].y + (points[i + 1].y - points[i].y) * t,
        };
      }
      left -= lengths[i];
    }
    return points[points.length - 1];
  });
}

/** Preferably near the end that the words are about. */
const SHARES = [0.62, 0.7, 0.54, 0.78, 0.46, 0.86, 0.38, 0.3, 0.22, 0.14];
/** Points at which a link is checked for being visible beside its words. */
const SEEN_AT = Array.from({ length: 8 }, (_, i) => (i + 0.5) / 8);

/** Shifts of words from a spot on their link, in their own widths and heights: on it, beside it, and farther off. */
const BESIDE = [
  [0, 0],
  [0, -1],
  [0, 1],
  [0.6, 0],
  [-0.6, 0],
];
const FARTHER = [
  [0, -2],
  [0, 2],
  [1.2, 0],
  [-1.2, 0],
];

/** Where words stand, and how far the plate behind them reaches beyond them; null where they need none. */
export type Said = { box: Box; plate: number | null };

/** The free space above and below the letters of a line, as shares of its height. */
const AIR = { above: 0.2, below: 0.14 };
export const inkOf = ({ x, y, width, height }: Box): Box => ({
  x,
  y: y + height * AIR.above,
  width,
  height: height * (1 - AIR.above - AIR.below),
});

/** Whether the words of a link cover too much of a node. */
export const disturbs = (words: Box, node: Box): boolean => {
  const ink = inkOf(words);
  return overlapArea(ink, node) > ink.width * ink.height * 0.15;
};

/**
 * A box for words on a link: on no node, on no other words, and in the frame, or as nearly so as possible. Rather than
 * stand far off, words beside their link do without a plate and its `plate`.
 */
export function wordsOn(
  points: readonly Point[],
  { width, height }: Size,
  plate: number,
  nodes: readonly Box[],
  words: readonly Box[],
  frame: Box,
): Said {
  let best: Box | null = null;
  let least = Infinity;
  // As far as the places that are tried below can reach.
  const reach = around(points);
  const [across, down] = [width * 1.7 + 1, height * 2.5 + 1];
  const whole = {
    x: reach.x - across,
    y: reach.y - down,
    width: reach.width + 2 * across,
    height: reach.height + 2 * down,
  };
  const others = nodes.filter((box) => overlaps(whole, box));
  const said = words.filter((box) => overlaps(whole, box));
  const last = points.slice(-2);
  // The last stretch of a link in steps belongs to this link alone.
  const alone = points.length === 4 ? [{ x: (last[0].x + last[1].x) / 2, y: (last[0].y + last[1].y) / 2 }] : [];
  const spots = [...alone, ...pointsAlong(points, SHARES)];
  // Of a short link half has to be seen beside its words.
  const along = pointsAlong(points, SEEN_AT);
  const hidden = (box: Box) => along.filter((point) => contains(box, point)).length;
  for (const [shifts, plated] of [
    [BESIDE, true],
    [BESIDE, false],
    [FARTHER, true],
  ] as const)
    for (const [dx, dy] of shifts)
      for (const at of spots) {
        const box = { x: at.x - width / 2 + dx * width, y: at.y - height / 2 + dy * height, width, height };
        const near = plated ? grown(box, Math.max(1, plate)) : inkOf(box);
        let cost = hidden(box) > (plated ? 4 : 0) ? (width * height) / 2 : 0;
        for (const other of others) cost += overlapArea(near, other);
        // Lines of words keep the space between them, with a plate or without.
        for (const other of said) cost += overlapArea(plated ? near : box, other);
        cost += width * height - overlapArea(box, frame);
        if (cost === 0) return { box, plate: plated ? plate : null };
        if (cost < least) {
          least = cost;
          best = box;
        }
      }
  return { box: best!, plate: hidden(best!) > 0 ? 0 : null };
}
