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

/** `boxes`: which box each word stands in. */
type Read = { id: string; words: string[]; boxes: string[]; rows: Map<string, number[]> };

/** The words of each box by themselves: a row does not run over from one into another. */
const BREAK = '\n';

function readRows(words: readonly string[]): Map<string, number[]> {
  const rows = new Map<string, number[]>();
  for (let at = 0; at + RUN <= words.length; at++) {
    const row = runAt(words, at);
    if (!row.includes(BREAK)) rows.set(row, [...(rows.get(row) ?? []), at]);
  }
  return rows;
}

/** Where the words of one text stand in another, too. */
function shared(one: Read, other: Read): boolean[] {
  const found = one.words.map(() => false);
  for (const [row, places] of one.rows)
    if (other.rows.has(row)) for (const at of places) found.fill(true, at, at + RUN);
  return found;
}

const count = (found: readonly boolean[]) => found.filter(Boolean).length;
const lengthOf = ({ words }: Read) => words.filter((word) => word !== BREAK).length;

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
function read({ id, sheet }: Writing, given: ReadonlySet<string>, context: Context): Read {
  const all = boxesFor(null, sheet, context).map((box) => ({ id: box.item.id, words: [...wordsOfBox(box), BREAK] }));
  const words = all.flatMap((box) => box.words);
  const rows = readRows(words);
  for (const row of rows.keys()) if (given.has(row)) rows.delete(row);
  return { id, words, boxes: all.flatMap((box) => box.words.map(() => box.id)), rows };
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
  const all = pieces.map((piece) => read(piece, given, { handedOut, studentName: '' }));
  const byRow = new Map<string, number[]>();
  all.forEach(({ rows }, i) => {
    for (const row of rows.keys()) byRow.set(row, [...(byRow.get(row) ?? []), i]);
  });
  /** How many rows two pieces have in common, by both their numbers. */
  const common = new Uint32Array(all.length * all.length);
  for (const those of byRow.values())
    for (let i = 0; i < those.length; i++)
      for (let k = i + 1; k < those.length; k++) common[those[i] * all.length + those[k]]++;
  const found = new Map<string, Alike[]>();
  for (let pair = 0; pair < common.length; pair++) {
    if (common[pair] * RUN < LEAST) continue;
    const [a, b] = [all[Math.floor(pair / all.length)], all[pair % all.length]];
    const [inA, inB] = [shared(a, b), shared(b, a)];
    const least = Math.min(count(inA), count(inB));
    if (least < LEAST || least < SHARE * Math.min(lengthOf(a), lengthOf(b))) continue;
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
