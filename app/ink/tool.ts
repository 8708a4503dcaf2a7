import type { StampName } from '../../core/review/said';
import { COLOURS } from '../theme/tokens';

/** What a teacher has in hand to draw on a piece with. */

export type Tool =
  { kind: 'pen'; colour: string; weight: number } | { kind: 'stamp'; stamp: StampName } | { kind: 'rubber' };

export const PENS = [
  { name: 'red', hex: COLOURS.rust },
  { name: 'green', hex: COLOURS.moss },
  { name: 'blue', hex: COLOURS.sky },
] as const;
/** In points of the page. */
export const WEIGHTS = [
  { name: 'thin', weight: 2 },
  { name: 'thick', weight: 4.5 },
] as const;

export const PEN: Tool = { kind: 'pen', colour: PENS[0].hex, weight: WEIGHTS[0].weight };
