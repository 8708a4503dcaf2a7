/** Red, green, blue, 0 to 255. */
export type Rgb = readonly [number, number, number];

export const rgbOf = (hex: string): Rgb => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as unknown as Rgb;

/** Rounded, and brought within what can be written. */
export const hexOf = (rgb: Rgb) =>
  `#${rgb
    .map((value) =>
      Math.round(Math.max(0, Math.min(255, value)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
