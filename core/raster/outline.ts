import { blur2, median } from 'd3-array';
import { contours } from 'd3-contour';
import simplify from 'simplify-js';
import type { Pixels } from './pixels';
import { besides, SEEN } from './pixels';

/**
 * The outline of what a picture shows: of what is not see-through, or else of what stands before a plain ground. Marching
 * squares (Lorensen and Cline 1987, by d3-contour) on the softened mask, thinned out by Douglas and Peucker (1973).
 */

/** So much of a picture has to be clear for its opacity to tell its outline. */
const CLEAR = 0.01;
/** So much of the rim has to be of one colour for the ground to count as plain, and how far off a colour may be, in 255ths. */
const PLAIN = 0.82;
const ALIKE = 42;
/** What covers less or more of a picture than this is no outline. */
const [LEAST, MOST] = [0.004, 0.985];
/** Pieces smaller than this share of the whole outline are specks. */
const SPECK = 0.004;

/** 1 where the picture shows something, 0 on its ground; null where all of it is the picture. */
export function shownIn({ width, height, data }: Pixels): Uint8Array | null {
  const count = width * height;
  const mask = new Uint8Array(count);
  let clear = 0;
  for (let i = 0; i < count; i++) {
    if (data[i * 4 + 3] >= SEEN) mask[i] = 1;
    else clear++;
  }
  if (clear < count * CLEAR && !leaveGround(mask, { width, height, data })) return null;
  const share = mask.reduce((sum, one) => sum + one, 0) / count;
  return share >= LEAST && share <= MOST ? mask : null;
}

/** Takes a plain ground out of a mask, from the rim inwards. @returns false where there is none */
function leaveGround(mask: Uint8Array, { width, height, data }: Pixels): boolean {
  const rim: number[] = [];
  for (let x = 0; x < width; x++) rim.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y++) rim.push(y * width, y * width + width - 1);
  const ground = [0, 1, 2].map((channel) => median(rim, (i) => data[i * 4 + channel])!);
  const alike = (i: number) => Math.hypot(...ground.map((value, channel) => data[i * 4 + channel] - value)) <= ALIKE;
  const open = rim.filter(alike);
  if (open.length < rim.length * PLAIN) return false;
  for (const i of open) mask[i] = 0;
  while (open.length > 0) {
    for (const next of besides(open.pop()!, width))
      if (next >= 0 && next < mask.length && mask[next] === 1 && alike(next)) {
        mask[next] = 0;
        open.push(next);
      }
  }
  return true;
}

/** Twice the area of a ring, with the sign of its direction. */
const areaOf = (ring: readonly (readonly number[])[]) =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length];
    return sum + x * ny - nx * y;
  }, 0);

const rounded = (value: number) => Math.round(value * 10) / 10;

/**
 * The outline of what a picture shows, as path data to be filled by the even-odd rule.
 * @param scale units of the path to a pixel
 * @returns null where the picture has none: it fills its whole frame, or shows nothing
 */
export function outlineOf(pixels: Pixels, scale = 1): string | null {
  const { width, height } = pixels;
  const mask = shownIn(pixels);
  if (!mask) return null;
  const soft = { data: Array.from(mask), width, height };
  blur2(soft, 0.8);
  const [shape] = contours().size([width, height]).thresholds([0.5])(soft.data);
  const rings = shape.coordinates.flat() as [number, number][][];
  const least = (rings.reduce((sum, ring) => sum + Math.abs(areaOf(ring)), 0) || 1) * SPECK;
  const kept = rings.filter((ring) => Math.abs(areaOf(ring)) >= least);
  if (kept.length === 0) return null;
  return kept
    .map((ring) => {
      const points = simplify(
        ring.map(([x, y]) => ({ x, y })),
        0.5,
        true,
      );
      return `M${points.map(({ x, y }) => `${rounded(x * scale)} ${rounded(y * scale)}`).join('L')}Z`;
    })
    .join('');
}
