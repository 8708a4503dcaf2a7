import type { DrawnPicture } from '../pictures/picture';
import { lchOf, luminanceOf, withLuminance } from '../colour/space';
import { coloursOf } from './palette';

/** The colours of a drawn picture, and others for them. */

/** The colours that a picture is drawn with, those that most is seen of first. None for one that is made of pixels. */
export function ownColours(picture: DrawnPicture): Map<string, number> {
  if (picture.raster) return new Map();
  const seen = coloursOf(picture);
  // A thin line may lie between all the points that were looked at.
  const own = new Set(
    picture.paths.flatMap(({ fill, stroke, paint }) =>
      paint && paint.kind !== 'solid'
        ? paint.stops.map(([, hex]) => hex)
        : [fill, stroke].filter((hex) => hex !== null),
    ),
  );
  return new Map([...own].map((hex) => [hex, (seen.get(hex) ?? 0) + 1] as const).sort(([, a], [, b]) => b - a));
}

/** On this scale equal steps are equal contrasts. */
const stepOf = (luminance: number) => Math.log(luminance + 0.05);
const [BLACK, WHITE] = [stepOf(0), stepOf(1)];
/** How much a wrong hue weighs beside a wrong lightness. */
const HUE = 6;

/** How far the hues of two colours are apart; for greys, how far the other is from being one. */
function hueApart(a: string, b: string): number {
  const [one, other] = [lchOf(a), lchOf(b)];
  const turn = ((one.h - other.h) * Math.PI) / 360;
  return Math.hypot(2 * Math.sqrt(one.c * other.c) * Math.sin(turn), (one.c - other.c) / 2);
}

/**
 * For each colour of a picture one of a palette, or a lighter or darker shade of it: by lightness and hue. Whatever was lighter
 * than another is not darker than it afterwards. The assignment that is nearest of all that keep the order of lightness, by
 * dynamic programming.
 * @param colours how much of each is seen
 */
export function inPalette(colours: ReadonlyMap<string, number>, palette: readonly string[]): Record<string, string> {
  const byLight = (a: string, b: string) => luminanceOf(a) - luminanceOf(b) || (a < b ? -1 : 1);
  const own = [...colours.keys()].sort(byLight);
  const to = [...new Set(palette)].sort(byLight);
  if (own.length === 0 || to.length === 0) return {};
  const apart = (hex: string, given: string) =>
    Math.sqrt(colours.get(hex)!) *
    (Math.abs(stepOf(luminanceOf(hex)) - stepOf(luminanceOf(given))) + HUE * hueApart(hex, given));
  // best[i][k]: the first i colours, none of them beyond palette colour k.
  const best: number[][] = [to.map(() => 0)];
  const taken: boolean[][] = [];
  for (const hex of own) {
    const before = best.at(-1)!;
    const row: number[] = [];
    const takes: boolean[] = [];
    to.forEach((given, k) => {
      const here = before[k] + apart(hex, given);
      const lower = row[k - 1] ?? Infinity;
      takes.push(here <= lower);
      row.push(Math.min(here, lower));
    });
    best.push(row);
    taken.push(takes);
  }
  const group: number[] = own.map(() => 0);
  for (let i = own.length - 1, k = to.length - 1; i >= 0; i--) {
    while (!taken[i][k]) k--;
    group[i] = k;
  }
  const used = [...new Set(group)];
  const result: Record<string, string> = {};
  used.forEach((k, at) => {
    const middle = (other: number | undefined, end: number) =>
      other === undefined ? end : (stepOf(luminanceOf(to[k])) + stepOf(luminanceOf(to[other]))) / 2;
    shade(
      own.filter((_, i) => group[i] === k),
      colours,
      to[k],
      [middle(used[at - 1], BLACK), middle(used[at + 1], WHITE)],
      result,
    );
  });
  return result;
}

/** Gives colours shades of one, within two steps of lightness: that which most is seen of becomes it exactly. */
function shade(
  own: readonly string[],
  colours: ReadonlyMap<string, number>,
  to: string,
  [low, high]: readonly [number, number],
  result: Record<string, string>,
): void {
  const main = own.reduce((most, hex) => (colours.get(hex)! > colours.get(most)! ? hex : most));
  const { c, h } = lchOf(to);
  const at = stepOf(luminanceOf(to));
  const away = (hex: string) => stepOf(luminanceOf(hex)) - stepOf(luminanceOf(main));
  const [lowest, highest] = [Math.min(...own.map(away)), Math.max(...own.map(away))];
  for (const hex of own) {
    const by = away(hex);
    // Where there is less room, all steps get smaller alike.
    const room = by < 0 ? Math.min(1, (low - at) / lowest) : by > 0 ? Math.min(1, (high - at) / highest) : 1;
    result[hex] = by === 0 ? to : withLuminance(Math.exp(at + by * room) - 0.05, c, h);
  }
}
