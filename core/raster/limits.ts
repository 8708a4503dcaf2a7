/** Bytes of a file, pixels of a picture, and pixels of its shorter side. */
export const MOST_BYTES = 20_000_000;
export const MOST_PIXELS = 80_000_000;
export const LEAST_SIDE = 8;
