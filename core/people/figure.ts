import type { DrawnPicture, PicturePath } from '../pictures/picture';
import type { Rgb } from '../colour/rgb';
import { hexOf, rgbOf } from '../colour/rgb';
import type { Point } from '../geometry/matrix';
import type { Piece } from './skull';
import { grown, union } from '../geometry/box';
import { flatten } from '../geometry/flatten';
import { shiftedPath } from '../geometry/shift';
import { headLayers } from './head';
import type { Spot } from './outlines';
import { around, capsule, polygon, smooth } from './outlines';
import type { Hand, Posed } from './poses';
import { POSES } from './poses';
import type { Recipe } from './recipe';
import { movedPose } from './recipe';
import type { Body, Joints, Side } from './skeleton';
import { bodyOf, jointsOf } from './skeleton';
import { chairParts, DESK_DEPTH, deskParts, wheelchairParts } from './seats';
import type { Vec } from './space';
import { add, between, turned } from './space';

/** A figure from its recipe: limbs as rounded forms between joints, drawn from the farthest to the nearest. */

type Clothes = Pick<Recipe, 'sleeves' | 'lower' | 'over'> &
  Record<'top' | 'lowerColour' | 'shoes' | 'overColour', string>;
export type Figure = Pick<DrawnPicture, 'width' | 'height' | 'paths' | 'targets'> & { ground: Point; tall: number };

type Part = { depth: number; pieces: Piece[] };

const mix = (a: string, b: string, t: number): string => {
  const to = rgbOf(b);
  return hexOf(rgbOf(a).map((value, i) => value * (1 - t) + to[i] * t) as unknown as Rgb);
};
const darker = (colour: string, by = 0.14) => mix(colour, '#1a1420', by);

/** One looks down at a figure a little. */
const PITCH = 0.16;
const flat = ([x, y, z]: Vec): Spot => [x, y * Math.cos(PITCH) + z * Math.sin(PITCH)];

const SIDES: readonly Side[] = ['left', 'right'];

function handPieces(
  kind: Hand,
  wrist: Spot,
  tip: Spot,
  size: number,
  fill: string,
  shade: string,
  thumb: number,
): Piece[] {
  const away = Math.hypot(tip[0] - wrist[0], tip[1] - wrist[1]);
  const least = size * 0.9;
  const k = away < 0.01 ? 0 : Math.max(1, least / away);
  const dir: Spot = away < 0.01 ? [0, 1] : [(tip[0] - wrist[0]) / away, (tip[1] - wrist[1]) / away];
  const long = Math.max(away * k, least);
  const across: Spot = [-dir[1] * thumb, dir[0] * thumb];
  const p = (along: number, side: number): Spot => [
    wrist[0] + dir[0] * long * along + across[0] * size * side,
    wrist[1] + dir[1] * long * along + across[1] * size * side,
  ];
  switch (kind) {
    case 'open':
      return [
        ...[-0.36, -0.12, 0.12, 0.36].map((s, i) => ({
          d: capsule(p(0.4, s * 0.95), size * 0.15, p(0.92 + [0, 0.12, 0.14, 0.05][i], s * 1.9), size * 0.125),
          fill,
        })),
        { d: capsule(p(0.2, 0), size * 0.42, p(0.48, 0), size * 0.48), fill },
        { d: capsule(p(0.2, 0.3), size * 0.17, p(0.58, 0.98), size * 0.13), fill },
      ];
    case 'pointing':
      return [
        { d: capsule(p(0.3, 0.22), size * 0.17, p(1.22, 0.26), size * 0.13), fill },
        { d: capsule(p(0.16, 0), size * 0.42, p(0.46, -0.04), size * 0.46), fill },
        { d: capsule(p(0.3, 0.28), size * 0.16, p(0.62, 0.06), size * 0.14), fill: shade },
      ];
    case 'holding':
      return [
        { d: capsule(p(0.14, 0), size * 0.4, p(0.46, 0), size * 0.5), fill },
        { d: capsule(p(0.3, 0.36), size * 0.17, p(0.66, 0.2), size * 0.15), fill: shade },
      ];
    default:
      return [
        { d: capsule(p(0.14, 0), size * 0.36, p(0.66, -0.04), size * 0.34), fill },
        { d: capsule(p(0.2, 0.26), size * 0.16, p(0.6, 0.46), size * 0.13), fill },
      ];
  }
}

function trunkPieces(j: Joints, b: Body, clothes: Clothes, skin: string): Piece[] {
  const spine = flat(j.chest)[0] - flat(j.hips)[0];
  const rise = flat(j.chest)[1] - flat(j.hips)[1];
  const len = Math.hypot(spine, rise) || 1;
  const n: Spot = [-rise / len, spine / len];
  const [px, pz] = [turned(j.trunk, [1, 0, 0]), turned(j.trunk, [0, 0, 1])].map(flat);
  const half = ([across, deep]: readonly [number, number]) =>
    Math.hypot(across * (n[0] * px[0] + n[1] * px[1]), deep * (n[0] * pz[0] + n[1] * pz[1]));
  const section = (v: Vec, width: number): [Spot, Spot] => {
    const c = flat(v);
    return [
      [c[0] - n[0] * width, c[1] - n[1] * width],
      [c[0] + n[0] * width, c[1] + n[1] * width],
    ];
  };
  const at = (t: number) => between(j.hips, j.chest, t / 0.86);
  const low = add(j.hips, turned(j.trunk, [0, b.seat[1] * 0.42, 0]));
  const shoulders = half([b.shoulders + b.arm * 0.7, b.chest[1] * 0.8]);
  const rows: [Spot, Spot][] = [
    section(between(j.chest, j.neck, 0.86), b.head * 0.15),
    section(between(j.chest, j.neck, 0.36), shoulders * 0.8),
    section(between(j.chest, j.neck, 0), shoulders * 0.98),
    section(at(0.74), half(b.chest)),
    section(at(0.4), half(b.waist)),
    section(at(0.06), half(b.seat)),
    section(low, half(b.seat) * 0.82),
  ];
  const outline = [...rows.map(([l]) => l), ...rows.toReversed().map(([, r]) => r)];
  const neck = b.head * 0.145;
  const out: Piece[] = [
    {
      d: capsule(flat(between(j.chest, j.neck, 0.4)), neck * 1.05, flat(between(j.neck, j.head, 0.35)), neck),
      fill: darker(skin, 0.1),
    },
    { d: smooth(outline), fill: clothes.top },
  ];
  const ahead = pz[0];
  const frontal = turned(j.trunk, [0, 0, 1])[2];
  // The neckline, where the front is seen.
  if (frontal > -0.3) {
    const [l, r] = section(between(j.chest, j.neck, 0.8), b.head * 0.17);
    const c = flat(between(j.chest, j.neck, 0.25));
    const dip: Spot = [c[0] + ahead * b.chest[1] * 0.55, c[1]];
    out.push({
      d: smooth([l, [(l[0] + r[0]) / 2, Math.min(l[1], r[1]) - b.head * 0.03], r, dip]),
      fill: darker(skin, 0.1),
    });
  }
  const over = clothes.overColour;
  const band = (from: number, to: number, wide: number): string => {
    const [a, c] = [from, to].map((t) => section(at(t), half(t > 0.5 ? b.chest : t > 0.25 ? b.waist : b.seat) * wide));
    return polygon([a[0], a[1], c[1], c[0]]);
  };
  if (clothes.over === 'belt') out.push({ d: band(0.36, 0.28, 1.04), fill: over });
  if (clothes.over === 'vest') {
    out.push({ d: smooth(outline), fill: over });
    out.push({ d: band(0.5, 0.43, 1.02), fill: '#f2f4ee' });
  }
  return out;
}

/** A figure in its own coordinates: its box begins at 0, and `ground` tells where it stands. */
export function figureOf(recipe: Recipe): Figure {
  const { age, build, view, colours } = recipe;
  const posed: Posed = { ...POSES[recipe.pose], pose: movedPose(recipe.pose, recipe.moved) };
  const { skin } = colours;
  const clothes: Clothes = {
    top: colours.top,
    sleeves: recipe.sleeves,
    lower: recipe.lower,
    lowerColour: colours.lower,
    shoes: colours.shoes,
    over: recipe.over,
    overColour: colours.extra,
  };
  const b = bodyOf(age, build);
  const j = jointsOf(b, posed.pose, view, (posed.lift * b.tall) / 300);
  const shade = darker(skin, 0.16);
  const parts: Part[] = [];
  const put = (depth: number, pieces: Piece[]) => parts.push({ depth, pieces });

  // Head, in layers.
  const head = headLayers(j, b.head, flat, {
    expression: recipe.expression,
    hair: recipe.hair,
    hairColour: colours.hair,
    skin,
    shade,
    ink: '#2b211d',
    lips: mix(skin, '#8a2f35', 0.62),
    blush: mix(skin, '#e0584f', 0.45),
    glasses: recipe.glasses ? '#33322e' : null,
    hearingAid: recipe.hearingAid ? '#8fa3b0' : null,
    scarf: recipe.scarf ? colours.extra : null,
    old: age === 'old',
  });

  // Legs and what is worn on them.
  const skirted = clothes.lower === 'skirt' || clothes.lower === 'long skirt';
  const legs = SIDES.map((side) => j.legs[side]);
  for (const { hip, knee, ankle, toe, heel } of legs) {
    const depth = (hip[2] + knee[2] + ankle[2]) / 3;
    const far = view !== 'front' && depth < -b.tall * 0.01;
    const colour = far ? darker(clothes.lowerColour, 0.12) : clothes.lowerColour;
    const bare = far ? darker(skin, 0.1) : skin;
    const covered = clothes.lower === 'trousers';
    const pieces: Piece[] = [
      {
        d: around([
          { c: flat(ankle), r: b.ankle * 0.62 },
          { c: flat(heel), r: b.ankle * 0.5 },
          { c: flat(toe), r: b.ankle * 0.52 },
        ]),
        fill: far ? darker(clothes.shoes, 0.12) : clothes.shoes,
      },
      { d: capsule(flat(hip), b.leg * 1.22, flat(knee), b.leg * 0.92), fill: covered ? colour : bare },
      {
        d: capsule(flat(knee), b.leg * 0.92, flat(ankle), b.leg * (covered ? 0.78 : 0.6)),
        fill: covered ? colour : bare,
      },
    ];
    if (clothes.lower === 'shorts')
      pieces.push({ d: capsule(flat(hip), b.leg * 1.3, flat(between(hip, knee, 0.72)), b.leg * 1.18), fill: colour });
    const thigh = flat(knee)[1] - flat(hip)[1];
    // What hangs down comes out from under what is worn above it.
    put(thigh > b.thigh * 0.72 ? Math.min(depth, 0) - 0.5 : depth + b.tall * 0.02, pieces);
  }
  if (skirted) {
    const long = clothes.lower === 'long skirt';
    const hem = legs.map((leg) => (long ? between(leg.knee, leg.ankle, 0.8) : between(leg.hip, leg.knee, 0.94)));
    const depth = legs.reduce((sum, { hip, knee }) => sum + (hip[2] + knee[2]) / 2, 0) / 2;
    const sits = flat(j.legs.left.knee)[1] - flat(j.hips)[1] < b.thigh * 0.6;
    put(sits ? depth + b.tall * 0.03 : -0.4, [
      {
        d: around([
          { c: flat(j.hips), r: Math.min(b.seat[0], b.seat[1] * 1.2) },
          ...legs.map(({ hip }) => ({ c: flat(hip), r: b.leg * 1.35 })),
          ...legs.map(({ knee }) => ({ c: flat(between(j.hips, knee, 0.9)), r: b.leg * 1.35 })),
          ...hem.map((v) => ({ c: flat(v), r: b.leg * (long ? 1.7 : 1.5) })),
        ]),
        fill: clothes.lowerColour,
      },
    ]);
  }

  const { seat } = posed;
  if (seat && recipe.wheelchair) parts.push(...wheelchairParts(j, b, view, flat));
  else if (seat) parts.push(...chairParts(j, b, view, flat));
  if (seat === 'desk') parts.push(...deskParts(j, b, view, flat));

  put(0, trunkPieces(j, b, clothes, skin));

  // Arms.
  const top = flat(add(j.head, [0, -b.head * 0.1, 0]))[1];
  for (const side of SIDES) {
    const { shoulder, elbow, wrist, tip } = j.arms[side];
    const depth = (shoulder[2] + elbow[2] * 2 + wrist[2] * 2) / 5;
    const far = view !== 'front' && shoulder[2] < -b.tall * 0.03;
    const colour = far ? darker(clothes.top, 0.12) : clothes.top;
    const bare = far ? darker(skin, 0.08) : skin;
    const pieces: Piece[] = [];
    const seam = between(shoulder, elbow, 0.62);
    pieces.push({
      d: capsule(flat(elbow), b.arm * 0.92, flat(wrist), b.arm * 0.72),
      fill: clothes.sleeves === 'long' ? colour : bare,
    });
    pieces.push({
      d: capsule(flat(shoulder), b.arm * 1.14, flat(elbow), b.arm * 0.92),
      fill: clothes.sleeves === 'long' ? colour : bare,
    });
    if (clothes.sleeves !== 'long')
      pieces.push({
        d: capsule(
          flat(shoulder),
          b.arm * 1.24,
          flat(clothes.sleeves === 'short' ? seam : between(shoulder, elbow, 0.1)),
          b.arm * 1.16,
        ),
        fill: colour,
      });
    const sign = side === 'left' ? 1 : -1;
    const thumb = turned(j.arms[side].palm, [-sign, 0, 0.4])[0] >= 0 ? 1 : -1;
    const d = flat(tip);
    const w = flat(wrist);
    // The thumb is on the side of the body's middle when the arm hangs.
    const hand = handPieces(posed[side], w, d, b.hand, bare, darker(bare, 0.12), d[1] >= w[1] ? -thumb : thumb);
    if (clothes.sleeves === 'long')
      pieces.push({
        d: capsule(w, b.arm * 0.8, flat(between(wrist, elbow, 0.14)), b.arm * 0.86),
        fill: darker(colour, 0.08),
      });
    const raised = d[1] < top + b.head * 0.62;
    const whole = [...hand, ...pieces];
    if (raised) put(1e6 + depth, whole);
    else put(seat === 'desk' ? DESK_DEPTH + depth : far ? Math.min(depth, -1) : depth + b.tall * 0.03, whole);
  }

  put(j.head[2] - b.tall * 0.05 - 0.5, head.back);
  put(j.head[2] + b.tall * 0.045, head.front);

  const pieces = parts.toSorted((p, q) => p.depth - q.depth).flatMap((part) => part.pieces);
  return framed(pieces, b.tall);
}

/** Figures are drawn about the place where they stand; pictures begin at 0. */
function framed(pieces: readonly Piece[], tall: number): Figure {
  const { x, y, width, height } = union(pieces.map(({ d, width = 0 }) => grown(flatten(d).box, width / 2)));
  const paths = pieces.map(({ d, fill, stroke = null, width = 0, opacity = 1 }): PicturePath => ({
    d: shiftedPath(d, -x, -y),
    fill,
    stroke,
    width,
    opacity,
    cap: 'round',
  }));
  return { width, height, paths, targets: [], ground: { x: -x, y: -y }, tall };
}
