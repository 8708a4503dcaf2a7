import type { Box, Matrix } from './matrix';
import { compose, rotation, scaling, translation } from './matrix';

/**
 * A frame is an unturned box (x, y, width, height) that is flipped and turned about its own centre. An item draws itself in
 * its local coordinates, from 0, 0 to width, height.
 */
export type Frame = {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Degrees clockwise. */
  angle: number;
  flipX: boolean;
  flipY: boolean;
};

/** From an item's local coordinates to those of its parent. */
export function frameMatrix({ x, y, width, height, angle, flipX, flipY }: Frame): Matrix {
  if (angle === 0 && !flipX && !flipY) return translation(x, y);
  return compose(
    translation(x + width / 2, y + height / 2),
    rotation(angle),
    scaling(flipX ? -1 : 1, flipY ? -1 : 1),
    translation(-width / 2, -height / 2),
  );
}

export const localBox = (item: Pick<Frame, 'width' | 'height'>): Box => ({
  x: 0,
  y: 0,
  width: item.width,
  height: item.height,
});
