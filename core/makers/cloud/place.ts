import type { Entry, Placed } from './field';
import { areaFrom, Field, Masks, rungAbove, rungOf, sizeOf } from './field';
import type { Mask } from './mask';

/**
 * Words put side by side in a shape so that no glyph meets another. Each is tried around a random start, largest first,
 * against a mask of what is taken: the randomised greedy method (J. Feinberg, in Beautiful Visualization, 2010, chapter 3) with
 * bit masks of glyphs (J. Davies, 2012), but searched by rows away from the start, 32 places at a time, not along a spiral.
 * Starts are drawn from where the shape is deep enough for the word. The common scale is set from the area, lowered where a
 * word finds no place, and searched for again when that was more than a little; what room is left words then grow into.
 */

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
/** So often all words are placed again to find the common scale, and so far it may be lowered on the way. */
const PASSES = 3;
const EVEN = 7;
/** Few words are placed again larger where all found their place at once: it costs little, and shows. */
const FEW = 80;
/** Words may grow so many rungs beyond their due where there is room, so many at a time. */
const GROWTH = 6;
const STEP = 3;
/** Repeats of one size end when so many in a row find no place. */
const VAIN = 12;
/** More words than these are not put on a page, with repeats. */
export const MOST_PLACED = 900;

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
  const area = areaFrom(rules.area);
  const { cells, depth } = area;
  if (cells.length === 0 || entries.length === 0) return { placed: [], left: entries.map((_, i) => i) };
  const masks = new Masks(entries, rules.air);
  const fresh = () => new Field(area, masks, random);
  const least = rungAbove(rules.least);

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
    while (rung < word.rung + GROWTH && rung + STEP <= heavier && field.fits(word, rung + STEP)) rung += STEP;
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
