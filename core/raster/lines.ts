/**
 * A picture as a drawing in lines, to be coloured in: the extended difference of Gaussians (H. Winnemöller, J. E. Kyprianidis,
 * S. C. Olsen 2012), which draws an edge as a line on its darker side and leaves even fills white. Red, green and blue are
 * drawn by themselves, so that an edge between two colours as light as each other is seen too.
 */

/** The standard deviations of the two blurs in pixels, for a picture of this longest side: lines are about as wide. */
export const blursFor = (longest: number): { near: number; far: number } => {
  const near = Math.max(0.7, longest / 420);
  return { near, far: near * 1.6 };
};

/** A picture on white, softened: red, green and blue of each pixel, row by row, 0 to 1. */
export type Blurred = { width: number; height: number; values: Float32Array };

/** How much edges are sharpened, where ink begins, and how steeply. */
const [SHARPER, INK, STEEP] = [24, 0.64, 8];

/** How dark each pixel's ink is, 0 to 255, from the picture blurred a little and blurred more. */
export function linesOf(near: Blurred, far: Blurred): Uint8Array {
  const out = new Uint8Array(near.width * near.height);
  for (let i = 0; i < out.length; i++)
    for (let channel = 0; channel < 3; channel++) {
      // On an even ground this is 1, however dark the ground is.
      const edge = 1 + SHARPER * (near.values[i * 3 + channel] - far.values[i * 3 + channel]);
      if (edge < INK) out[i] = Math.max(out[i], Math.round(255 * Math.tanh(STEEP * (INK - edge))));
    }
  return out;
}
