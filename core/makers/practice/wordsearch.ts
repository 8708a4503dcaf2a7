import { shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { between, KEY_COLOUR, pick } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';
import { NEVER } from './unwanted';

/** Words hidden in a square of letters. */

type Cell = { x: number; y: number };
export type Hidden = { word: string; cells: Cell[] };
export type Search = { grid: string[][]; hidden: Hidden[]; lost: string[]; within: [string, string][] };

const WAYS: readonly [number, number][] = [
  [1, 0],
  [0, 1],
  [1, 1],
  [1, -1],
  [-1, 0],
  [0, -1],
  [-1, -1],
  [-1, 1],
];

/** Letters only, large, as they stand in the square. */
export const lettersOf = (word: string): string =>
  word
    .normalize('NFC')
    .toUpperCase()
    .replace(/[^\p{L}]/gu, '');

/** The ends of a word, whichever way it is read: what tells two places of it apart. */
const endsOf = (cells: readonly Cell[]): string =>
  [cells[0], cells[cells.length - 1]]
    .map(({ x, y }) => `${x},${y}`)
    .sort()
    .join(' ');

/** Every place where a word stands, in any of the eight directions; a place read from both ends counts once. */
export function placesOf(grid: readonly (readonly string[])[], word: string): Cell[][] {
  const letters = [...word];
  const out = new Map<string, Cell[]>();
  for (let y = 0; y < grid.length; y++)
    for (let x = 0; x < grid[y].length; x++) {
      if (grid[y][x] !== letters[0]) continue;
      for (const [dx, dy] of letters.length === 1 ? [WAYS[0]] : WAYS) {
        if (!letters.every((letter, i) => grid[y + dy * i]?.[x + dx * i] === letter)) continue;
        const cells = letters.map((_, i) => ({ x: x + dx * i, y: y + dy * i }));
        out.set(endsOf(cells), cells);
      }
    }
  return [...out.values()];
}

const turnedRound = (word: string) => [...word].reverse().join('');

type Asked = Pick<RecipeFor<'wordsearch'>, 'words' | 'across' | 'down' | 'diagonal' | 'backwards' | 'unwanted'>;

/**
 * A square in which each word stands exactly once and none that is unwanted at all. Longest words go first, where they share
 * most letters; chance letters that make a word a second time are drawn again.
 */
export function searchFor(recipe: Asked, random: () => number): Search {
  const all = [...new Set(recipe.words.map(lettersOf).filter((word) => [...word].length > 1))];
  // A word that stands within another could not be found only once.
  const within = all.flatMap((word): [string, string][] => {
    const other = all.find((one) => one !== word && (one.includes(word) || one.includes(turnedRound(word))));
    return other ? [[word, other]] : [];
  });
  const inside = new Set(within.map(([word]) => word));
  const words = all.filter((word) => !inside.has(word));
  const longest = Math.max(recipe.across, recipe.down);
  const fitting = words.filter((word) => [...word].length <= longest);
  let best: Search | null = null;
  for (let tries = 0; tries < 24; tries++) {
    const placed = placeAll(fitting, recipe, random);
    const lost = words.filter((word) => !placed.hidden.some((one) => one.word === word));
    if (!best || lost.length < best.lost.length) {
      const grid = filled(placed.grid, placed.hidden, recipe, random);
      if (grid) best = { grid, hidden: placed.hidden, lost, within };
    }
    if (best && best.lost.length === words.length - fitting.length) break;
  }
  return best ?? { grid: emptyGrid(recipe).map((row) => row.map(() => 'O')), hidden: [], lost: words, within };
}

const emptyGrid = ({ across, down }: Asked): string[][] =>
  Array.from({ length: down }, () => new Array<string>(across).fill(''));

function placeAll(words: readonly string[], recipe: Asked, random: () => number) {
  const grid = emptyGrid(recipe);
  const ways = WAYS.filter(
    ([dx, dy]) => (recipe.diagonal || dx === 0 || dy === 0) && (recipe.backwards || dx > 0 || (dx === 0 && dy > 0)),
  );
  const hidden: Hidden[] = [];
  const order = shuffled(words, random).sort((a, b) => b.length - a.length);
  for (const word of order) {
    const letters = [...word];
    let best: Cell[] | null = null;
    let most = -1;
    for (let tries = 0; tries < 90; tries++) {
      const [dx, dy] = pick(random, ways);
      const [x, y] = [between(random, 0, recipe.across - 1), between(random, 0, recipe.down - 1)];
      const [ex, ey] = [x + dx * (letters.length - 1), y + dy * (letters.length - 1)];
      if (ex < 0 || ey < 0 || ex >= recipe.across || ey >= recipe.down) continue;
      const cells = letters.map((_, i) => ({ x: x + dx * i, y: y + dy * i }));
      const shared = cells.reduce((sum, cell, i) => {
        const there = grid[cell.y][cell.x];
        return there === '' ? sum : there === letters[i] ? sum + 1 : -Infinity;
      }, 0);
      if (shared > most) {
        most = shared;
        best = cells;
      }
    }
    if (!best) continue;
    best.forEach((cell, i) => (grid[cell.y][cell.x] = letters[i]));
    hidden.push({ word, cells: best });
  }
  return { grid, hidden };
}

/** Chance letters in what is still empty, drawn again until nothing stands there that should not; null when that can't be. */
function filled(
  start: readonly (readonly string[])[],
  hidden: readonly Hidden[],
  recipe: Asked,
  random: () => number,
): string[][] | null {
  const pool = [...hidden.map(({ word }) => word).join(''), ...'AEIORTNSLU'];
  const grid = start.map((row) => row.map((letter) => letter || pick(random, pool)));
  const isChance = ({ x, y }: Cell) => start[y][x] === '';
  const forbidden = [...NEVER, ...recipe.unwanted.map(lettersOf)].filter((word) => word.length > 1);
  // An unwanted word inside a wanted one can't be avoided; anywhere else it can.
  const helped = (place: Cell[]) =>
    !hidden.some(({ cells }) => place.every((cell) => cells.some((own) => own.x === cell.x && own.y === cell.y)));
  for (let round = 0; round < 60; round++) {
    const wrong = [
      ...hidden.flatMap(({ word, cells }) => placesOf(grid, word).filter((place) => endsOf(place) !== endsOf(cells))),
      ...forbidden.flatMap((word) => placesOf(grid, word).filter(helped)),
    ];
    if (wrong.length === 0) return grid;
    for (const place of wrong) {
      const free = place.filter(isChance);
      if (free.length === 0) return null;
      const { x, y } = pick(random, free);
      grid[y][x] = pick(random, pool);
    }
  }
  return null;
}

export function drawWordsearch(draft: Draft, recipe: RecipeFor<'wordsearch'>): void {
  const { area, em } = draft;
  if (recipe.words.length === 0) return void draft.notes.push('Write the words to be hidden, one in a line.');
  const { grid, hidden, lost, within } = searchFor(recipe, draft.random);
  for (const [word, other] of within)
    draft.notes.push(
      `“${word}” is part of “${other}”: only the longer one is hidden, since both could not be found only once.`,
    );
  if (lost.length > 0)
    draft.notes.push(`Not hidden: ${lost.join(', ')}. Make the square larger, or allow more directions.`);
  const shown = hidden.map(({ word }) => word).sort();
  const listed = recipe.list ? draft.sizeOf(shown.join('     '), area.width).height + em * 0.8 : 0;
  const size = Math.min(area.width / recipe.across, (area.height - listed) / recipe.down);
  const left = area.x + (area.width - size * recipe.across) / 2;
  draft.frame('edge', { x: left, y: area.y, width: size * recipe.across, height: size * recipe.down }, { adjust: [0] });
  grid.forEach((row, y) =>
    row.forEach((letter, x) =>
      draft.words(
        'letter',
        letter,
        { x: left + x * size, y: area.y + y * size, width: size, height: size },
        { style: { size: Math.min(em * 1.2, size * 0.62) } },
      ),
    ),
  );
  const middle = ({ x, y }: Cell) => ({ x: left + (x + 0.5) * size, y: area.y + (y + 0.5) * size });
  for (const { cells } of hidden) {
    const [from, to] = [middle(cells[0]), middle(cells[cells.length - 1])];
    draft.line('key', from.x, from.y, to.x, to.y, {
      role: 'key',
      opacity: 0.35,
      outline: { colour: KEY_COLOUR, width: Math.max(1, Math.round(size * 62) / 100), dash: 'solid' },
    });
  }
  if (recipe.list)
    draft.words('list', shown.join('     '), {
      x: area.x,
      y: area.y + size * recipe.down + em * 0.5,
      width: area.width,
      height: listed - em * 0.5,
    });
}
