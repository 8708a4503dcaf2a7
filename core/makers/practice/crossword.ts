import type { PracticeDraft as Draft } from './draft';
import { LEAST_PRINTED } from '../../text/style';
import { tidied } from '../kit/measure';
import { pick } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';
import { lettersOf } from './wordsearch';

/** A crossword from words and their clues: all connected, and as close as a search over many orders finds it. */

export type Entry = { word: string; clue: string; x: number; y: number; across: boolean; number: number };
export type Crossword = { width: number; height: number; entries: Entry[]; lost: string[] };

type Placed = Omit<Entry, 'number'>;
const key = (x: number, y: number) => y * 1000 + x;
const cellsOf = ({ word, x, y, across }: Pick<Placed, 'word' | 'x' | 'y' | 'across'>) =>
  [...word].map((letter, i) => ({ letter, x: across ? x + i : x, y: across ? y : y + i }));

class Board {
  readonly letters = new Map<number, string>();
  readonly placed: Placed[] = [];
  private box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };

  at(x: number, y: number): string | undefined {
    return this.letters.get(key(x, y));
  }

  /** How many letters a word would share there; -1 if the rules forbid it. */
  fit(word: string, x: number, y: number, across: boolean): number {
    const letters = [...word];
    const [dx, dy] = across ? [1, 0] : [0, 1];
    if (this.at(x - dx, y - dy) || this.at(x + dx * letters.length, y + dy * letters.length)) return -1;
    let shared = 0;
    for (const [i, letter] of letters.entries()) {
      const [px, py] = [x + dx * i, y + dy * i];
      const there = this.at(px, py);
      if (there) {
        if (there !== letter) return -1;
        shared++;
        // No letters beside a new one: they would read as words.
      } else if (this.at(px + dy, py + dx) || this.at(px - dy, py - dx)) return -1;
    }
    return shared < letters.length ? shared : -1;
  }

  put(entry: Placed): void {
    this.placed.push(entry);
    for (const { letter, x, y } of cellsOf(entry)) {
      this.letters.set(key(x, y), letter);
      const { box } = this;
      this.box = {
        left: Math.min(box.left, x),
        top: Math.min(box.top, y),
        right: Math.max(box.right, x),
        bottom: Math.max(box.bottom, y),
      };
    }
  }

  get size() {
    const { left, top, right, bottom } = this.box;
    return { left, top, width: right - left + 1, height: bottom - top + 1 };
  }

  sizeWith(entry: Placed): number {
    const cells = cellsOf(entry);
    const { left, top, right, bottom } = this.box;
    const width = Math.max(right, cells.at(-1)!.x) - Math.min(left, cells[0].x) + 1;
    const height = Math.max(bottom, cells.at(-1)!.y) - Math.min(top, cells[0].y) + 1;
    return Math.max(width, height) * 3 + width + height;
  }
}

function attempt(
  words: readonly { word: string; clue: string }[],
  hard: ReadonlyMap<string, number>,
  random: () => number,
): Board {
  const board = new Board();
  // Long words first, and those that were left over before.
  const rank = new Map(
    words.map(({ word }) => [
      word,
      [...word].length + Math.min(2, hard.get(word) ?? 0) * 2 + random() * 3 + (random() < 0.12 ? 12 : 0),
    ]),
  );
  const rest = words.toSorted((a, b) => rank.get(b.word)! - rank.get(a.word)!);
  const [first] = rest.splice(0, 1);
  if (!first) return board;
  board.put({ ...first, x: 500, y: 500, across: true });
  // Words that did not fit are tried again: a later word may give them a letter.
  for (let before = -1; before !== rest.length;) {
    before = rest.length;
    for (let i = 0; i < rest.length;) {
      const { word, clue } = rest[i];
      let best: Placed | null = null;
      let score = -Infinity;
      for (const other of board.placed)
        for (const cell of cellsOf(other))
          for (const [n, letter] of [...word].entries()) {
            if (letter !== cell.letter) continue;
            const across = !other.across;
            const [x, y] = across ? [cell.x - n, cell.y] : [cell.x, cell.y - n];
            const shared = board.fit(word, x, y, across);
            if (shared < 1) continue;
            const entry = { word, clue, x, y, across };
            const now = shared * 12 - board.sizeWith(entry) + random() * 9;
            if (now > score) {
              score = now;
              best = entry;
            }
          }
      if (best) {
        board.put(best);
        rest.splice(i, 1);
      } else i++;
    }
  }
  return board;
}

/** The best of many orders: most words, then the smallest square around them. */
export function crosswordFor(things: readonly { word: string; clue: string }[], random: () => number): Crossword {
  const seen = new Set<string>();
  const words = things
    .map(({ word, clue }) => ({ word: lettersOf(word), clue }))
    .filter(({ word }) => [...word].length > 1 && !seen.has(word) && seen.add(word));
  const hard = new Map<string, number>();
  let best: Board | null = null;
  const worth = (board: Board) =>
    board.placed.length * 1000 -
    Math.max(board.size.width, board.size.height) * 10 -
    board.size.width -
    board.size.height;
  // A dozen orders for close ones; more only while a word is left over.
  const boards: Board[] = [];
  for (
    let tries = 0;
    words.length > 0 && (tries < 12 || (tries < 600 && best!.placed.length < words.length));
    tries++
  ) {
    const board = attempt(words, hard, random);
    for (const { word } of words)
      if (!board.placed.some((entry) => entry.word === word)) hard.set(word, (hard.get(word) ?? 0) + 1);
    boards.push(board);
    if (!best || worth(board) > worth(best)) best = board;
  }
  // Any that is nearly as compact, so that versions differ.
  const close = boards.filter((board) => worth(board) > worth(best!) - 16);
  best = pick(random, close) ?? best;
  if (!best) return { width: 0, height: 0, entries: [], lost: [] };
  const { left, top, width, height } = best.size;
  const moved = best.placed.map((entry) => ({ ...entry, x: entry.x - left, y: entry.y - top }));
  const starts = [...new Set(moved.map(({ x, y }) => key(x, y)))].sort((a, b) => a - b);
  const entries = moved
    .map((entry) => ({ ...entry, number: starts.indexOf(key(entry.x, entry.y)) + 1 }))
    .sort((a, b) => Number(b.across) - Number(a.across) || a.number - b.number);
  return {
    width,
    height,
    entries,
    lost: words.filter(({ word }) => !moved.some((entry) => entry.word === word)).map(({ word }) => word),
  };
}

export function drawCrossword(draft: Draft, recipe: RecipeFor<'crossword'>): void {
  const { area, em } = draft;
  const { width, height, entries, lost } = crosswordFor(
    recipe.things.map(({ word, other }) => ({ word, clue: other })),
    draft.random,
  );
  if (entries.length === 0) return void draft.notes.push('Write words, each with its clue.');
  if (lost.length > 0)
    draft.notes.push(`These share no letter with the others: ${lost.join(', ')}. Use other words for them.`);
  const clues = (across: boolean) =>
    entries
      .filter((entry) => entry.across === across)
      .map(({ number, clue, word }) => `${number}  ${clue || '…'} (${[...word].length})`);
  const said = [clues(true), clues(false)].map((list, i) => [i === 0 ? 'across' : 'down', ...list].join('\n'));
  const { room, lists, clue } = sharedOut(draft, width, height, said);
  const size = Math.min(room.width / width, room.height / height, em * LARGEST_CELL);
  const [left, top] = [area.x + (room.width - size * width) / 2, area.y];
  const done = new Set<number>();
  for (const entry of entries)
    for (const { letter, x, y } of cellsOf(entry)) {
      if (done.has(key(x, y))) continue;
      done.add(key(x, y));
      draft.answer(
        'cell',
        letter,
        { x: left + x * size, y: top + y * size, width: size, height: size },
        { corner: 0, padding: 0, style: { size: size * 0.6 } },
      );
    }
  const small = Math.max(LEAST_PRINTED, size * 0.26);
  const line = draft.sizeOf('8', Infinity, { size: small }).height + 0.1;
  const numbered = new Set<number>();
  for (const { x, y, number } of entries) {
    if (numbered.has(number)) continue;
    numbered.add(number);
    draft.words(
      'number',
      `${number}`,
      {
        x: left + x * size + size * 0.06,
        y: top + y * size + size * 0.03,
        width: Math.max(size * 0.5, LEAST_PRINTED * 1.4),
        height: Math.max(size * 0.34, line),
      },
      { align: 'left', vertical: 'top', style: { size: small } },
    );
  }
  lists.forEach((box, i) =>
    draft.words('clues', said[i], box, { align: 'left', vertical: 'top', style: { size: clue } }),
  );
}

/** Shares of the room for the grid: as much as the clues leave, in words that are as large as may be. */
const SHARES = [0.7, 0.64, 0.6, 0.56, 0.5, 0.44, 0.38, 0.32];
const SIZES = [1, 0.94, 0.88, 0.82, 0.76, 0.7, 0.64, 0.58, 0.52];
/** The largest cells, in sizes of words. */
const LARGEST_CELL = 2.4;
/** The smallest good cell, in points: a child writes in it. */
const LEAST_CELL = 15;

/** The room of the grid, and boxes for the clues with the size that they fit at. */
function sharedOut(draft: Draft, width: number, height: number, said: readonly string[]) {
  const { area, em } = draft;
  const beside = area.width > area.height * 1.15;
  // No more than the largest cells take.
  const enough = (LARGEST_CELL * em * (beside ? width : height)) / (beside ? area.width : area.height);
  const at = (wanted: number) => {
    const share = Math.min(wanted, enough);
    const room = beside ? { ...area, width: area.width * share } : { ...area, height: area.height * share };
    const lists = beside
      ? draft.grid(1, 2, em, { ...area, x: area.x + room.width + em, width: area.width - room.width - em })
      : draft.grid(2, 1, em, { ...area, y: area.y + room.height + em, height: area.height - room.height - em });
    if (beside) {
      // Above each other, each as high as its clues need.
      const needs = lists.map((box, i) => draft.sizeOf(said[i], box.width).height);
      const whole = area.height - em;
      lists[0].height = (whole * needs[0]) / Math.max(1, needs[0] + needs[1]);
      lists[1].y = area.y + lists[0].height + em;
      lists[1].height = whole - lists[0].height;
    }
    return { room, lists };
  };
  for (const scale of SIZES) {
    const clue = Math.max(LEAST_PRINTED, em * scale);
    for (const share of SHARES) {
      const { room, lists } = at(share);
      const cell = Math.min(room.width / width, room.height / height);
      if (cell < LEAST_CELL && share > SHARES[SHARES.length - 1]) continue;
      const fit = lists.every((box, i) => draft.sizeOf(said[i], box.width, { size: clue }).height <= box.height + 0.1);
      if (fit) return { room, lists, clue: tidied(clue) };
    }
  }
  return { ...at(SHARES[SHARES.length - 1]), clue: LEAST_PRINTED };
}
