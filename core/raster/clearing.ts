import { labOf } from '../colour/space';
import { hexOf } from '../colour/rgb';
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

/** Lightness and hue of each cell, worked out when it is met first. */
class Cells {
  private l = new Float32Array(1 << (3 * BITS));
  private a = new Float32Array(1 << (3 * BITS));
  private b = new Float32Array(1 << (3 * BITS));
  private known = new Uint8Array(1 << (3 * BITS));

  lab(cell: number): [number, number, number] {
    if (!this.known[cell]) {
      const middle = (value: number) => ((value << SHIFT) + (1 << (SHIFT - 1))) & 255;
      const most = (1 << BITS) - 1;
      const [l, a, b] = labOf(hexOf([middle(cell >> (2 * BITS)), middle((cell >> BITS) & most), middle(cell & most)]));
      this.l[cell] = l;
      this.a[cell] = a;
      this.b[cell] = b;
      this.known[cell] = 1;
    }
    return [this.l[cell], this.a[cell], this.b[cell]];
  }
}
let cells: Cells | undefined;

/** The colour that most of some pixels have: where the background is spotted, one spot does not decide. */
function mostlyAt(data: Pixels['data'], places: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const at of places) {
    // Neighbours in colour count together.
    const cell = cellOf(data, at * 4);
    const coarse = ((cell >> (2 * BITS + 2)) << 8) | (((cell >> (BITS + 2)) & 15) << 4) | ((cell >> 2) & 15);
    counts.set(coarse, (counts.get(coarse) ?? 0) + 1);
  }
  let [most, best] = [0, -1];
  for (const [coarse, count] of counts) if (count > most) [best, most] = [coarse, count];
  const sums = [0, 0, 0, 0];
  for (const at of places) {
    const cell = cellOf(data, at * 4);
    const coarse = ((cell >> (2 * BITS + 2)) << 8) | (((cell >> (BITS + 2)) & 15) << 4) | ((cell >> 2) & 15);
    if (coarse !== best) continue;
    for (let channel = 0; channel < 3; channel++) sums[channel] += data[at * 4 + channel];
    sums[3]++;
  }
  const [r, g, b] = sums.slice(0, 3).map((sum) => Math.round(sum / Math.max(1, sums[3])));
  return ((r >> SHIFT) << (2 * BITS)) | ((g >> SHIFT) << BITS) | (b >> SHIFT);
}

/** How far every colour that is met lies from one: 255 is farther than any tolerance. */
function distances(from: number): (cell: number) => number {
  cells ??= new Cells();
  const [l, a, b] = cells.lab(from);
  const far = new Int16Array(1 << (3 * BITS)).fill(-1);
  return (cell) => {
    if (far[cell] < 0) {
      const [cl, ca, cb] = cells!.lab(cell);
      // A shadow changes lightness more than hue.
      const apart = Math.hypot((cl - l) * 0.8, (ca - a) * 1.6, (cb - b) * 1.6);
      far[cell] = Math.min(255, Math.round((apart / FARTHEST) * 254));
    }
    return far[cell];
  };
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

/** Takes away what is connected to some pixels and no farther in colour than said; in runs, row by row. */
function flood(
  { width, height, data }: Pixels,
  mask: Uint8Array,
  from: readonly number[],
  far: (cell: number) => number,
  most: number,
) {
  const isGround = (at: number) => mask[at] !== 0 && (data[at * 4 + 3] < CLEAR || far(cellOf(data, at * 4)) <= most);
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
  for (const at of from) if (isGround(at)) push(at);
  while (top > 0) {
    const at = stack[--top];
    if (!isGround(at)) continue;
    const row = at - (at % width);
    let [left, right] = [at, at];
    while (left > row && isGround(left - 1)) left--;
    while (right < row + width - 1 && isGround(right + 1)) right++;
    mask.fill(0, left, right + 1);
    for (const next of [-width, width]) {
      if (row + next < 0 || row + next >= width * height) continue;
      let open = false;
      for (let here = left + next; here <= right + next; here++) {
        const ground = isGround(here);
        if (ground && !open) push(here);
        open = ground;
      }
    }
  }
}

/** Blurs a mask where it has an edge, over so many pixels to each side; twice, since a box alone leaves corners. */
function softened(mask: Uint8Array, width: number, height: number, radius: number): Uint8Array {
  const [rows, out] = [new Uint8Array(mask.length), new Uint8Array(mask.length)];
  let from = mask;
  for (let pass = 0; pass < 2; pass++) {
    for (let y = 0; y < height; y++) blurLine(from, rows, y * width, 1, width, radius);
    for (let x = 0; x < width; x++) blurLine(rows, out, x, width, height, radius);
    from = out;
  }
  return out;
}

function blurLine(from: Uint8Array, to: Uint8Array, start: number, step: number, count: number, radius: number) {
  const clamp = (i: number) => start + Math.max(0, Math.min(count - 1, i)) * step;
  let sum = 0;
  for (let i = -radius; i <= radius; i++) sum += from[clamp(i)];
  const size = 2 * radius + 1;
  for (let i = 0; i < count; i++) {
    to[start + i * step] = Math.round(sum / size);
    sum += from[clamp(i + radius + 1)] - from[clamp(i - radius)];
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
    flood(pixels, mask, edge, distances(mostlyAt(data, edge)), most);
  }
  for (const { x, y } of spots) {
    const [px, py] = [
      Math.max(0, Math.min(width - 1, Math.floor(x * width))),
      Math.max(0, Math.min(height - 1, Math.floor(y * height))),
    ];
    flood(pixels, mask, [py * width + px], distances(mostlyAt(data, around(pixels, px, py))), most);
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
