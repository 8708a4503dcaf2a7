import type { Rgb } from './rgb';
import { hexOf, rgbOf } from './rgb';

/**
 * How the colours of a picture are changed: as one affine map of red, green and blue, so that paths, pixels, SVG filters and
 * PDF come to the same colours.
 */

export type Tone = {
  /** -1 black, 0 as it is, 1 twice as bright. */
  brightness: number;
  /** -1 all grey, 0 as it is, 1 three times as far from grey. */
  contrast: number;
  /** Two colours in place of all: from that of the darkest to that of the lightest. */
  twoColours: { dark: string; light: string } | null;
  /** A colour laid over, by a share of 0 to 1. */
  tint: { colour: string; share: number } | null;
};

type Row = readonly [red: number, green: number, blue: number, added: number];
/** For each of red, green and blue (0 to 1) the shares of all three, and what is added. */
export type ToneMatrix = readonly [Row, Row, Row];

const SAME: ToneMatrix = [
  [1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, 0, 1, 0],
];
/** How much red, green and blue add to how light a colour is (ITU-R BT.709). */
const LIGHT = [0.2126, 0.7152, 0.0722] as const;
const WHITE: Rgb = [255, 255, 255];

/** The map that multiplies all, then adds to each. */
const scaled = (by: number, added: Rgb): ToneMatrix =>
  SAME.map((row, i) => [...row.slice(0, 3).map((share) => share * by), added[i] / 255]) as unknown as ToneMatrix;

const laidOver = (colour: Rgb, share: number) =>
  scaled(1 - share, colour.map((value) => value * share) as unknown as Rgb);

function inTwo(dark: Rgb, light: Rgb): ToneMatrix {
  return dark.map((value, i) => {
    const far = (light[i] - value) / 255;
    return [...LIGHT.map((share) => share * far), value / 255];
  }) as unknown as ToneMatrix;
}

/** First one map, then the next. */
const after = (next: ToneMatrix, first: ToneMatrix): ToneMatrix =>
  next.map((row) =>
    [0, 1, 2, 3].map(
      (k) => row[0] * first[0][k] + row[1] * first[1][k] + row[2] * first[2][k] + (k === 3 ? row[3] : 0),
    ),
  ) as unknown as ToneMatrix;

/** The map of a tone, and then so far towards white; null where colours stay as they are. */
export function toneMatrix(tone: Tone | null, soften = 0): ToneMatrix | null {
  const steps: ToneMatrix[] = [];
  if (tone) {
    const { brightness, contrast, twoColours, tint } = tone;
    if (brightness !== 0) steps.push(scaled(1 + brightness, [0, 0, 0]));
    if (contrast !== 0) {
      const by = contrast < 0 ? 1 + contrast : 1 + 2 * contrast;
      const back = 127.5 * (1 - by);
      steps.push(scaled(by, [back, back, back]));
    }
    if (twoColours) steps.push(inTwo(rgbOf(twoColours.dark), rgbOf(twoColours.light)));
    if (tint && tint.share > 0) steps.push(laidOver(rgbOf(tint.colour), tint.share));
  }
  if (soften > 0) steps.push(laidOver(WHITE, soften));
  return steps.length === 0 ? null : steps.reduce((first, next) => after(next, first));
}

/** One of the three values of a colour, each 0 to 255, after a map; it may lie outside of that. */
const valueOf = ([r, g, b, added]: Row, red: number, green: number, blue: number) =>
  r * red + g * green + b * blue + added * 255;

export function toned(hex: string, matrix: ToneMatrix | null): string {
  if (!matrix) return hex;
  const [red, green, blue] = rgbOf(hex);
  return hexOf(matrix.map((row) => valueOf(row, red, green, blue)) as unknown as Rgb);
}

/** Maps pixels in place: red, green, blue and opacity, each 0 to 255; opacity stays. */
export function tonePixels(data: Uint8Array | Uint8ClampedArray, matrix: ToneMatrix): void {
  const [red, green, blue] = matrix;
  const whole = (value: number) => (value <= 0 ? 0 : value >= 255 ? 255 : Math.round(value));
  for (let i = 0; i + 3 < data.length; i += 4) {
    const [r, g, b] = [data[i], data[i + 1], data[i + 2]];
    data[i] = whole(valueOf(red, r, g, b));
    data[i + 1] = whole(valueOf(green, r, g, b));
    data[i + 2] = whole(valueOf(blue, r, g, b));
  }
}

/** What SVG's feColorMatrix takes: four rows of five. */
export const filterValues = (matrix: ToneMatrix): number[] => [
  ...matrix.flatMap(([r, g, b, added]) => [r, g, b, 0, added]),
  ...[0, 0, 0, 1, 0],
];
