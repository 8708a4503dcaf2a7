import { boxOn, isSeen } from '../lookfors/seen';
import { plainWords } from '../lookfors/words';
import { centre } from '../geometry/box';
import type { Box, Point } from '../geometry/matrix';
import { bodyText } from '../text/body';
import type { Item, LineItem, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';

/**
 * Pieces of a class that are built alike: the same things in the same places, whatever their colours; the same pictures, words
 * and links, wherever they stand; the same wrong answers. A question for the teacher, never a verdict.
 *
 * What two pieces share is weighed against how common it is in the class: what everybody did, as the task asks for it or the
 * program puts it there, weighs nothing, and what one of them lacks speaks against it (a likelihood ratio, in bits). A pair is
 * asked about where it is far more alike than pairs of this class are. What was handed out, or is a right answer, is left out.
 */

export type Work = {
  id: string;
  sheet: Sheet;
  /** Answers on it that are right: of those one expects the same of everybody. */
  right: ReadonlySet<string>;
};
export type BuiltAlike = {
  /** The other piece. */
  id: string;
  /** What both have: items of this piece, and what they are like on the other. */
  mine: string[];
  theirs: string[];
  /** How many things this piece has of its own. */
  of: number;
};

/** From so many things and bits on it is worth asking. */
const [LEAST, BITS] = [4, 8.5];
/** The share of a piece that comes through when it is copied and made to look like another: what lacks speaks against it. */
const COPIED = 0.85;
/** How far things may have been moved each for itself, in points, and by which share they may be larger or smaller. */
const [MOVED, SIZED, SIZED_POINTS] = [22, 0.25, 10];
/** Shifts of a whole piece are told apart by so many points. */
const STEP = 24;
/** Of more things, the largest are looked at. */
const MOST_OWN = 80;
/** More pairs of one kind than this tell nothing about a shift that fewer don't. */
const MOST_PAIRS = 400;
/** Of so many pieces that nobody else is known of, a half is taken to have it too; of answers more, as few are possible. */
const [DOUBT, DOUBT_OF_ANSWERS] = [0.5, 1.5];

type Own = {
  item: string;
  page: number;
  box: Box;
  /** Its middle. */
  at: Point;
  /** What it has to have in common to be taken for the same: kind, shape, picture, words. */
  sort: string;
  /** It was handed out and put elsewhere: then it is its place that counts, and not its place among the others. */
  placed: boolean;
  /** What it says by itself, wherever it stands: words, a picture, a link between two things, an answer. */
  says: string | null;
};
/** `xs`, `ys`: the middles of what is its own, as pairs of pieces ask for them again and again. */
type Read = {
  id: string;
  own: Own[];
  xs: Float64Array;
  ys: Float64Array;
  bySort: Map<string, number[]>;
  bySays: Map<string, number>;
};

const wordsOf = (item: Item) => (isWritten(item) ? plainWords(bodyText(item.body)).join(' ') : '');

/** What a thing is called in links: handed out, by its identity; else by what it says. */
function calledBy(sheet: Sheet, handedOut: Sheet, id: string): string | null {
  if (find(handedOut, id)) return `= ${id}`;
  const item = find(sheet, id)?.item;
  if (!item) return null;
  const words = wordsOf(item);
  return words || (item.kind === 'picture' ? item.picture : null);
}

function linkOf(sheet: Sheet, handedOut: Sheet, { from, to }: LineItem): string | null {
  const [a, b] = [from, to].map(
    ({ item, target }) => item && [calledBy(sheet, handedOut, item), target ?? ''].join('#'),
  );
  return a && b && !a.startsWith('#') && !b.startsWith('#') ? `link ${a} > ${b}` : null;
}

function saidBy(sheet: Sheet, handedOut: Sheet, item: Item): string | null {
  if (item.kind === 'picture') return `picture ${item.picture}`;
  if (item.kind === 'line') return linkOf(sheet, handedOut, item);
  const words = wordsOf(item);
  return words ? `${item.kind} ${words}` : null;
}

const sortOf = (item: Item): string =>
  [item.kind, item.kind === 'shape' ? item.shape : '', item.kind === 'picture' ? item.picture : '', wordsOf(item)].join(
    ' ',
  );

/** What a student put, moved or answered, but for what is right and what was there for all to see. */
function read({ id, sheet, right }: Work, handedOut: Sheet, seen: ReadonlySet<string>): Read {
  const all: Own[] = [];
  for (const item of everyItem(sheet)) {
    if (item.kind === 'group' || right.has(item.id) || !isSeen(sheet, item.id)) continue;
    const { page } = find(sheet, item.id)!;
    const box = boxOn(page, item);
    const spot = { item: item.id, page: sheet.pages.indexOf(page), box, at: centre(box) };
    const before = find(handedOut, item.id);
    if (!before) {
      const says = saidBy(sheet, handedOut, item);
      if (says === null || !seen.has(says)) all.push({ ...spot, sort: sortOf(item), placed: false, says });
      continue;
    }
    const was = centre(boxOn(before.page, before.item));
    const said = wordsOf(item);
    const answer = said && said !== wordsOf(before.item) ? `answer ${item.id} ${said}` : null;
    const placed = Math.hypot(was.x - spot.at.x, was.y - spot.at.y) > MOVED;
    if (placed || (answer && !seen.has(answer)))
      all.push({ ...spot, sort: placed ? `= ${item.id}` : '', placed, says: answer });
  }
  const areaOf = ({ box }: Own) => box.width * box.height;
  const own = all.length > MOST_OWN ? all.toSorted((a, b) => areaOf(b) - areaOf(a)).slice(0, MOST_OWN) : all;
  const bySort = new Map<string, number[]>();
  own.forEach(({ sort, page }, i) => {
    if (sort === '') return;
    const key = `${page} ${sort}`;
    const those = bySort.get(key);
    if (those) those.push(i);
    else bySort.set(key, [i]);
  });
  const bySays = new Map<string, number>();
  own.forEach(({ says }, i) => says !== null && bySays.set(says, i));
  const [xs, ys] = (['x', 'y'] as const).map((axis) => Float64Array.from(own, ({ at }) => at[axis]));
  return { id, own, xs, ys, bySort, bySays };
}

/** All that is said on sheets that everybody could see, so that it tells nothing to have it, too. */
function saidOn(sheets: readonly Sheet[], handedOut: Sheet): Set<string> {
  const out = new Set<string>();
  for (const sheet of sheets)
    for (const item of everyItem(sheet)) {
      const says = saidBy(sheet, handedOut, item);
      if (says !== null) out.add(says);
      const words = wordsOf(item);
      if (words) out.add(`answer ${item.id} ${words}`);
    }
  return out;
}

const sized = (a: number, b: number) => Math.abs(a - b) <= Math.max(SIZED_POINTS, SIZED * Math.max(a, b));
const isSized = (a: Box, b: Box) => sized(a.width, b.width) && sized(a.height, b.height);

/** How all of one piece would have to be shifted so that the most things lie on those of the other. */
function shiftBetween(a: Read, b: Read): Point {
  const votes = new Map<number, { count: number; x: number; y: number }>();
  for (const [sort, those] of a.bySort) {
    const others = b.bySort.get(sort);
    if (!others || those.length * others.length > MOST_PAIRS) continue;
    for (const i of those)
      for (const k of others) {
        const [one, other] = [a.own[i], b.own[k]];
        if (one.placed || !isSized(one.box, other.box)) continue;
        const [x, y] = [b.xs[k] - a.xs[i], b.ys[k] - a.ys[i]];
        const key = Math.round(x / STEP) * 65536 + Math.round(y / STEP);
        const vote = votes.get(key);
        if (vote) {
          vote.count++;
          vote.x += x;
          vote.y += y;
        } else votes.set(key, { count: 1, x, y });
      }
  }
  let best = { count: 0, x: 0, y: 0 };
  for (const [key, vote] of votes) {
    // What lies on the edge of a step votes for both sides of it.
    const sum = { count: 0, x: 0, y: 0 };
    for (const side of [0, 1, 65536, 65537]) {
      const near = side === 0 ? vote : votes.get(key + side);
      if (!near) continue;
      sum.count += near.count;
      sum.x += near.x;
      sum.y += near.y;
    }
    if (sum.count > best.count) best = sum;
  }
  return best.count === 0 ? best : { x: best.x / best.count, y: best.y / best.count };
}

type Match = [mine: number, theirs: number];
const STILL: Point = { x: 0, y: 0 };

/** Things that lie in the same place, when all of one piece is shifted; each is taken once. */
function placedAlike(a: Read, b: Read): Match[] {
  const shift = shiftBetween(a, b);
  const out: Match[] = [];
  for (const [sort, those] of a.bySort) {
    const others = b.bySort.get(sort);
    if (!others) continue;
    const near: [...Match, away: number][] = [];
    for (const i of those) {
      const by = a.own[i].placed ? STILL : shift;
      const [x, y] = [a.xs[i] + by.x, a.ys[i] + by.y];
      for (const k of others) {
        const [dx, dy] = [Math.abs(b.xs[k] - x), Math.abs(b.ys[k] - y)];
        if (dx > MOVED || dy > MOVED || !isSized(a.own[i].box, b.own[k].box)) continue;
        const away = Math.sqrt(dx * dx + dy * dy);
        if (away <= MOVED) near.push([i, k, away]);
      }
    }
    if (near.length === 0) continue;
    const [mine, theirs] = [new Set<number>(), new Set<number>()];
    for (const [i, k] of near.sort((x, y) => x[2] - y[2])) {
      if (mine.has(i) || theirs.has(k)) continue;
      mine.add(i);
      theirs.add(k);
      out.push([i, k]);
    }
  }
  return out;
}

const saidAlike = (a: Read, b: Read): Match[] =>
  [...a.bySays].flatMap(([says, i]): Match[] => {
    const k = b.bySays.get(says);
    return k === undefined ? [] : [[i, k]];
  });

/** How far from what is usual in a class a pair has to be, in standard deviations. */
const FAR = 4.3;
/** Pairs that are weighed in one go. */
const STEP_OF_PAIRS = 200;
const middleOf = (numbers: readonly number[]) => numbers.toSorted((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? 0;
/** What is usual, and how far around it most lie: by medians, which the few that were copied don't shift. */
function spreadOf(numbers: readonly number[]): { middle: number; spread: number } {
  const middle = middleOf(numbers);
  return { middle, spread: 1.4826 * middleOf(numbers.map((one) => Math.abs(one - middle))) };
}

/** How likely it is that one more piece has what so many of so many others have. */
const chance = (having: number, others: number, doubt: number) => Math.min(0.98, (having + doubt) / (others + 2));

type Asked = [works: readonly Work[], handedOut: Sheet, printed?: readonly Sheet[]];

/**
 * The pieces of a class that are built alike.
 * @param asked what else all could see (other versions, the example; and the key, whose answers are the right ones) comes last
 * @returns for each piece those it is like, the most alike first; pieces that are like none are not there
 */
export function alikeThings(...asked: Asked): Map<string, BuiltAlike[]> {
  const steps = alikeInSteps(...asked);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/** The same in steps, between which others have their turn: a large class has many pairs. */
export function* alikeInSteps(...[works, handedOut, printed = []]: Asked): Generator<void, Map<string, BuiltAlike[]>> {
  const seen = saidOn([handedOut, ...printed], handedOut);
  const all: Read[] = [];
  for (const work of works) {
    all.push(read(work, handedOut, seen));
    yield;
  }
  const others = Math.max(0, all.length - 2);
  const said = new Map<string, number>();
  for (const { bySays } of all) for (const says of bySays.keys()) said.set(says, (said.get(says) ?? 0) + 1);
  /** How many other pieces have a thing in the same place. */
  const matched = all.map(({ own }) => new Float64Array(own.length));
  const pairs: { a: number; b: number; placed: Match[]; said: Match[] }[] = [];
  for (let a = 0; a < all.length; a++) {
    yield;
    for (let b = a + 1; b < all.length; b++) {
      const placed = placedAlike(all[a], all[b]);
      for (const [i, k] of placed) {
        matched[a][i]++;
        matched[b][k]++;
      }
      pairs.push({ a, b, placed, said: saidAlike(all[a], all[b]) });
    }
  }
  /** How common a thing of a piece is among others than these two: in its place, and in what it says; as common as the rarer. */
  const commonness = (of: number, i: number, isPlaced: boolean, isSaid: boolean) => {
    const { says, sort } = all[of].own[i];
    const here = sort === '' ? 1 : chance(matched[of][i] - (isPlaced ? 1 : 0), others, DOUBT);
    const doubt = says?.startsWith('answer') ? DOUBT_OF_ANSWERS : DOUBT;
    const there = says === null ? 1 : chance(said.get(says)! - (isSaid ? 2 : 1), others, doubt);
    return { here, there };
  };
  /** How much more likely it is that one was made from the other than that both came about by themselves, in bits. */
  const evidence = (of: number, placed: ReadonlySet<number>, told: ReadonlySet<number>): number =>
    all[of].own.reduce((sum, _, i) => {
      const [isPlaced, isSaid] = [placed.has(i), told.has(i)];
      const { here, there } = commonness(of, i, isPlaced, isSaid);
      if (isPlaced || isSaid) {
        const least = Math.min(isPlaced ? here : 1, isSaid ? there : 1);
        return sum + Math.log2(COPIED / least);
      }
      return sum + Math.log2((1 - COPIED) / (1 - Math.min(here, there)));
    }, 0);
  const weighed: ((typeof pairs)[number] & { bits: number })[] = [];
  for (const pair of pairs) {
    if (weighed.length % STEP_OF_PAIRS === 0) yield;
    const [mine, theirs] = [0, 1].map((side) =>
      [pair.placed, pair.said].map((matches) => new Set(matches.map((match) => match[side]))),
    );
    const bits = Math.max(evidence(pair.a, mine[0], mine[1]), evidence(pair.b, theirs[0], theirs[1]));
    weighed.push({ ...pair, bits });
  }
  const usual = spreadOf(weighed.map(({ bits }) => bits));
  const found = new Map<string, { bits: number; one: BuiltAlike }[]>();
  for (const { a, b, placed, said: told, bits } of weighed) {
    const shared = new Map([...told, ...placed]);
    if (shared.size < LEAST || bits < Math.max(BITS, usual.middle + FAR * usual.spread)) continue;
    const put = (one: Read, other: Read, from: 0 | 1) =>
      found.set(one.id, [
        ...(found.get(one.id) ?? []),
        {
          bits,
          one: {
            id: other.id,
            mine: [...shared].map((match) => one.own[match[from]].item),
            theirs: [...shared].map((match) => other.own[match[1 - from]].item),
            of: one.own.length,
          },
        },
      ]);
    put(all[a], all[b], 0);
    put(all[b], all[a], 1);
  }
  return new Map([...found].map(([id, those]) => [id, those.sort((x, y) => y.bits - x.bits).map(({ one }) => one)]));
}
