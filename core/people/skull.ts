import type { Spot } from './outlines';
import { circle } from './outlines';
import type { Joints } from './skeleton';
import type { Vec } from './space';
import { add, RADIANS, turned } from './space';

/** What a head can look like, and the rounded form that all of it lies on: so each view comes of the same places. */

export const EXPRESSIONS = [
  'calm',
  'smiling',
  'laughing',
  'sad',
  'surprised',
  'angry',
  'worried',
  'asleep',
  'unsure',
  'proud',
] as const;
export type Expression = (typeof EXPRESSIONS)[number];
export const HAIRS = [
  'short',
  'side parting',
  'crew cut',
  'fringe',
  'bob',
  'long',
  'long and wavy',
  'ponytail',
  'bun',
  'two buns',
  'plaits',
  'braids',
  'curly',
  'round and full',
  'receding',
  'none',
] as const;
export type Hair = (typeof HAIRS)[number];

export type Piece = { d: string; fill: string | null; stroke?: string; width?: number; opacity?: number };
export type Layers = { back: Piece[]; front: Piece[] };

export type HeadLook = {
  expression: Expression;
  hair: Hair;
  hairColour: string;
  skin: string;
  shade: string;
  ink: string;
  lips: string;
  blush: string;
  glasses: string | null;
  hearingAid: string | null;
  scarf: string | null;
  old: boolean;
};

/** A point on the head: how far to its left (of the figure) and up, in degrees, and how far out, 1 being the skin. */
type On = (azimuth: number, elevation: number, out?: number) => Vec;

export type Skull = {
  on: On;
  flat: (v: Vec) => Spot;
  spot: (azimuth: number, elevation: number, out?: number) => Spot;
  /** How far before the middle of the head. */
  seen: (v: Vec) => number;
  /** Its middle on paper, and half its width and height there. */
  c: Spot;
  half: number;
  high: number;
  /** Its own way up on paper, in degrees. */
  lean: number;
  skull: (by?: number) => string;
  /** A hundredth of its height. */
  unit: number;
  ahead: Vec;
  across: Vec;
};

/** @param tall the head's height; @param flat from space to paper */
export function skullOf(joints: Joints, tall: number, flat: (v: Vec) => Spot): Skull {
  const [rx, ry, rz] = [tall * 0.43, tall * 0.5, tall * 0.46];
  const centre = joints.head;
  const on: On = (azimuth, elevation, out = 1) => {
    const [a, e] = [azimuth * RADIANS, elevation * RADIANS];
    const local: Vec = [
      rx * out * Math.sin(a) * Math.cos(e),
      -ry * out * Math.sin(e),
      rz * out * Math.cos(a) * Math.cos(e),
    ];
    return add(centre, turned(joints.face, local));
  };
  const ahead = turned(joints.face, [0, 0, 1]);
  const across = turned(joints.face, [1, 0, 0]);
  const up = turned(joints.face, [0, -1, 0]);
  const seen = (v: Vec) => v[2] - centre[2];
  const spot = (azimuth: number, elevation: number, out = 1) => flat(on(azimuth, elevation, out));
  const c = flat(centre);
  const lean = (Math.atan2(up[0], -up[1]) * 180) / Math.PI;
  // How far the head reaches along a direction on paper.
  const reach = (x: number, y: number) =>
    Math.hypot(rx * (across[0] * x + across[1] * y), ry * (up[0] * x + up[1] * y), rz * (ahead[0] * x + ahead[1] * y));
  const way = lean * RADIANS;
  const half = reach(Math.cos(way), Math.sin(way));
  const high = reach(-Math.sin(way), Math.cos(way));
  const skull = (by = 1): string => circle(c, half * by, high * by, lean);
  return { on, flat, spot, seen, c, half, high, lean, skull, unit: tall / 100, ahead, across };
}
