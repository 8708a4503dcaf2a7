import type { Turn, Vec } from './space';
import { about, add, forward, inTurn, sideways, times, turned } from './space';

/** The skeleton of a figure: how long its parts are, and where its joints are in a pose. */

export const AGES = ['toddler', 'child', 'teenager', 'adult', 'old'] as const;
export type Age = (typeof AGES)[number];
export const BUILDS = ['slight', 'medium', 'broad'] as const;
export type Build = (typeof BUILDS)[number];
export const VIEWS = ['front', 'quarter', 'side'] as const;
export type View = (typeof VIEWS)[number];
/** How far a figure is turned to the right, in degrees. */
export const YAW: Record<View, number> = { front: 0, quarter: 38, side: 90 };

/** Angles in degrees. An arm: how far it is raised forward and to its side, turned about itself; elbow; wrist. */
export type Arm = { raise: number; out: number; twist: number; elbow: number; wrist: number };
/** A leg: how far its thigh is raised forward and to its side; how far the knee is bent; the foot. */
export type Leg = { raise: number; out: number; knee: number; foot: number };
export type Pose = {
  /** The whole figure tipped back, as when lying. */
  tip: number;
  lean: number;
  bend: number;
  turn: number;
  nod: number;
  tilt: number;
  look: number;
  left: Arm;
  right: Arm;
  leftLeg: Leg;
  rightLeg: Leg;
};

/** Lengths in points. */
export type Body = {
  tall: number;
  head: number;
  neck: number;
  torso: number;
  upperArm: number;
  foreArm: number;
  hand: number;
  thigh: number;
  shin: number;
  foot: number;
  ankle: number;
  /** Half as wide as they are apart. */
  shoulders: number;
  hips: number;
  /** How thick: of the limbs half, of the trunk half across and half from front to back. */
  arm: number;
  leg: number;
  chest: [across: number, deep: number];
  waist: [across: number, deep: number];
  seat: [across: number, deep: number];
};

const TALL: Record<Age, number> = { toddler: 132, child: 200, teenager: 264, adult: 300, old: 288 };
const HEADS: Record<Age, number> = { toddler: 3.4, child: 4.1, teenager: 4.8, adult: 5.2, old: 5.1 };
const LEGS: Record<Age, number> = { toddler: 0.35, child: 0.42, teenager: 0.46, adult: 0.47, old: 0.46 };
const GIRTH: Record<Build, number> = { slight: 0.88, medium: 1, broad: 1.22 };
const THICK: Record<Age, number> = { toddler: 1.5, child: 1.18, teenager: 1, adult: 1, old: 1.02 };

export function bodyOf(age: Age, build: Build): Body {
  const tall = TALL[age];
  const [girth, thick] = [GIRTH[build], THICK[age]];
  const head = tall / HEADS[age];
  const ankle = tall * 0.035;
  const legs = tall * LEGS[age];
  const neck = tall * (age === 'toddler' ? 0.012 : 0.028);
  const torso = tall - head - neck - legs;
  const round = girth * thick;
  return {
    tall,
    head,
    neck,
    torso,
    upperArm: tall * 0.155 * (age === 'toddler' ? 0.88 : 1),
    foreArm: tall * 0.135 * (age === 'toddler' ? 0.88 : 1),
    hand: tall * 0.052 * Math.min(1.25, thick),
    thigh: (legs - ankle) * 0.51,
    shin: (legs - ankle) * 0.49,
    foot: tall * 0.085,
    ankle,
    shoulders: tall * 0.098 * (0.55 + 0.45 * girth) * Math.min(1.12, thick),
    hips: tall * 0.045 * Math.min(1.15, round),
    arm: tall * 0.026 * (0.4 + 0.6 * girth) * thick,
    leg: tall * 0.036 * (0.4 + 0.6 * girth) * thick,
    chest: [tall * 0.098 * (0.45 + 0.55 * girth) * Math.min(1.15, thick), tall * 0.062 * girth * thick],
    waist: [tall * 0.076 * girth * thick, tall * 0.056 * girth ** 1.4 * thick],
    seat: [tall * 0.088 * girth * Math.min(1.2, thick), tall * 0.064 * girth * thick],
  };
}

export type Side = 'left' | 'right';
/** Where everything is, the ground being at y = 0 and the hips above x = 0. */
export type Joints = {
  hips: Vec;
  waist: Vec;
  chest: Vec;
  neck: Vec;
  head: Vec;
  trunk: Turn;
  face: Turn;
  arms: Record<Side, { shoulder: Vec; elbow: Vec; wrist: Vec; tip: Vec; palm: Turn }>;
  legs: Record<Side, { hip: Vec; knee: Vec; ankle: Vec; toe: Vec; heel: Vec }>;
};

const DOWN: Vec = [0, 1, 0];
/** The figure's own right hand is on the left of who looks. */
const SIGN: Record<Side, number> = { left: 1, right: -1 };

/** @param lift how high above the ground its lowest point is */
export function jointsOf(body: Body, pose: Pose, view: View, lift = 0): Joints {
  // Who lies is seen from the side in each view.
  const whole =
    view === 'side' ? inTurn(about(YAW[view]), forward(-pose.tip)) : inTurn(sideways(-pose.tip), about(YAW[view]));
  const trunk = inTurn(whole, sideways(pose.bend), forward(-pose.lean), about(pose.turn));
  const face = inTurn(trunk, about(pose.look), sideways(pose.tilt), forward(-pose.nod));
  const up = (turn: Turn, by: number): Vec => turned(turn, [0, -by, 0]);
  const hips: Vec = [0, 0, 0];
  const waist = add(hips, up(trunk, body.torso * 0.34));
  const chest = add(hips, up(trunk, body.torso * 0.86));
  const neck = add(hips, up(trunk, body.torso + body.neck * 0.4));
  const head = add(neck, up(face, body.neck * 0.6 + body.head * 0.46));
  const arm = (side: Side) => {
    const { raise, out, twist, elbow, wrist } = pose[side];
    const sign = SIGN[side];
    const shoulder = add(chest, turned(trunk, [sign * body.shoulders, -body.torso * 0.06, 0]));
    const upper = inTurn(trunk, sideways(sign * out), forward(raise), about(sign * twist));
    const lower = inTurn(upper, forward(elbow));
    const palm = inTurn(lower, forward(wrist));
    const at = add(shoulder, times(turned(upper, DOWN), body.upperArm));
    const end = add(at, times(turned(lower, DOWN), body.foreArm));
    return { shoulder, elbow: at, wrist: end, tip: add(end, times(turned(palm, DOWN), body.hand * 1.7)), palm };
  };
  const leg = (side: Side) => {
    const { raise, out, knee, foot } = pose[side === 'left' ? 'leftLeg' : 'rightLeg'];
    const sign = SIGN[side];
    const hip = add(hips, turned(whole, [sign * body.hips, 0, 0]));
    const upper = inTurn(whole, sideways(sign * out), forward(raise));
    const lower = inTurn(upper, forward(-knee));
    const sole = inTurn(lower, forward(foot));
    const at = add(hip, times(turned(upper, DOWN), body.thigh));
    const ankle = add(at, times(turned(lower, DOWN), body.shin));
    return {
      hip,
      knee: at,
      ankle,
      toe: add(ankle, turned(sole, [sign * body.foot * 0.16, body.ankle * 0.55, body.foot * 0.78])),
      heel: add(ankle, turned(sole, [0, body.ankle * 0.55, -body.foot * 0.2])),
    };
  };
  const found: Joints = {
    hips,
    waist,
    chest,
    neck,
    head,
    trunk,
    face,
    arms: { left: arm('left'), right: arm('right') },
    legs: { left: leg('left'), right: leg('right') },
  };
  return lowered(found, body, lift);
}

/** Puts the lowest point on the ground. */
function lowered(joints: Joints, body: Body, lift: number): Joints {
  const { legs, arms } = joints;
  const low = Math.max(
    joints.hips[1] + body.seat[1],
    joints.head[1] + body.head * 0.4,
    ...(['left', 'right'] as const).flatMap((side) => [
      legs[side].ankle[1] + body.ankle * 0.2,
      legs[side].toe[1] + body.ankle * 0.42,
      legs[side].heel[1] + body.ankle * 0.42,
      legs[side].knee[1] + body.leg * 0.9,
      arms[side].wrist[1] + body.arm,
      arms[side].elbow[1] + body.arm,
    ]),
  );
  const by: Vec = [0, -low - lift, 0];
  const moved = <T>(value: T): T =>
    Array.isArray(value) && typeof value[0] === 'number'
      ? (add(value as unknown as Vec, by) as T)
      : (Object.fromEntries(
          Object.entries(value as object).map(([key, one]) => [
            key,
            key === 'trunk' || key === 'face' || key === 'palm' ? one : moved(one),
          ]),
        ) as T);
  return moved(joints);
}
