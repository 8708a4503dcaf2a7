/** Shapes as bits on a grid of cells: what words are placed by. */

/** Rows of cells, 32 to a number, lowest bit first; its corner at x, y of the plane that it was taken from. */
export type Mask = {
  x: number;
  y: number;
  width: number;
  height: number;
  stride: number;
  bits: Uint32Array;
};

/** Closed chains of x, y, x, y … in cells. */
export type Chains = readonly (Float64Array | readonly number[])[];

/** A mask with nothing set. */
export const blank = (x: number, y: number, width: number, height: number): Mask => {
  const stride = (width + 31) >>> 5;
  return { x, y, width, height, stride, bits: new Uint32Array(stride * height) };
};

export const has = ({ stride, bits }: Mask, x: number, y: number): boolean =>
  (bits[y * stride + (x >>> 5)] & (1 << (x & 31))) !== 0;

export function countOf({ bits }: Mask): number {
  let count = 0;
  for (let word of bits) {
    // Counts the bits of 32 at once (D. Knuth, The Art of Computer Programming 7.1.3).
    word -= (word >>> 1) & 0x55555555;
    word = (word & 0x33333333) + ((word >>> 2) & 0x33333333);
    count += Math.imul((word + (word >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
  }
  return count;
}

/** How often, and which way, edges are crossed in each cell of a mask that is being filled; all 0 in between. */
let crossings = new Int16Array(0);

type Chain = Chains[number];

/** Makes room for counting the crossings of a mask's cells. */
function counting({ width, height }: Mask): void {
  if (crossings.length < width * height) crossings = new Int16Array(width * height);
}

/** Counts where the edges of a chain that stands in a list from one place on to another cross the rows of a mask. */
function countCrossings(mask: Mask, chain: Chain, from: number, to: number, evenOdd: boolean): void {
  const { width, height } = mask;
  let ax = chain[to - 2] - mask.x;
  let ay = chain[to - 1] - mask.y;
  for (let i = from; i < to; i += 2) {
    const bx = chain[i] - mask.x;
    const by = chain[i + 1] - mask.y;
    if (ay !== by) {
      const down = by > ay;
      const first = Math.max(0, Math.ceil((down ? ay : by) - 0.5));
      const last = Math.min(height - 1, Math.ceil((down ? by : ay) - 0.5) - 1);
      const slope = (bx - ax) / (by - ay);
      for (let y = first; y <= last; y++) {
        const x = Math.max(0, Math.ceil(ax + (y + 0.5 - ay) * slope - 0.5));
        if (x < width) crossings[y * width + x] += evenOdd || down ? 1 : -1;
      }
    }
    ax = bx;
    ay = by;
  }
}

/** Sets the cells between the crossings that were counted, and counts from 0 again. */
function fillCounted({ width, height, stride, bits }: Mask, evenOdd: boolean): void {
  for (let y = 0; y < height; y++) {
    let winding = 0;
    let inside = false;
    const row = y * width;
    for (let k = 0; k < stride; k++) {
      const from = row + k * 32;
      const count = Math.min(32, width - k * 32);
      let word = 0;
      for (let i = 0; i < count; i++) {
        const crossed = crossings[from + i];
        if (crossed !== 0) {
          winding += crossed;
          crossings[from + i] = 0;
          inside = evenOdd ? (winding & 1) === 1 : winding !== 0;
        }
        if (inside) word |= 1 << i;
      }
      if (word !== 0) bits[y * stride + k] |= word;
    }
  }
}

/** The cells whose middles a set of chains fills, by the non-zero rule or the even-odd one, added to a mask. */
export function addFilled(mask: Mask, chains: Chains, evenOdd = false): void {
  counting(mask);
  for (const chain of chains) countCrossings(mask, chain, 0, chain.length, evenOdd);
  fillCounted(mask, evenOdd);
}

/** Every cell that an edge runs through (J. Amanatides and A. Woo, A Fast Voxel Traversal Algorithm, 1987). */
function addEdges(mask: Mask, chain: Chain, from: number, to: number): void {
  const { width, height, stride, bits } = mask;
  let [ax, ay] = [chain[to - 2] - mask.x, chain[to - 1] - mask.y];
  for (let i = from; i < to; i += 2) {
    const [bx, by] = [chain[i] - mask.x, chain[i + 1] - mask.y];
    let x = Math.floor(ax);
    let y = Math.floor(ay);
    const [endX, endY] = [Math.floor(bx), Math.floor(by)];
    const [dx, dy] = [bx - ax, by - ay];
    const [stepX, stepY] = [Math.sign(dx), Math.sign(dy)];
    const [perX, perY] = [dx === 0 ? Infinity : Math.abs(1 / dx), dy === 0 ? Infinity : Math.abs(1 / dy)];
    let nextX = dx === 0 ? Infinity : Math.abs(((dx > 0 ? x + 1 : x) - ax) / dx);
    let nextY = dy === 0 ? Infinity : Math.abs(((dy > 0 ? y + 1 : y) - ay) / dy);
    for (let left = Math.abs(endX - x) + Math.abs(endY - y); left >= 0; left--) {
      if (x >= 0 && y >= 0 && x < width && y < height) bits[y * stride + (x >>> 5)] |= 1 << (x & 31);
      if (nextX < nextY) {
        x += stepX;
        nextX += perX;
      } else {
        y += stepY;
        nextY += perY;
      }
    }
    [ax, ay] = [bx, by];
  }
}

/** The bounding box of chains; its left is beyond its right if there are none. */
export function sidesOf(chains: Chains): { left: number; top: number; right: number; bottom: number } {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const chain of chains)
    for (let i = 0; i < chain.length; i += 2) {
      left = Math.min(left, chain[i]);
      right = Math.max(right, chain[i]);
      top = Math.min(top, chain[i + 1]);
      bottom = Math.max(bottom, chain[i + 1]);
    }
  return { left, top, right, bottom };
}

/** Where chains stand while they are turned, one after the other; made once, since every word at every size needs it. */
let turned = new Float64Array(0);

/**
 * Every cell that chains fill or touch when they are turned and sized by a cosine and a sine: nothing drawn by them lies
 * outside. Null where they have no extent.
 */
export function touched(chains: Chains, cos = 1, sin = 0): Mask | null {
  const length = chains.reduce((sum, chain) => sum + chain.length, 0);
  if (turned.length < length) turned = new Float64Array(length * 2);
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  let at = 0;
  for (const chain of chains)
    for (let i = 0; i < chain.length; i += 2) {
      const x = chain[i] * cos - chain[i + 1] * sin;
      const y = chain[i] * sin + chain[i + 1] * cos;
      turned[at++] = x;
      turned[at++] = y;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
    }
  if (!(right >= left)) return null;
  const [x, y] = [Math.floor(left), Math.floor(top)];
  const mask = blank(x, y, Math.floor(right) + 1 - x, Math.floor(bottom) + 1 - y);
  counting(mask);
  at = 0;
  for (const chain of chains) {
    countCrossings(mask, turned, at, at + chain.length, false);
    addEdges(mask, turned, at, at + chain.length);
    at += chain.length;
  }
  fillCounted(mask, false);
  return mask;
}

/** An empty grid from 0, 0. */
export const grid = (width: number, height: number): Mask => blank(0, 0, width, height);

export function inverted(mask: Mask): Mask {
  const out = blank(mask.x, mask.y, mask.width, mask.height);
  for (let i = 0; i < out.bits.length; i++) out.bits[i] = ~mask.bits[i];
  return out;
}

/** A mask grown by so many cells each way; it needs that much margin around what it holds. */
export function grownBy(mask: Mask, by: number): Mask {
  const { height, stride } = mask;
  let bits = mask.bits;
  for (let round = 0; round < by; round++) {
    const wide = bits.slice();
    for (let i = 0; i < wide.length; i++) {
      const start = i % stride === 0;
      const end = i % stride === stride - 1;
      wide[i] |= (bits[i] << 1) | (bits[i] >>> 1);
      if (!start) wide[i] |= bits[i - 1] >>> 31;
      if (!end) wide[i] |= bits[i + 1] << 31;
    }
    const high = wide.slice();
    for (let i = 0; i < stride * (height - 1); i++) {
      high[i] |= wide[i + stride];
      high[i + stride] |= wide[i];
    }
    bits = high;
  }
  return bits === mask.bits ? mask : { ...mask, bits };
}

/** Whether a mask, its corner put at px, py, meets anything of the board; it must lie within the board. */
export function meets(board: Mask, mask: Mask, px: number, py: number): boolean {
  const shift = px & 31;
  const { stride, height, bits } = mask;
  const over = board.stride;
  const room = over - (px >>> 5);
  let at = py * over + (px >>> 5);
  let from = 0;
  for (let row = 0; row < height; row++, at += over) {
    let carried = 0;
    for (let k = 0; k < stride; k++) {
      const word = bits[from++];
      if (board.bits[at + k] & ((word << shift) | carried)) return true;
      carried = shift === 0 ? 0 : word >>> (32 - shift);
    }
    if (carried !== 0 && stride < room && board.bits[at + stride] & carried) return true;
  }
  return false;
}

/** Adds a mask to the board, or takes it away again. */
export function stamp(board: Mask, mask: Mask, px: number, py: number, on = true): void {
  const shift = px & 31;
  const { stride, height, bits } = mask;
  for (let row = 0; row < height; row++) {
    const at = (py + row) * board.stride + (px >>> 5);
    let carried = 0;
    for (let k = 0; k <= stride; k++) {
      const word = k < stride ? bits[row * stride + k] : 0;
      const put = (word << shift) | carried;
      carried = shift === 0 ? 0 : word >>> (32 - shift);
      if (put === 0) continue;
      if (on) board.bits[at + k] |= put;
      else board.bits[at + k] &= ~put;
    }
  }
}

/** A mask at half its scale: every other cell of every other row. */
export function halved(mask: Mask): Mask {
  const out = grid((mask.width + 1) >> 1, (mask.height + 1) >> 1);
  for (let y = 0; y < out.height; y++)
    for (let x = 0; x < out.width; x++)
      if (has(mask, 2 * x, 2 * y)) out.bits[y * out.stride + (x >>> 5)] |= 1 << (x & 31);
  return out;
}

/** How far each cell lies from the nearest that is not set, in cells, chamfered (G. Borgefors 1986); edges count as not set. */
export function depths(mask: Mask): Float32Array {
  const { width, height } = mask;
  // A border of cells that are not set saves asking for edges.
  const wide = width + 2;
  const deep = new Float32Array(wide * (height + 2));
  for (let y = 0; y < height; y++)
    for (let x = 0, i = (y + 1) * wide + 1; x < width; x++, i++)
      if (has(mask, x, y))
        deep[i] = Math.min(deep[i - 1] + 1, deep[i - wide] + 1, deep[i - wide - 1] + 1.4, deep[i - wide + 1] + 1.4);
  const out = new Float32Array(width * height);
  for (let y = height - 1; y >= 0; y--)
    for (let x = width - 1, i = (y + 1) * wide + width; x >= 0; x--, i--)
      if (deep[i] > 0)
        out[y * width + x] = deep[i] = Math.min(
          deep[i],
          deep[i + 1] + 1,
          deep[i + wide] + 1,
          deep[i + wide + 1] + 1.4,
          deep[i + wide - 1] + 1.4,
        );
  return out;
}
