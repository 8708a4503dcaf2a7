import { clampChroma, modeLrgb, modeOklab, modeOklch, modeRgb, useMode as converter } from 'culori/fn';
import type { Oklch } from 'culori/fn';
import { remembered } from '../values/remembered';
import type { Rgb } from './rgb';
import { hexOf, rgbOf } from './rgb';

/** Colours by eye: OKLCH for lightness, chroma and hue (Ottosson 2020); contrast as WCAG 2.2 defines it. */

converter(modeLrgb);
const toOklab = converter(modeOklab);
const toOklch = converter(modeOklch);
const toRgb = converter(modeRgb);

/** Lightness 0 to 1, chroma 0 to about 0.37, hue in degrees (0 for greys). */
export type Lch = { l: number; c: number; h: number };
export type Lab = readonly [l: number, a: number, b: number];

export function lchOf(hex: string): Lch {
  const { l, c, h = 0 } = toOklch(hex)!;
  return { l, c, h };
}
export function labOf(hex: string): Lab {
  const { l, a, b } = toOklab(hex)!;
  return [l, a, b];
}
/** The nearest colour that a screen can show: chroma gives way, lightness and hue stay. */
export function hexFrom({ l, c, h }: Lch): string {
  const wanted: Oklch = { mode: 'oklch', l: Math.max(0, Math.min(1, l)), c: Math.max(0, c), h };
  const direct = toRgb(wanted);
  const shown = [direct.r, direct.g, direct.b].every((value) => value > -0.002 && value < 1.002);
  const { r, g, b } = shown ? direct : toRgb(clampChroma(wanted, 'oklch'));
  return hexOf([r * 255, g * 255, b * 255]);
}
export function hexFromLab([l, a, b]: Lab): string {
  const { h = 0, c } = toOklch({ mode: 'oklab', l, a, b });
  return hexFrom({ l, c, h });
}
export const distance = (a: Lab, b: Lab) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

const linear = (value: number) => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};
/** Relative luminance, 0 for black to 1 for white. */
export const luminance = ([r, g, b]: Rgb) => 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
/** A page has few colours, and each is compared with many. */
const KEPT_COLOURS = 500;
export const luminanceOf = remembered(KEPT_COLOURS, (hex: string) => luminance(rgbOf(hex)));

/** 1 for the same lightness to 21 for black on white. */
export function contrast(a: number, b: number): number {
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}
export const contrastOf = (a: string, b: string) => contrast(luminanceOf(a), luminanceOf(b));

/** A colour of a hue and chroma that has a given luminance: its lightness is searched for. */
export function withLuminance(wanted: number, c: number, h: number): string {
  let [low, high] = [0, 1];
  for (let step = 0; step < 24; step++) {
    const middle = (low + high) / 2;
    if (luminanceOf(hexFrom({ l: middle, c, h })) < wanted) low = middle;
    else high = middle;
  }
  return hexFrom({ l: high, c, h });
}

/** What a person typed as a colour: with or without #, three digits or six; null for anything else. */
export function readHex(typed: string): string | null {
  const match = /^\s*#?([0-9a-f]{3}|[0-9a-f]{6})\s*$/i.exec(typed);
  if (!match) return null;
  const digits = match[1].toLowerCase();
  return `#${digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits}`;
}
