import type { Mask } from './mask';
import { blank, depths, grownBy, halved, has, inverted, meets, stamp, touched } from './mask';

/** The area that words are put into, one by one: the masks of words, what is taken already, and where the next is free. */

/** A word to be placed. Chains are its glyphs at a size of 1 around its middle; lengths in cells. */
export type Entry = {
  chains: readonly Float64Array[];
  /** Its size where the common scale is 1. */
  due: number;
  /** Angles in degrees that it may take, the wanted first. */
  angles: readonly number[];
};
/** `rung` tells its size, `turn` which of its angles it has. */
export type Placed = { entry: number; x: number; y: number; rung: number; turn: number; again: boolean };
/** Sizes are rungs of a ladder, so that the masks of one pass serve the next. */
const RUNG = 1.06;
export const sizeOf = (rung: number): number => RUNG ** rung;
export const rungOf = (size: number): number => Math.round(Math.log(size) / Math.log(RUNG));
/** The lowest rung that is no smaller than a size. */
export const rungAbove = (size: number): number => Math.ceil(Math.log(size) / Math.log(RUNG));

/** An area, and the cells of it at half its scale, deepest first, with how deep each is in cells of that. */
export type Area = { mask: Mask; width: number; cells: Int32Array; depth: Float32Array };

/** The cells that lie in an area, deepest first: sorted into bins of a quarter of a cell. */
function deepestFirst(depth: Float32Array): Int32Array {
  let most = 0;
  for (let i = 0; i < depth.length; i++) if (depth[i] > most) most = depth[i];
  const last = Math.round(most * 4) + 1;
  // Counted from the end, so that the deepest come first.
  const next = new Int32Array(last + 1);
  for (let i = 0; i < depth.length; i++) if (depth[i] > 0) next[last - Math.round(depth[i] * 4)]++;
  let before = 0;
  for (let i = 0; i < next.length; i++) {
    const count = next[i];
    next[i] = before;
    before += count;
  }
  const out = new Int32Array(before);
  for (let i = 0; i < depth.length; i++) if (depth[i] > 0) out[next[last - Math.round(depth[i] * 4)]++] = i;
  return out;
}

export function areaFrom(mask: Mask): Area {
  const half = halved(mask);
  const depth = depths(half);
  return { mask, width: half.width, cells: deepestFirst(depth), depth };
}

const turnedMask = (chains: readonly Float64Array[], size: number, angle: number): Mask | null => {
  const turn = (angle * Math.PI) / 180;
  return touched(chains, Math.cos(turn) * size, Math.sin(turn) * size);
};

/** A mask with room around it to grow into. */
function withAir(mask: Mask, by: number): Mask {
  if (by === 0) return mask;
  const wide = blank(mask.x - by, mask.y - by, mask.width + 2 * by, mask.height + 2 * by);
  stamp(wide, mask, by, by);
  return grownBy(wide, by);
}

/** A few set cells spread over a mask: one of them taken tells at once that a place is not free. */
function probesOf(mask: Mask): Int32Array {
  const rows = 6;
  const out: number[] = [];
  for (let r = 0; r < rows; r++) {
    const y = Math.min(mask.height - 1, Math.floor(((r + 0.5) / rows) * mask.height));
    for (let k = 0; k < 4; k++) {
      let x = Math.floor(((k + 0.5) / 4) * mask.width);
      for (let tries = 0; tries < 12 && x < mask.width; tries++, x++)
        if (has(mask, x, y)) {
          out.push(x, y);
          break;
        }
    }
  }
  return Int32Array.from(out);
}

/** So many starts are tried before the rows around the last. */
const STARTS = 8;

type WordMask = { bare: Mask; wide: Mask; probes: Int32Array };

/**
 * Masks by the glyphs that they are of: the words of a cloud are set again at each edit of it, mostly at sizes that they had
 * before. They go when the glyphs go.
 */
const known = new WeakMap<Entry['chains'], Map<number, WordMask | null>>();
/** So many are kept of one word. */
const KEPT = 96;

/** Masks of words at the sizes of the ladder. */
export class Masks {
  constructor(
    private entries: readonly Entry[],
    private air: number,
  ) {}

  of(entry: number, rung: number, turn: number): WordMask | null {
    const { chains, angles } = this.entries[entry];
    const size = sizeOf(rung);
    const air = Math.min(6, Math.round(this.air * size));
    const angle = angles[turn];
    let masks = known.get(chains);
    if (!masks) known.set(chains, (masks = new Map()));
    const key = ((angle + 360) * 1024 + rung + 512) * 8 + air;
    let made = masks.get(key);
    if (made === undefined) {
      const bare = turnedMask(chains, size, angle);
      const wide = bare && withAir(bare, air);
      made = bare && wide ? { bare, wide, probes: probesOf(wide) } : null;
      if (masks.size >= KEPT) masks.clear();
      masks.set(key, made);
    }
    return made;
  }
}

/** What is taken of the area while one pass is made. */
export class Field {
  readonly taken: Mask;

  constructor(
    private area: Area,
    private masks: Masks,
    private random: () => number,
  ) {
    const outside = inverted(area.mask);
    // One number more, so that what lies beside the last can be read.
    const bits = new Uint32Array(outside.bits.length + 1);
    bits.set(outside.bits);
    this.taken = { ...outside, bits };
  }

  private free({ wide, probes }: WordMask, px: number, py: number): boolean {
    const { bits, stride } = this.taken;
    for (let i = 0; i < probes.length; i += 2) {
      const x = px + probes[i];
      if (bits[(py + probes[i + 1]) * stride + (x >>> 5)] & (1 << (x & 31))) return false;
    }
    return !meets(this.taken, wide, px, py);
  }

  /** A start for a word of so many cells height: somewhere the area is deep enough for it. */
  private start(height: number): { x: number; y: number } {
    const { cells, depth, width } = this.area;
    // Cells are sorted, deepest first: those from a depth on are at the front.
    let [low, high] = [1, cells.length];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (depth[cells[middle - 1]] >= height * 0.3) low = middle;
      else high = middle - 1;
    }
    const cell = cells[Math.floor(this.random() * low)];
    return { x: (cell % width) * 2, y: Math.floor(cell / width) * 2 };
  }

  /** Puts a word down at the first free place around its start; null where there is none. */
  put(entry: number, rung: number, turn: number): Placed | null {
    const made = this.masks.of(entry, rung, turn);
    if (!made) return null;
    const { wide } = made;
    const mostX = this.taken.width - wide.width;
    const mostY = this.taken.height - wide.height;
    if (mostX < 0 || mostY < 0) return null;
    const at = (px: number, py: number): Placed => {
      const placed = { entry, rung, turn, x: px - wide.x, y: py - wide.y, again: false };
      this.take(placed, true);
      return placed;
    };
    const lower = Math.min(wide.width, wide.height);
    let begun = { x: 0, y: 0 };
    for (let tries = 0; tries < STARTS; tries++) {
      begun = this.start(lower);
      const [px, py] = [begun.x - (wide.width >> 1), begun.y - (wide.height >> 1)];
      if (px >= 0 && py >= 0 && px <= mostX && py <= mostY && this.free(made, px, py)) return at(px, py);
    }
    const cx = Math.max(0, Math.min(mostX, begun.x - (wide.width >> 1)));
    const cy = Math.max(0, Math.min(mostY, begun.y - (wide.height >> 1)));
    const step = Math.max(1, Math.min(3, Math.floor(lower / 4)));
    for (let away = 0; away <= Math.max(cy, mostY - cy); away += step) {
      let px = cy - away >= 0 ? this.along(made, cx, cy - away, mostX) : -1;
      if (px >= 0) return at(px, cy - away);
      px = away > 0 && cy + away <= mostY ? this.along(made, cx, cy + away, mostX) : -1;
      if (px >= 0) return at(px, cy + away);
    }
    return null;
  }

  /** A free place for a word in a row, from cx outwards; -1 where there is none. 32 places are probed at once. */
  private along(made: WordMask, cx: number, py: number, mostX: number): number {
    const { wide, probes } = made;
    const { bits, stride } = this.taken;
    const last = mostX >>> 5;
    const middle = cx >>> 5;
    for (let k = 0; k <= 2 * last + 1; k++) {
      const word = middle + (k % 2 === 0 ? k >> 1 : -((k + 1) >> 1));
      if (word < 0 || word > last) continue;
      // Bits of places that are taken, or lie beyond the end of the row.
      let shut = word === last && (mostX & 31) < 31 ? -1 << ((mostX & 31) + 1) : 0;
      for (let i = 0; i < probes.length && shut !== -1; i += 2) {
        const x = probes[i];
        const at = (py + probes[i + 1]) * stride + word + (x >>> 5);
        const shift = x & 31;
        shut |= shift === 0 ? bits[at] : (bits[at] >>> shift) | (bits[at + 1] << (32 - shift));
      }
      for (let open = ~shut; open !== 0; open &= open - 1) {
        const px = word * 32 + (31 - Math.clz32(open & -open));
        if (!meets(this.taken, wide, px, py)) return px;
      }
    }
    return -1;
  }

  take({ entry, rung, turn, x, y }: Placed, on: boolean): void {
    const made = this.masks.of(entry, rung, turn);
    if (made) stamp(this.taken, made.bare, x + made.bare.x, y + made.bare.y, on);
  }

  /** Whether a word that was taken off could stand with its middle there at a size. */
  fits({ entry, turn, x, y }: Placed, rung: number): boolean {
    const made = this.masks.of(entry, rung, turn);
    if (!made) return false;
    const { wide } = made;
    const [px, py] = [x + wide.x, y + wide.y];
    if (px < 0 || py < 0 || px + wide.width > this.taken.width || py + wide.height > this.taken.height) return false;
    return this.free(made, px, py);
  }
}
