import type { Box, Point } from '../geometry/matrix';
import type { Lettering } from '../schema/sheet';

/**
 * Words set along a curve. The layout stays straight; each letter is then put where the curve has it, so that carets, marks
 * and editing know only the straight words and this map.
 */

/** Where a point of the straight words goes, and how a letter there is rotated: [a, b, c, d], y down. */
export type Bent = { point: Point; turn: readonly [number, number, number, number] };
export type Warp = (point: Point) => Bent;

/** The widest sweep of an arch, in radians. */
const SWEEP = Math.PI * 0.95;
/** A wave's swing, and a slope's rise, against the width at an amount of 1. */
const SWING = 0.12;
const RISE = 0.4;

const turnedBy = (angle: number) => [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle)] as const;

/** How much higher a curve reaches than its straight words, in points. */
export function curveRise(
  { curve, amount }: Pick<Lettering, 'curve' | 'amount'>,
  width: number,
  words: number,
): number {
  const a = Math.abs(amount);
  switch (curve) {
    case 'straight':
      return 0;
    case 'arch': {
      const sweep = a * SWEEP;
      return sweep < 0.01 ? 0 : (width / sweep) * (1 - Math.cos(sweep / 2));
    }
    case 'circle':
      return Math.max(0, width - words);
    case 'wave':
      return 2 * a * SWING * width;
    case 'slope':
      return a * RISE * width;
  }
}

/**
 * The map of a curve for words laid out straight in a box, or null for straight ones. `length` is the width of the straight
 * words' line; the curve stands in the middle of the box.
 */
export function warpOf({ curve, amount }: Pick<Lettering, 'curve' | 'amount'>, box: Box, words: Box): Warp | null {
  const length = box.width;
  const middle = box.x + box.width / 2;
  const centre = box.y + box.height / 2;
  const reference = words.y + words.height / 2;
  switch (curve) {
    case 'straight':
      return null;
    case 'arch': {
      const sweep = Math.abs(amount) * SWEEP;
      if (sweep < 0.01) return null;
      const radius = length / sweep;
      const way = amount < 0 ? -1 : 1;
      const sag = radius * (1 - Math.cos(sweep / 2));
      const hub = centre + way * (radius - sag / 2);
      return ({ x, y }) => {
        const angle = (x - middle) / radius;
        const r = radius + way * (reference - y);
        return {
          point: { x: middle + r * Math.sin(angle), y: hub - way * r * Math.cos(angle) },
          turn: turnedBy(way * angle),
        };
      };
    }
    case 'circle': {
      const way = amount < 0 ? -1 : 1;
      const radius = Math.max(4, Math.min(length, box.height) / 2 - words.height / 2);
      const sweep = Math.max(0.05, Math.abs(amount)) * Math.PI * 2;
      return ({ x, y }) => {
        const angle = ((x - words.x - words.width / 2) / Math.max(1, words.width)) * sweep;
        const r = radius + way * (reference - y);
        return {
          point: { x: middle + r * Math.sin(angle), y: centre - way * r * Math.cos(angle) },
          turn: turnedBy(way * angle),
        };
      };
    }
    case 'wave': {
      const swing = amount * SWING * length;
      const pace = (2 * Math.PI) / length;
      return ({ x, y }) => {
        const phase = (x - box.x) * pace;
        return {
          point: { x, y: y - reference + centre - swing * Math.sin(phase) },
          turn: turnedBy(Math.atan(-swing * pace * Math.cos(phase))),
        };
      };
    }
    case 'slope': {
      const rise = -amount * RISE;
      return ({ x, y }) => ({
        point: { x, y: y - reference + centre + rise * (x - middle) },
        turn: [1, rise, 0, 1],
      });
    }
  }
}

/** The amount that a curve's handle stands for when it is dragged to a height, and where it stands for an amount. */
export function amountHandle(lettering: Pick<Lettering, 'curve' | 'amount'>, box: Box): Point {
  const { curve, amount } = lettering;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  if (curve === 'circle') return { x: middle.x + (amount * box.width) / 2, y: box.y + box.height };
  if (curve === 'slope') return { x: box.x + box.width, y: middle.y - (amount * RISE * box.width) / 2 };
  if (curve === 'wave') return { x: box.x + box.width / 4, y: middle.y - amount * SWING * box.width };
  return { x: middle.x, y: middle.y - (amount * box.height) / 2 };
}

export function amountAt(curve: Lettering['curve'], box: Box, { x, y }: Point): number {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const raw =
    curve === 'circle'
      ? ((x - middle.x) * 2) / box.width
      : curve === 'slope'
        ? ((middle.y - y) * 2) / (RISE * box.width)
        : curve === 'wave'
          ? (middle.y - y) / (SWING * box.width)
          : ((middle.y - y) * 2) / Math.max(40, box.height);
  return Math.round(Math.max(-1, Math.min(1, raw)) * 100) / 100;
}
