import { overlaps } from './box';
import type { Box, Point } from './matrix';
import { seeded } from '../values/random';

/** Light that falls from a card in the margin onto the spots it is about. Coordinates of the stage, in pixels. */

/** An ellipse of light. */
export type Pool = { cx: number; cy: number; rx: number; ry: number };

/** Light beyond the spot itself, in pixels. */
const AROUND = 44;

/** The smallest pool in the proportion of a box that takes in all of it, with some room. */
export function poolOver({ x, y, width, height }: Box): Pool {
  return {
    cx: x + width / 2,
    cy: y + height / 2,
    rx: (width / 2) * Math.SQRT2 + AROUND,
    ry: (height / 2) * Math.SQRT2 + AROUND,
  };
}

/** Half of a beam's height where it leaves its card. */
const SLIT = 22;

/** A beam never falls steeper than from this far above or below its pool's middle, in pixels. */
const STEEP = 70;

/**
 * The corners of the beam from a card to a pool: its upper side first, from the card to the pool, and back along the lower.
 * `share` makes it narrower, for the brighter middle of a beam.
 */
export function beamTo({ cx, cy, ry }: Pool, card: Point, share = 1): Point[] {
  const y = Math.max(cy - STEEP, Math.min(cy + STEEP, card.y));
  return [
    { x: card.x, y: y - SLIT * share },
    { x: cx, y: cy - ry * share },
    { x: cx, y: cy + ry * share },
    { x: card.x, y: y + SLIT * share },
  ];
}

/** A leaf-shaped fleck of light; `turn` in degrees. */
export type Fleck = { x: number; y: number; long: number; turn: number };

const MOST_FLECKS = 5;
const TRIES = 60;

/** Flecks on a sheet where nothing stands: always the same ones for the same sheet. */
export function flecksOn(sheet: Box, taken: readonly Box[]): Fleck[] {
  const random = seeded(7);
  const long = Math.max(18, Math.min(54, Math.min(sheet.width, sheet.height) / 11));
  const found: Fleck[] = [];
  const areas = [...taken];
  for (let i = 0; i < TRIES && found.length < MOST_FLECKS; i++) {
    const x = sheet.x + long + random() * Math.max(0, sheet.width - 2 * long);
    const y = sheet.y + long + random() * Math.max(0, sheet.height - 2 * long);
    const turn = 20 + random() * 60;
    const area = { x: x - long, y: y - long, width: 2 * long, height: 2 * long };
    if (areas.some((box) => overlaps(box, area))) continue;
    found.push({ x, y, long, turn });
    areas.push(area);
  }
  return found;
}
