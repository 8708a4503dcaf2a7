import { boxesFor } from '../lookfors/boxes';
import type { Context } from '../lookfors/kind';
import { RUN, runAt, runsOf, wordsOfBox } from '../lookfors/words';
import type { Sheet } from '../schema/sheet';

/**
 * Wording that two pieces share and that neither the sheet nor the example gave them: a question for the teacher, never a
 * verdict. Compared by rows of words (shingles, after Broder 1997), so that changed places, colours and single words hide little.
 */

/** Shared words from which on it is worth asking, and the share of the shorter text that they are. */
const [LEAST, SHARE] = [12, 0.4];

export type Writing = { id: string; sheet: Sheet };
export type Alike = {
  /** The other piece. */
  id: string;
  /** Words of this piece that stand in the other one in the same rows. */
  words: number;
  /** The longest of these rows. */
  sample: string;
  /** The boxes of this piece that they stand in. */
  boxes: string[];
};

type Read = {
  id: string;
  words: string[];
  /** Which box each word stands in. */
  boxes: string[];
  /** For each word the number of the row that begins with it; none where that runs on into another box, or was given. */
  rows: number[];
  /** Its words without what stands between boxes. */
  length: number;
};

/** The words of each box by themselves: a row does not run over from one into another. */
const BREAK = '\n';
const NONE = -1;

/** Where the rows of one text are rows of another, too: marked in `isThere` by their numbers as those of `number`. */
function shared({ rows }: Read, isThere: Uint32Array, number: number): boolean[] {
  const found = rows.map(() => false);
  rows.forEach((row, at) => {
    if (row !== NONE && isThere[row] === number) found.fill(true, at, at + RUN);
  });
  return found;
}

function mark({ rows }: Read, isThere: Uint32Array, number: number): void {
  for (const row of rows) if (row !== NONE) isThere[row] = number;
}

const count = (found: readonly boolean[]) => found.filter(Boolean).length;

function longest(words: readonly string[], found: readonly boolean[]): string {
  let [best, from] = [[] as string[], -1];
  for (let at = 0; at <= words.length; at++) {
    if (found[at]) {
      if (from < 0) from = at;
    } else if (from >= 0) {
      if (at - from > best.length) best = words.slice(from, at);
      from = -1;
    }
  }
  return best.join(' ');
}

/** A piece's own words: without the rows that were handed out, or stand on the example. */
function read({ id, sheet }: Writing, numberOf: (row: string) => number, context: Context): Read {
  const words: string[] = [];
  const boxes: string[] = [];
  const rows: number[] = [];
  let length = 0;
  for (const box of boxesFor(null, sheet, context)) {
    const own = wordsOfBox(box);
    length += own.length;
    own.forEach((word, at) => {
      words.push(word);
      rows.push(at + RUN <= own.length ? numberOf(runAt(own, at)) : NONE);
    });
    words.push(BREAK);
    rows.push(NONE);
    for (let at = 0; at <= own.length; at++) boxes.push(box.item.id);
  }
  return { id, words, boxes, rows, length };
}

/**
 * The pieces of a class that share wording with each other.
 * @param printed what else they could copy from: other versions, and the example
 * @returns for each piece those it is like, the most alike first; pieces that are like none are not there
 */
export function alikeWording(
  pieces: readonly Writing[],
  handedOut: Sheet,
  printed: readonly Sheet[] = [],
): Map<string, Alike[]> {
  const given = new Set([handedOut, ...printed].flatMap((one) => [...runsOf(one)]));
  const numbers = new Map<string, number>();
  const numberOf = (row: string) => {
    if (given.has(row)) return NONE;
    let number = numbers.get(row);
    if (number === undefined) numbers.set(row, (number = numbers.size));
    return number;
  };
  const all = pieces.map((piece) => read(piece, numberOf, { handedOut, studentName: '' }));
  const byRow = Array.from({ length: numbers.size }, (): number[] => []);
  all.forEach(({ rows }, i) => {
    for (const row of rows) if (row !== NONE && byRow[row].at(-1) !== i) byRow[row].push(i);
  });
  /** How many rows two pieces have in common, by both their numbers. */
  const common = new Uint32Array(all.length * all.length);
  for (const those of byRow)
    for (let i = 0; i < those.length; i++)
      for (let k = i + 1; k < those.length; k++) common[those[i] * all.length + those[k]]++;
  const found = new Map<string, Alike[]>();
  const [ofFirst, ofSecond] = [new Uint32Array(numbers.size), new Uint32Array(numbers.size)];
  let first = NONE;
  for (let pair = 0; pair < common.length; pair++) {
    if (common[pair] * RUN < LEAST) continue;
    const [i, k] = [Math.floor(pair / all.length), pair % all.length];
    const [a, b] = [all[i], all[k]];
    if (first !== i) mark(a, ofFirst, i + 1);
    first = i;
    mark(b, ofSecond, k + 1);
    const [inA, inB] = [shared(a, ofSecond, k + 1), shared(b, ofFirst, i + 1)];
    const least = Math.min(count(inA), count(inB));
    if (least < LEAST || least < SHARE * Math.min(a.length, b.length)) continue;
    for (const [one, other, where] of [
      [a, b, inA],
      [b, a, inB],
    ] as const)
      found.set(one.id, [
        ...(found.get(one.id) ?? []),
        {
          id: other.id,
          words: count(where),
          sample: longest(one.words, where),
          boxes: [...new Set(one.boxes.filter((_, at) => where[at]))],
        },
      ]);
  }
  for (const those of found.values()) those.sort((a, b) => b.words - a.words);
  return found;
}
