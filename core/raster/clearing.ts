import type { Clearing, Stroke } from './recipe';
import type { Pixels } from './pixels';

/**
 * A picture without its background. What is kept is a recipe: where the background was touched, how alike counts as background, and
 * what a brush erased or brought back. The mask that comes of it is the same wherever it is made.
 */

/** A tolerance of 1 in OKLab: from white to a middle grey. */
const FARTHEST = 0.5;
/** Colours are told apart to 6 bits in each of red, green and blue. */
const BITS = 6;
const SHIFT = 8 - BITS;
/** The widest edge that can be soft, as a share of the longer side. */
const SOFTEST = 0.012;
/** A pixel this clear belongs to the background anyway. */
const CLEAR = 8;

/** The colour that a pixel counts as. */
const cellOf = (data: Pixels['data'], at: number) =>
  ((data[at] >> SHIFT) << (2 * BITS)) | ((data[at + 1] >> SHIFT) << BITS) | (data[at + 2] >> SHIFT);

const CELLS = 1 << (3 * BITS);
/** The highest step of 6 bits. */
const TOP_STEP = (1 << BITS) - 1;

/** From the middle of a step of 6 bits to light. */
const LIGHT = Float64Array.from({ length: TOP_STEP + 1 }, (_, step) => {
  const share = ((step << SHIFT) + (1 << (SHIFT - 1))) / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** A cell in OKLab (Ottosson 2020), by numbers alone: there may be a hundred thousand of them. */
function cellLab(cell: number): [l: number, a: number, b: number] {
  const [r, g, b] = [LIGHT[cell >> (2 * BITS)], LIGHT[(cell >> BITS) & TOP_STEP], LIGHT[cell & TOP_STEP]];
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** Neighbours in colour, told apart to 4 bits. */
const coarseOf = (cell: number) =>
  ((cell >> (2 * BITS + 2)) << 8) | (((cell >> (BITS + 2)) & 15) << 4) | ((cell >> 2) & 15);

/** The colour that most of some pixels have: where the background is spotted, one spot does not decide. */
function mostlyAt(data: Pixels['data'], places: readonly number[]): number {
  // Red, green, blue and how many, of neighbours in colour together.
  const sums = new Map<number, [number, number, number, number]>();
  for (const place of places) {
    const at = place * 4;
    const coarse = coarseOf(cellOf(data, at));
    const [r, g, b, count] = sums.get(coarse) ?? [0, 0, 0, 0];
    sums.set(coarse, [r + data[at], g + data[at + 1], b + data[at + 2], count + 1]);
  }
  const [r, g, b, count] = [...sums.values()].reduce((most, one) => (one[3] > most[3] ? one : most), [0, 0, 0, 0]);
  return cellOf(Uint8Array.from([r, g, b].map((sum) => Math.round(sum / Math.max(1, count)))), 0);
}

/** Which pixels are of a colour, within a tolerance of 255, or clear; 1 for those. */
function alike({ width, height, data }: Pixels, from: number, most: number): Uint8Array {
  const [l, a, b] = cellLab(from);
  // Worked out when a colour is met first: 0 not yet, 1 within, 2 beyond.
  const known = new Uint8Array(CELLS);
  const out = new Uint8Array(width * height);
  for (let i = 0, at = 0; i < out.length; i++, at += 4) {
    if (data[at + 3] < CLEAR) {
      out[i] = 1;
      continue;
    }
    const cell = cellOf(data, at);
    if (known[cell] === 0) {
      const [cl, ca, cb] = cellLab(cell);
      // A shadow changes lightness more than hue.
      const apart = Math.hypot((cl - l) * 0.8, (ca - a) * 1.6, (cb - b) * 1.6);
      known[cell] = Math.min(255, Math.round((apart / FARTHEST) * 254)) <= most ? 1 : 2;
    }
    out[i] = known[cell] & 1;
  }
  return out;
}

/** All pixels along the edge of a picture. */
function edgeOf(width: number, height: number): number[] {
  const out: number[] = [];
  for (let x = 0; x < width; x++) out.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y++) out.push(y * width, y * width + width - 1);
  return out;
}

/** Pixels around a spot, for its colour. */
function around({ width, height }: Pixels, x: number, y: number): number[] {
  const reach = Math.max(1, Math.round(Math.max(width, height) / 400));
  const out: number[] = [];
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const [px, py] = [x + dx, y + dy];
      if (px >= 0 && py >= 0 && px < width && py < height) out.push(py * width + px);
    }
  return out;
}

/** Takes away what is connected to some pixels and alike; in runs, row by row. `ground` is used up. */
function flood(width: number, mask: Uint8Array, from: readonly number[], ground: Uint8Array) {
  let stack = new Int32Array(4096);
  let top = 0;
  const push = (at: number) => {
    if (top === stack.length) {
      const larger = new Int32Array(stack.length * 2);
      larger.set(stack);
      stack = larger;
    }
    stack[top++] = at;
  };
  for (const at of from) if (ground[at]) push(at);
  while (top > 0) {
    const at = stack[--top];
    if (!ground[at]) continue;
    const row = at - (at % width);
    let [left, right] = [at, at];
    while (left > row && ground[left - 1]) left--;
    while (right < row + width - 1 && ground[right + 1]) right++;
    mask.fill(0, left, right + 1);
    ground.fill(0, left, right + 1);
    for (const next of [-width, width]) {
      if (row + next < 0 || row + next >= mask.length) continue;
      let open = false;
      for (let here = left + next; here <= right + next; here++) {
        if (ground[here] && !open) push(here);
        open = ground[here] === 1;
      }
    }
  }
}

/** Blurs a mask over so many pixels to each side. */
function softened(mask: Uint8Array, width: number, height: number, radius: number): Uint8Array {
  const [rows, out] = [new Uint8Array(mask.length), new Uint8Array(mask.length)];
  blurRows(mask, rows, width, height, radius);
  blurColumns(rows, out, width, height, radius);
  return out;
}

/** Averages are worked out in whole numbers, which is quicker: a share of this. */
const PARTS = 22;
const shareOf = (radius: number) => Math.round(2 ** PARTS / (2 * radius + 1));
const averageOf = (sum: number, share: number) => (sum * share + (1 << (PARTS - 1))) >> PARTS;

function blurRows(from: Uint8Array, to: Uint8Array, width: number, height: number, radius: number) {
  const share = shareOf(radius);
  // Between these, nothing beyond the row is asked for.
  const [inner, outer] = [Math.min(width, radius), Math.max(0, width - radius - 1)];
  for (let start = 0; start < width * height; start += width) {
    const end = start + width - 1;
    let sum = from[start] * radius;
    for (let i = 0; i <= radius; i++) sum += from[Math.min(end, start + i)];
    const slow = (first: number, last: number) => {
      for (let at = first; at < last; at++) {
        to[at] = averageOf(sum, share);
        sum += from[Math.min(end, at + radius + 1)] - from[Math.max(start, at - radius)];
      }
    };
    slow(start, start + inner);
    for (let at = start + inner; at < start + outer; at++) {
      to[at] = averageOf(sum, share);
      sum += from[at + radius + 1] - from[at - radius];
    }
    slow(start + Math.max(inner, outer), end + 1);
  }
}

/** All columns at once, row after row, as they lie in memory. */
function blurColumns(from: Uint8Array, to: Uint8Array, width: number, height: number, radius: number) {
  const share = shareOf(radius);
  const sums = new Int32Array(width);
  for (let i = -radius; i <= radius; i++) {
    const row = Math.max(0, Math.min(height - 1, i)) * width;
    for (let x = 0; x < width; x++) sums[x] += from[row + x];
  }
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const [comes, goes] = [Math.min(height - 1, y + radius + 1) * width, Math.max(0, y - radius) * width];
    for (let x = 0; x < width; x++) {
      to[row + x] = averageOf(sums[x], share);
      sums[x] += from[comes + x] - from[goes + x];
    }
  }
}

/** Erases, or brings back, along the way of a brush. */
function brush(mask: Uint8Array, { width, height }: Pixels, { erases, size, points }: Stroke) {
  const radius = Math.max(0.5, (size * Math.max(width, height)) / 2);
  const value = erases ? 0 : 255;
  const dab = (cx: number, cy: number) => {
    const top = Math.max(0, Math.floor(cy - radius));
    const bottom = Math.min(height - 1, Math.ceil(cy + radius));
    for (let y = top; y <= bottom; y++) {
      const half = radius * radius - (y - cy) * (y - cy);
      if (half < 0) continue;
      const reach = Math.sqrt(half);
      const left = Math.max(0, Math.ceil(cx - reach));
      const right = Math.min(width - 1, Math.floor(cx + reach));
      if (left <= right) mask.fill(value, y * width + left, y * width + right + 1);
    }
  };
  const at = (i: number) => [points[i] * width, points[i + 1] * height] as const;
  for (let i = 0; i + 1 < points.length; i += 2) {
    const [x, y] = at(i);
    const [fromX, fromY] = i === 0 ? [x, y] : at(i - 2);
    const steps = Math.max(1, Math.ceil(Math.hypot(x - fromX, y - fromY) / Math.max(1, radius / 3)));
    for (let step = 1; step <= steps; step++)
      dab(fromX + ((x - fromX) * step) / steps, fromY + ((y - fromY) * step) / steps);
  }
}

/** What is left of a picture, 0 to 255 for each of its pixels. What the picture itself does not show is not brought back. */
export const clearedMask = (pixels: Pixels, recipe: Clearing): Uint8Array =>
  brushed(groundMask(pixels, recipe), pixels, recipe.strokes);

/** The same after the brush, in place. */
export function brushed(mask: Uint8Array, pixels: Pixels, strokes: Clearing['strokes']): Uint8Array {
  for (const stroke of strokes) brush(mask, pixels, stroke);
  return mask;
}

/** The same without what a brush did. */
export function groundMask(pixels: Pixels, { border, spots, tolerance, soft }: Omit<Clearing, 'strokes'>): Uint8Array {
  const { width, height, data } = pixels;
  const mask = new Uint8Array(width * height).fill(255);
  const most = Math.round(tolerance * 254);
  if (border) {
    const edge = edgeOf(width, height);
    flood(width, mask, edge, alike(pixels, mostlyAt(data, edge), most));
  }
  for (const { x, y } of spots) {
    const [px, py] = [
      Math.max(0, Math.min(width - 1, Math.floor(x * width))),
      Math.max(0, Math.min(height - 1, Math.floor(y * height))),
    ];
    flood(width, mask, [py * width + px], alike(pixels, mostlyAt(data, around(pixels, px, py)), most));
  }
  const radius = Math.round(soft * SOFTEST * Math.max(width, height));
  return radius > 0 ? softened(mask, width, height, radius) : mask;
}

/** Puts a mask over pixels, in place: it may be of another size. */
export function maskPixels({ width, height, data }: Pixels, mask: Uint8Array, across: number, down: number): void {
  const same = across === width && down === height;
  for (let y = 0; y < height; y++) {
    const fy = same ? y : Math.max(0, Math.min(down - 1, ((y + 0.5) * down) / height - 0.5));
    const [y0, ty] = [Math.floor(fy), fy - Math.floor(fy)];
    const y1 = Math.min(down - 1, y0 + 1);
    for (let x = 0; x < width; x++) {
      let left: number;
      if (same) left = mask[y * width + x];
      else {
        const fx = Math.max(0, Math.min(across - 1, ((x + 0.5) * across) / width - 0.5));
        const [x0, tx] = [Math.floor(fx), fx - Math.floor(fx)];
        const x1 = Math.min(across - 1, x0 + 1);
        const upper = mask[y0 * across + x0] * (1 - tx) + mask[y0 * across + x1] * tx;
        const lower = mask[y1 * across + x0] * (1 - tx) + mask[y1 * across + x1] * tx;
        left = upper * (1 - ty) + lower * ty;
      }
      const at = (y * width + x) * 4 + 3;
      data[at] = (data[at] * left) / 255;
    }
  }
}
