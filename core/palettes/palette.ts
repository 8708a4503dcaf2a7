import type { DrawnPicture } from '../pictures/picture';
import { pictureNodes } from '../drawing/picture-nodes';
import { Sampler } from '../drawing/sampler';
import { seeded } from '../values/random';
import type { Lab } from '../colour/space';
import { distance, hexFromLab, labOf, lchOf, luminanceOf, withLuminance } from '../colour/space';

/** Palettes: out of a picture, and shuffled so that every text stays as readable as it was. */

type Weighed = { lab: Lab; weight: number };

/**
 * The colours that tell most of a picture, the most frequent first: k-means in OKLab (Lloyd 1982), begun with the most
 * frequent colour and then each time the one that is furthest from all taken, weighed by how often it occurs.
 */
export function paletteOf(colours: ReadonlyMap<string, number>, count: number): string[] {
  const list: Weighed[] = [...colours]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([hex, weight]) => ({ lab: labOf(hex), weight }));
  if (list.length === 0) return [];
  const centres: Lab[] = [list.reduce((best, one) => (one.weight > best.weight ? one : best)).lab];
  while (centres.length < Math.min(count, list.length)) {
    let best = list[0];
    let most = -1;
    for (const one of list) {
      const gain = Math.min(...centres.map((centre) => distance(centre, one.lab))) * Math.sqrt(Math.sqrt(one.weight));
      if (gain > most) [most, best] = [gain, one];
    }
    if (most <= 0.01) break;
    centres.push(best.lab);
  }
  let weights: number[] = [];
  for (let round = 0; round < 12; round++) {
    const sums = centres.map(() => [0, 0, 0, 0]);
    for (const { lab, weight } of list) {
      let near = 0;
      for (let i = 1; i < centres.length; i++) if (distance(centres[i], lab) < distance(centres[near], lab)) near = i;
      for (let k = 0; k < 3; k++) sums[near][k] += lab[k] * weight;
      sums[near][3] += weight;
    }
    sums.forEach(([l, a, b, weight], i) => {
      if (weight > 0) centres[i] = [l / weight, a / weight, b / weight];
    });
    weights = sums.map(([, , , weight]) => weight);
  }
  const ordered = centres
    .map((lab, i) => ({ hex: hexFromLab(lab), weight: weights[i] }))
    .sort((a, b) => b.weight - a.weight);
  return [...new Set(ordered.map(({ hex }) => hex))];
}

/** How often each colour of a drawn picture is met on a grid of so many points across; nothing where it is empty. */
export function coloursOf(picture: DrawnPicture, across = 48): Map<string, number> {
  // The one group tells whether anything was met at all.
  const sampler = new Sampler([{ kind: 'group', id: 'picture', children: pictureNodes(picture) }]);
  const step = Math.max(picture.width, picture.height) / across;
  const found = new Map<string, number>();
  for (let y = step / 2; y < picture.height; y += step)
    for (let x = step / 2; x < picture.width; x += step) {
      const { hex, items } = sampler.at({ x, y });
      if (items.length > 0) found.set(hex, (found.get(hex) ?? 0) + 1);
    }
  return found;
}

/**
 * Other colours for a palette. Each keeps its relative luminance, so that every contrast between two of them, and with it
 * every text, stays as readable as it was. The same seed gives the same palette.
 */
export function shuffled(palette: readonly string[], seed: number): string[] {
  const random = seeded(seed);
  const turn = 25 + random() * 310;
  // Two hues set the tone; colours of the sheet that were near each other stay so.
  const spread = random() < 0.4 ? 0.25 : random() < 0.5 ? 1 : -1;
  const vivid = 0.75 + random() * 0.6;
  const anchor = palette.map(lchOf).reduce((most, one) => (one.c > most.c ? one : most), { l: 0, c: 0, h: 0 }).h;
  return palette.map((hex) => {
    const { c, h } = lchOf(hex);
    const away = ((h - anchor + 540) % 360) - 180;
    const hue = (((anchor + turn + away * spread) % 360) + 360) % 360;
    return withLuminance(luminanceOf(hex), Math.min(0.32, c * vivid), hue);
  });
}
