/** Pixels of a picture, row by row: red, green, blue and opacity, each 0 to 255. */
export type Pixels = { width: number; height: number; data: Uint8Array | Uint8ClampedArray };

/** The cells beside one of a grid of so many columns, to each side, above and below; some may lie outside of it. */
export const besides = (i: number, columns: number): number[] => {
  const x = i % columns;
  return [x > 0 ? i - 1 : -1, x < columns - 1 ? i + 1 : -1, i - columns, i + columns];
};

/** From here on a pixel counts as there. */
export const SEEN = 128;
