import { rgbOf } from './rgb';

/** What a person would call a colour: for who can't see it, and for who has to say it. */

/** Hues in degrees, each up to where the next begins. */
const HUES: readonly [upTo: number, name: string][] = [
  [14, 'red'],
  [42, 'orange'],
  [66, 'yellow'],
  [160, 'green'],
  [190, 'turquoise'],
  [250, 'blue'],
  [290, 'purple'],
  [340, 'pink'],
  [361, 'red'],
];

/** A colour in words, such as “dark green” or “light grey”. @param hex as #rrggbb */
export function colourName(hex: string): string {
  const [r, g, b] = rgbOf(hex).map((value) => value / 255);
  const [low, high] = [Math.min(r, g, b), Math.max(r, g, b)];
  const [range, lightness] = [high - low, (high + low) / 2];
  if (lightness > 0.97) return 'white';
  if (lightness < 0.06) return 'black';
  const saturation = range === 0 ? 0 : range / (1 - Math.abs(2 * lightness - 1));
  if (range < 0.06 || saturation < 0.1) return shaded(lightness, 'grey');
  const turn = high === r ? ((g - b) / range + 6) % 6 : high === g ? (b - r) / range + 2 : (r - g) / range + 4;
  const [, hue] = HUES.find(([upTo]) => turn * 60 < upTo)!;
  // What is dark or dull between red and yellow is called brown, or beige where it is light.
  if (hue === 'orange' || hue === 'yellow') {
    if (lightness < 0.42 || (saturation < 0.45 && lightness < 0.62)) return shaded(lightness + 0.12, 'brown');
    if (saturation < 0.6 && lightness > 0.75) return lightness > 0.93 ? 'cream' : 'beige';
  }
  return shaded(lightness, hue);
}

const shaded = (lightness: number, name: string) =>
  lightness < 0.3 ? `dark ${name}` : lightness > 0.74 ? `light ${name}` : name;
