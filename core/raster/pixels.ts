/** Pixels of a picture, row by row: red, green, blue and opacity, each 0 to 255. */
export type Pixels = { width: number; height: number; data: Uint8Array | Uint8ClampedArray };

/** From here on a pixel counts as there. */
export const SEEN = 128;
