import { facePieces, glassesPieces } from './face';
import { coversEars, hairLayers } from './hair';
import type { Spot } from './outlines';
import { capsule, circle, smooth } from './outlines';
import type { Joints } from './skeleton';
import type { HeadLook, Layers, Piece } from './skull';
import { skullOf } from './skull';
import type { Vec } from './space';

/** Heads: the skin, ears, and over them face, hair and what is worn. */

/** @param tall the head's height; @param flat from space to paper */
export function headLayers(joints: Joints, tall: number, flat: (v: Vec) => Spot, look: HeadLook): Layers {
  const skull = skullOf(joints, tall, flat);
  const { on, spot, seen, c, half, lean, unit, ahead, across } = skull;
  const back: Piece[] = [];
  const front: Piece[] = [];
  /** Over the hair. */
  const ears: Piece[] = [];
  const { skin, shade } = look;

  // Ears, behind the face where they are on the far side.
  for (const side of [1, -1]) {
    const ear = on(side * 88, -2, 1.02);
    const wide = Math.max(3.4, 8.5 * Math.abs(ahead[2] * 0.35 + Math.abs(across[2]) * 0.9)) * unit;
    if (seen(ear) > -0.24 * tall) {
      const to = seen(ear) > 0.02 * tall ? (coversEars(look) ? front : ears) : back;
      to.push({ d: circle(flat(ear), wide, 10 * unit, lean), fill: skin });
      if (seen(ear) > 0.05 * tall) to.push({ d: circle(flat(ear), wide * 0.5, 6 * unit, lean), fill: shade });
      if (look.hearingAid && seen(ear) > -0.1 * tall)
        to.push({
          d: smooth(
            [flat(on(side * 84, 14, 1.05)), flat(on(side * 100, 10, 1.08)), flat(on(side * 100, -8, 1.08))],
            false,
          ),
          fill: null,
          stroke: look.hearingAid,
          width: 4 * unit,
        });
    }
  }
  const face: Piece[] = [{ d: skull.skull(), fill: skin }];
  // The jaw.
  const chin = spot(0, -78, 0.98);
  face.push({
    d: capsule(c, half * 0.98, [chin[0] * 0.55 + c[0] * 0.45, chin[1] * 0.55 + c[1] * 0.45], half * 0.62),
    fill: skin,
  });
  const nose = on(0, -9, 1.1);
  if (seen(nose) > -0.2 * tall)
    face.push({
      d: capsule(spot(0, 6, 0.99), 2.2 * unit, flat(nose), 4.6 * unit),
      fill: Math.abs(ahead[0]) > 0.8 ? skin : shade,
    });
  face.push(...facePieces(look, skull));

  const layers = hairLayers(look, skull);
  return {
    back: [...layers.back, ...back],
    front: [...face, ...front, ...layers.front, ...ears, ...glassesPieces(look, skull)],
  };
}
