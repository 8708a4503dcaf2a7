import type { Body, Joints, View } from './skeleton';
import { YAW } from './skeleton';
import type { Piece } from './skull';
import type { Spot } from './outlines';
import { capsule, circle, line, polygon, smooth } from './outlines';
import type { Vec } from './space';
import { about, add, turned } from './space';

/** What a figure sits at and on, in space like the figure itself. `depth` as for parts of figures: from the farthest to the nearest. */

type Part = { depth: number; pieces: Piece[] };
type Flat = (v: Vec) => Spot;

const WOOD = '#b98f5f';
const DARK = '#8f6a42';
const METAL = '#6f7a80';
const TYRE = '#2f3336';

/** Points around the hips, turned as the figure is. */
function placer(joints: Joints, view: View): (x: number, y: number, z: number) => Vec {
  const turn = about(YAW[view]);
  const [hx, , hz] = joints.hips;
  return (x, y, z) => add([hx, y, hz], turned(turn, [x, 0, z]));
}

export function chairParts(joints: Joints, body: Body, view: View, flat: Flat): Part[] {
  const at = placer(joints, view);
  const t = body.tall;
  const seat = joints.hips[1] + body.leg * 1.1;
  const [wide, back, front] = [t * 0.092, -t * 0.1, t * 0.12];
  const leg = (x: number, z: number): Piece => ({
    d: capsule(flat(at(x, seat, z)), t * 0.011, flat(at(x, 0, z)), t * 0.009),
    fill: DARK,
  });
  const board = (points: readonly Vec[], fill: string): Piece => ({ d: polygon(points.map(flat)), fill });
  const top = seat - t * 0.23;
  return [
    {
      depth: -1e5,
      pieces: [
        leg(-wide, back),
        leg(wide, back),
        leg(-wide, front),
        leg(wide, front),
        board(
          [
            at(-wide, top, back - t * 0.02),
            at(wide, top, back - t * 0.02),
            at(wide, seat - t * 0.06, back),
            at(-wide, seat - t * 0.06, back),
          ],
          WOOD,
        ),
        {
          d: capsule(flat(at(-wide, seat, back)), t * 0.011, flat(at(-wide, top, back - t * 0.02)), t * 0.011),
          fill: DARK,
        },
        {
          d: capsule(flat(at(wide, seat, back)), t * 0.011, flat(at(wide, top, back - t * 0.02)), t * 0.011),
          fill: DARK,
        },
        board([at(-wide, seat, back), at(wide, seat, back), at(wide, seat, front), at(-wide, seat, front)], WOOD),
        board(
          [
            at(-wide, seat, front),
            at(wide, seat, front),
            at(wide, seat + t * 0.022, front),
            at(-wide, seat + t * 0.022, front),
          ],
          DARK,
        ),
      ],
    },
  ];
}

export const DESK_DEPTH = 4e5;

export function deskParts(joints: Joints, body: Body, view: View, flat: Flat): Part[] {
  const at = placer(joints, view);
  const t = body.tall;
  const { left, right } = joints.arms;
  const top = Math.max(left.wrist[1], right.wrist[1]) + body.arm * 0.75;
  const [wide, near, far] = [t * 0.24, t * 0.36, t * 0.09];
  const thick = t * 0.024;
  const board = (points: readonly Vec[], fill: string): Piece => ({ d: polygon(points.map(flat)), fill });
  const leg = (x: number, z: number): Piece => ({
    d: capsule(flat(at(x, top + thick, z)), t * 0.013, flat(at(x, 0, z)), t * 0.011),
    fill: METAL,
  });
  const surface = board(
    [at(-wide, top, far), at(wide, top, far), at(wide, top, near), at(-wide, top, near)],
    '#d9b98a',
  );
  const edge = board(
    [at(-wide, top, near), at(wide, top, near), at(wide, top + thick, near), at(-wide, top + thick, near)],
    WOOD,
  );
  const side = board(
    [at(-wide, top, far), at(-wide, top, near), at(-wide, top + thick, near), at(-wide, top + thick, far)],
    DARK,
  );
  return [
    { depth: -2e5, pieces: [leg(wide, far), leg(-wide, far)] },
    {
      depth: DESK_DEPTH,
      pieces: [leg(wide, near), leg(-wide, near), surface, ...(view === 'front' ? [] : [side]), edge],
    },
  ];
}

export function wheelchairParts(joints: Joints, body: Body, view: View, flat: Flat): Part[] {
  const at = placer(joints, view);
  const t = body.tall;
  const seat = joints.hips[1] + body.leg * 1.1;
  const radius = Math.min(t * 0.165, -seat * 0.9);
  const wheel = (x: number, r: number, z: number): Piece[] => {
    const ring = (by: number) =>
      smooth(
        Array.from({ length: 18 }, (_, i) =>
          flat(at(x, -r - r * by * Math.cos((i * Math.PI) / 9), z + r * by * Math.sin((i * Math.PI) / 9))),
        ),
      );
    const hub = flat(at(x, -r, z));
    const spokes = Array.from({ length: 8 }, (_, i): Piece => {
      const end = flat(at(x, -r - r * 0.9 * Math.cos((i * Math.PI) / 4), z + r * 0.9 * Math.sin((i * Math.PI) / 4)));
      return { d: line([hub, end]), fill: null, stroke: '#aab2b6', width: t * 0.005 };
    });
    return [
      ...(r > t * 0.1 ? spokes : []),
      { d: ring(0.95), fill: r > t * 0.1 ? null : TYRE, stroke: TYRE, width: t * 0.02 },
      ...(r > t * 0.1
        ? [
            { d: ring(0.84), fill: null, stroke: METAL, width: t * 0.008 },
            { d: circle(hub, t * 0.014), fill: METAL },
          ]
        : []),
    ];
  };
  const wide = body.seat[0] + t * 0.035;
  const [back, front] = [-t * 0.1, t * 0.14];
  const bar = (a: Vec, b: Vec, thick = 0.011): Piece => ({
    d: capsule(flat(a), t * thick, flat(b), t * thick),
    fill: METAL,
  });
  const board = (points: readonly Vec[], fill: string): Piece => ({ d: polygon(points.map(flat)), fill });
  const side = (x: number): Piece[] => [
    ...wheel(x * 0.86, t * 0.045, front + t * 0.12),
    bar(at(x * 0.86, seat, front), at(x * 0.86, -t * 0.06, front + t * 0.12)),
    ...wheel(x, radius, -t * 0.03),
  ];
  // The one on the figure's right is nearer to who looks, seen from its right.
  return [
    {
      depth: -1e5,
      pieces: [
        ...side(wide),
        board(
          [
            at(-wide * 0.82, seat - t * 0.25, back - t * 0.015),
            at(wide * 0.82, seat - t * 0.25, back - t * 0.015),
            at(wide * 0.82, seat, back),
            at(-wide * 0.82, seat, back),
          ],
          '#3d5a73',
        ),
        bar(at(-wide * 0.82, seat - t * 0.27, back - t * 0.06), at(-wide * 0.82, seat, back)),
        bar(at(wide * 0.82, seat - t * 0.27, back - t * 0.06), at(wide * 0.82, seat, back)),
        board(
          [
            at(-wide * 0.82, seat, back),
            at(wide * 0.82, seat, back),
            at(wide * 0.82, seat, front),
            at(-wide * 0.82, seat, front),
          ],
          '#34495c',
        ),
        bar(at(-wide * 0.5, -t * 0.03, front + t * 0.16), at(wide * 0.5, -t * 0.03, front + t * 0.16), 0.014),
      ],
    },
    { depth: view === 'front' ? -9e4 : 3e5, pieces: side(-wide) },
  ];
}
