import { depths, grownBy, halved, has, inverted, meets, stamp, touched } from './mask';
import type { Mask } from './mask';

/**
 * Words put side by side in a shape so that no glyph meets another. Each is tried around a random start, largest first,
 * against a mask of what is taken: the randomised greedy method (J. Feinberg, Wordle, in Beautiful Visualization, 2010) with
 * bit masks of glyphs (J. Davies, 2012), but searched by rows away from the start, 32 places at a time, not along a spiral.
 * Starts are drawn from where the shape is deep enough for the word. The common scale is set from the area, lowered where a
 * word finds no place, and searched for anew when that was more than a little; what room is left words then grow into.
 */

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
export type Placing = { placed: Placed[]; left: number[] };

export type PlacingRules = {
  area: Mask;
  /** Smallest size in cells. */
  least: number;
  /** Room around words as a share of their size. */
  air: number;
  repeat: boolean;
  random: () => number;
  /** Called between words with how far it is; may throw to stop. */
  rest?: (share: number) => Promise<void>;
};

/** The cells of the area at half its scale, deepest first, and how deep each is in cells of that. */
type Area = { mask: Mask; width: number; cells: Int32Array; depth: Float32Array };

const turnedMask = (chains: readonly Float64Array[], size: number, angle: number): Mask | null => {
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn) * size, Math.sin(turn) * size];
  return touched(
    chains.map((chain) => {
      const out = new Float64Array(chain.length);
      for (let i = 0; i < chain.length; i += 2) {
        out[i] = chain[i] * cos - chain[i + 1] * sin;
        out[i + 1] = chain[i] * sin + chain[i + 1] * cos;
      }
      return out;
    }),
  );
};

/** A mask with room around it to grow into. */
function withAir(mask: Mask, by: number): Mask {
  if (by === 0) return mask;
  const wide: Mask = {
    x: mask.x - by,
    y: mask.y - by,
    width: mask.width + 2 * by,
    height: mask.height + 2 * by,
    stride: (mask.width + 2 * by + 31) >>> 5,
    bits: new Uint32Array(((mask.width + 2 * by + 31) >>> 5) * (mask.height + 2 * by)),
  };
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

/** Masks of words at the sizes of the ladder, made once for all passes. */
class Masks {
  private known = new Map<number, WordMask | null>();
  constructor(
    private entries: readonly Entry[],
    private air: number,
  ) {}

  of(entry: number, rung: number, turn: number): WordMask | null {
    const key = (entry * 4 + turn) * 1024 + rung + 512;
    let made = this.known.get(key);
    if (made === undefined) {
      const { chains, angles } = this.entries[entry];
      const size = sizeOf(rung);
      const bare = turnedMask(chains, size, angles[turn]);
      const wide = bare && withAir(bare, Math.min(6, Math.round(this.air * size)));
      made = bare && wide ? { bare, wide, probes: probesOf(wide) } : null;
      this.known.set(key, made);
    }
    return made;
  }
}

/** What is taken of the area while one pass is made. */
class Field {
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

/** Sizes are rungs of a ladder, so that the masks of one pass serve the next. */
const RUNG = 1.06;
const sizeOf = (rung: number): number => RUNG ** rung;
const rungOf = (size: number): number => Math.round(Math.log(size) / Math.log(RUNG));

/** Words that were placed, and how many rungs the scale had to be lowered on the way. */
type Pass = { field: Field; placing: Placing; lowered: number };

/**
 * One pass from a common scale. Where a word finds no place the scale is lowered for it and all that are lighter, down to the
 * least size.
 */
async function pass(
  field: Field,
  entries: readonly Entry[],
  scale: number,
  caps: readonly number[],
  least: number,
  rest: (share: number) => Promise<void>,
): Promise<Pass> {
  const placed: Placed[] = [];
  const left: number[] = [];
  let lowered = 0;
  for (const [i, { due, angles }] of entries.entries()) {
    let found: Placed | null = null;
    const wanted = Math.max(least, Math.min(rungOf(due) + scale, caps[i]));
    for (let rung = Math.max(least, wanted - lowered); rung >= least && !found; rung--) {
      for (let turn = 0; turn < angles.length && !found; turn++) found = field.put(i, rung, turn);
      if (!found && rung > least) lowered++;
    }
    if (found) placed.push(found);
    else left.push(i);
    if (i % 8 === 7) await rest(i / entries.length);
  }
  return { field, placing: { placed, left }, lowered };
}

/** The largest rung at which a word by itself finds a place in the empty area. */
function capOf(field: Field, entry: number, { angles }: Entry, least: number, most: number): number {
  const fits = (rung: number) =>
    angles.some((_, turn) => {
      const found = field.put(entry, rung, turn);
      if (found) field.take(found, false);
      return found !== null;
    });
  if (fits(most)) return most;
  let [low, high] = [least, most];
  while (high - low > 2) {
    const middle = (low + high) >> 1;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** How much of the area the glyphs of a first try take; what is found then decides. */
const FIRST_SHARE = 0.37;
/** So often all words are placed anew to find the common scale, and so far it may be lowered on the way. */
const PASSES = 3;
/** Few words are placed again larger where all found their place at once: it costs little, and shows. */
const FEW = 80;
const EVEN = 7;
/** Words may grow so many rungs beyond their due where there is room. */
const GROWTH = 6;
/** Repeats of one size end when so many in a row find no place. */
const VAIN = 12;
/** More words than these are not put on a page, with repeats. */
export const MOST_PLACED = 900;

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

/** The area that a word's glyphs take at a size of 1: holes run the other way round, and count against it. */
function inkOf(chains: readonly Float64Array[]): number {
  let twice = 0;
  for (const chain of chains) {
    let [ax, ay] = [chain[chain.length - 2], chain[chain.length - 1]];
    for (let i = 0; i < chain.length; i += 2) {
      twice += ax * chain[i + 1] - chain[i] * ay;
      [ax, ay] = [chain[i], chain[i + 1]];
    }
  }
  return Math.abs(twice) / 2;
}

/** The farthest that any of a word's glyphs reaches from its middle, at a size of 1. */
function reachOf(chains: readonly Float64Array[]): number {
  let most = 0;
  for (const chain of chains) for (const value of chain) most = Math.max(most, Math.abs(value));
  return most;
}

/**
 * Places all words, as large as they can be. Those that find no room even at the least size are left; an entry's place is
 * where its middle stands, in cells.
 */
export async function placeWords(entries: readonly Entry[], rules: PlacingRules): Promise<Placing> {
  const { random } = rules;
  const half = halved(rules.area);
  const depth = depths(half);
  const cells = deepestFirst(depth);
  if (cells.length === 0 || entries.length === 0) return { placed: [], left: entries.map((_, i) => i) };
  const area = { mask: rules.area, width: half.width, cells, depth };
  const masks = new Masks(entries, rules.air);
  const fresh = () => new Field(area, masks, random);
  const least = Math.ceil(Math.log(rules.least) / Math.log(RUNG));

  const ink = entries.reduce((sum, { chains, due }) => sum + inkOf(chains) * due * due, 0);
  const first = rungOf(Math.sqrt((FIRST_SHARE * cells.length * 4) / Math.max(1e-9, ink)));
  // A word that lies within a circle in the deepest place is not held back by the area's shape.
  const widest = depth[cells[0]] * 2;
  const caps = entries.map((entry, i) => {
    const most = rungOf(entry.due) + first;
    return reachOf(entry.chains) * sizeOf(most) < widest ? Infinity : capOf(fresh(), i, entry, least, most);
  });

  let passes = 0;
  const rest = async (share: number) => rules.rest?.(Math.min(0.95, (passes + share) / PASSES));
  // Below this every word is as small as it may be.
  const lowest = Math.min(...entries.map(({ due }) => least - rungOf(due)));
  let scale = Math.max(lowest, first);
  let best: Pass | null = null;
  for (; passes < PASSES; passes++) {
    const tried = await pass(fresh(), entries, scale, caps, least, rest);
    const { lowered, placing } = tried;
    const fewer = best ? best.placing.left.length - placing.left.length : 0;
    if (!best || fewer > 0 || (fewer === 0 && lowered <= EVEN)) best = tried;
    if (lowered > EVEN && scale > lowest) scale = Math.max(lowest, scale - Math.ceil(lowered * 0.6));
    else if (lowered === 0 && placing.left.length === 0 && entries.length <= FEW) scale += 3;
    else break;
  }
  if (!best) throw new Error('no pass was made');
  const { field, placing } = best;
  grow(field, entries, placing.placed);
  await rules.rest?.(0.96);
  if (rules.repeat) await repeatAll(field, entries, placing.placed, least, rules);
  return placing;
}

/** Lets words grow where they stand, none beyond one that is heavier. */
function grow(field: Field, entries: readonly Entry[], placed: Placed[]): void {
  let heavier = Infinity;
  let smallest = Infinity;
  let due = Infinity;
  for (const [i, word] of placed.entries()) {
    if (entries[word.entry].due < due) {
      heavier = smallest;
      due = entries[word.entry].due;
    }
    field.take(word, false);
    let { rung } = word;
    while (rung < word.rung + GROWTH && rung + 3 <= heavier && field.fits(word, rung + 3)) rung += 3;
    placed[i] = { ...word, rung };
    field.take(placed[i], true);
    smallest = Math.min(smallest, rung);
  }
}

/** Sets words again, smaller and smaller, until nothing more finds room. */
async function repeatAll(
  field: Field,
  entries: readonly Entry[],
  placed: Placed[],
  least: number,
  { random, rest }: PlacingRules,
): Promise<void> {
  const smallest = Math.min(...placed.map(({ rung }) => rung));
  for (let rung = Math.max(least, smallest - 2); ; rung = Math.max(least, rung - 4)) {
    // What finds no place at a size finds none later: the area only fills.
    const open = entries.flatMap(({ angles }, entry) => angles.map((_, turn) => ({ entry, turn })));
    for (let vain = 0; open.length > 0 && vain < VAIN && placed.length < MOST_PLACED;) {
      const pick = Math.floor(random() * open.length);
      const { entry, turn } = open[pick];
      const found = field.put(entry, rung, turn);
      if (found) placed.push({ ...found, again: true });
      else open.splice(pick, 1);
      vain = found ? 0 : vain + 1;
      if (placed.length % 16 === 0) await rest?.(0.97);
    }
    if (rung <= least || placed.length >= MOST_PLACED) return;
  }
}

/** The size and angle that a placed word stands at, in cells and degrees. */
export const standing = (entries: readonly Entry[], { entry, rung, turn }: Placed) => ({
  size: sizeOf(rung),
  angle: entries[entry].angles[turn],
});
