import type { Arm, Leg, Pose } from './skeleton';

/** Poses by name. What a hand does belongs to the pose. */

const arm = (given: Partial<Arm> = {}): Arm => ({ raise: 4, out: 9, twist: 0, elbow: 12, wrist: 0, ...given });
const leg = (given: Partial<Leg> = {}): Leg => ({ raise: 0, out: 3, knee: 0, foot: 0, ...given });
const pose = (given: Partial<Pose> = {}): Pose => ({
  tip: 0,
  lean: 0,
  bend: 0,
  turn: 0,
  nod: 0,
  tilt: 0,
  look: 0,
  left: arm(),
  right: arm(),
  leftLeg: leg(),
  rightLeg: leg(),
  ...given,
});

export const HANDS = ['relaxed', 'open', 'pointing', 'holding', 'flat'] as const;
export type Hand = (typeof HANDS)[number];
/** What one sits or lies on is drawn below the figure. */
export type Seat = 'chair' | 'desk' | null;
export type Posed = { pose: Pose; left: Hand; right: Hand; seat: Seat; lift: number };

const posed = (given: Partial<Pose>, more: Partial<Omit<Posed, 'pose'>> = {}): Posed => ({
  pose: pose(given),
  left: 'relaxed',
  right: 'relaxed',
  seat: null,
  lift: 0,
  ...more,
});
const sitting = { leftLeg: leg({ raise: 88, out: 6, knee: 88 }), rightLeg: leg({ raise: 88, out: 6, knee: 88 }) };

export const POSES = {
  standing: posed({}),
  'sitting on a chair': posed(
    { ...sitting, left: arm({ raise: 38, out: 6, elbow: 42 }), right: arm({ raise: 38, out: 6, elbow: 42 }) },
    { seat: 'chair', left: 'flat', right: 'flat' },
  ),
  'sitting on the floor': posed({
    lean: 8,
    left: arm({ raise: 40, out: 14, elbow: 30 }),
    right: arm({ raise: 40, out: 14, elbow: 30 }),
    leftLeg: leg({ raise: 82, out: 50, knee: 128 }),
    rightLeg: leg({ raise: 82, out: 50, knee: 128 }),
  }),
  'sitting at a desk': posed(
    {
      ...sitting,
      lean: 6,
      left: arm({ raise: 44, out: 8, twist: -34, elbow: 62 }),
      right: arm({ raise: 44, out: 8, twist: -34, elbow: 62 }),
    },
    { seat: 'desk' },
  ),
  'raising a hand': posed({ left: arm({ raise: 12, out: 164, elbow: 8 }) }, { left: 'open' }),
  walking: posed({
    lean: 3,
    left: arm({ raise: -26, elbow: 16 }),
    right: arm({ raise: 30, elbow: 26 }),
    leftLeg: leg({ raise: 26, knee: 6, foot: 8 }),
    rightLeg: leg({ raise: -20, knee: 22, foot: -18 }),
  }),
  running: posed(
    {
      lean: 14,
      left: arm({ raise: -48, elbow: 86 }),
      right: arm({ raise: 52, elbow: 92 }),
      leftLeg: leg({ raise: 66, knee: 78, foot: 4 }),
      rightLeg: leg({ raise: -24, knee: 62, foot: -30 }),
    },
    { left: 'holding', right: 'holding', lift: 6 },
  ),
  jumping: posed(
    {
      left: arm({ out: 142, elbow: 14 }),
      right: arm({ out: 142, elbow: 14 }),
      leftLeg: leg({ raise: 30, out: 16, knee: 70, foot: -30 }),
      rightLeg: leg({ raise: 18, out: 16, knee: 52, foot: -30 }),
    },
    { left: 'open', right: 'open', lift: 40 },
  ),
  pointing: posed({ look: 12, left: arm({ raise: 30, out: 78, elbow: 4 }) }, { left: 'pointing' }),
  reading: posed(
    {
      nod: 16,
      left: arm({ raise: 28, out: 8, twist: -26, elbow: 104 }),
      right: arm({ raise: 28, out: 8, twist: -26, elbow: 104 }),
    },
    { left: 'holding', right: 'holding' },
  ),
  writing: posed(
    {
      ...sitting,
      lean: 12,
      nod: 14,
      left: arm({ raise: 46, out: 10, twist: -30, elbow: 58 }),
      right: arm({ raise: 48, out: 8, twist: -26, elbow: 66 }),
    },
    { seat: 'desk', right: 'holding', left: 'flat' },
  ),
  holding: posed({ left: arm({ raise: 34, out: 12, twist: -6, elbow: 78 }) }, { left: 'holding' }),
  thinking: posed(
    {
      tilt: 5,
      left: arm({ raise: 38, out: 2, twist: -34, elbow: 136 }),
      right: arm({ raise: 26, out: 8, twist: -62, elbow: 92 }),
    },
    { left: 'holding' },
  ),
  shrugging: posed(
    {
      tilt: 6,
      left: arm({ raise: 6, out: 30, twist: 64, elbow: 92 }),
      right: arm({ raise: 6, out: 30, twist: 64, elbow: 92 }),
    },
    { left: 'open', right: 'open' },
  ),
  waving: posed({ tilt: -3, left: arm({ raise: 6, out: 74, twist: 90, elbow: 78 }) }, { left: 'open' }),
  kneeling: posed({
    leftLeg: leg({ raise: 84, out: 5, knee: 86 }),
    rightLeg: leg({ raise: -4, out: 5, knee: 94, foot: -62 }),
    left: arm({ raise: 36, elbow: 40 }),
  }),
  lying: posed({ tip: 90, left: arm({ raise: 2, out: 12, elbow: 8 }), right: arm({ raise: 2, out: 12, elbow: 8 }) }),
} satisfies Record<string, Posed>;
export type PoseName = keyof typeof POSES;
export const POSE_NAMES = Object.keys(POSES) as PoseName[];
