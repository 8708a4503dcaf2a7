/** Bytes of a file, pixels of a picture, pixels of its shorter side, and how many times as long the other one may be. */
export const MOST_BYTES = 20_000_000;
export const MOST_PIXELS = 80_000_000;
export const LEAST_SIDE = 8;
export const MOST_RATIO = 30;
