import type { DisplayNode } from '../drawing/list';
import { ink } from '../drawing/list';
import { Pen, starCorners } from '../geometry/shapes/pen';
import { hundredths } from '../values/hundredths';
import type { StampName } from './said';

/** Small stamps for a piece: a disc with a sign, drawn around 0, 0. All lengths in points. */

export const STAMP_RADIUS = 17;

type Art = { name: string; hex: string; filled?: string; lines?: string };

const circle = (r: number, x = 0, y = 0): string => new Pen().arc(x, y, r, r, 180, 540).close().d;

const STAR = `M${starCorners(20, 20, 5, 0.44)
  .map(([x, y]) => `${hundredths(x - 10)} ${hundredths(y - 10)}`)
  .join('L')}Z`;

export const STAMPS: Record<StampName, Art> = {
  star: { name: 'Well done', hex: '#8a6410', filled: STAR },
  sprout: {
    name: 'Getting there',
    hex: '#4a6b35',
    filled: 'M0 0C-8 1 -10 -4 -10 -8C-4 -9 0 -6 0 0ZM0 -1C0 -7 4 -10 10 -9C11 -3 6 1 0 -1Z',
    lines: 'M0 10V-1',
  },
  bulb: {
    name: 'Good idea',
    hex: '#94510f',
    filled: 'M-3.4 4.4C-3.4 1.6 -7 0.6 -7 -4C-7 -13.3 7 -13.3 7 -4C7 0.6 3.4 1.6 3.4 4.4Z',
    lines: 'M-3 7.4H3M-1.6 10.2H1.6',
  },
  eye: {
    name: 'Look again',
    hex: '#a63d26',
    filled: circle(3.4),
    lines: 'M-10.5 0C-6 -7.6 6 -7.6 10.5 0C6 7.6 -6 7.6 -10.5 0Z',
  },
  question: {
    name: 'Ask me about this',
    hex: '#2a6285',
    filled: circle(1.8, 0, 8.7),
    lines: 'M-4.6 -5.4C-4.6 -11 5 -11 5 -5.2C5 -1.6 0 -1.4 0 3.4',
  },
  tick: { name: 'Right', hex: '#3d6a52', lines: 'M-7.5 0.5L-2.2 6L7.5 -6' },
};

const DISC = circle(STAMP_RADIUS);

/** A stamp around some point. */
export function stampNode(stamp: StampName, x: number, y: number): DisplayNode {
  const { hex, filled, lines } = STAMPS[stamp];
  const white = ink('#ffffff');
  const rim = { paint: white, width: 1.6, cap: 'round', join: 'round' } as const;
  const children: DisplayNode[] = [{ kind: 'path', d: DISC, fill: ink(hex), stroke: rim }];
  if (filled) children.push({ kind: 'path', d: filled, fill: white });
  if (lines) children.push({ kind: 'path', d: lines, stroke: { ...rim, width: 2.2 } });
  return { kind: 'group', matrix: [1, 0, 0, 1, x, y], children };
}
