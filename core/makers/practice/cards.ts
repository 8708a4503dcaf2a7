import { shuffled } from '../kit/shuffle';
import { seeded } from '../../values/random';
import type { PracticeDraft as Draft } from './draft';
import { inset } from './draft';
import type { RecipeFor, Thing } from '../../schema/recipes/practice';

/** What is cut out: cards, bingo and dominoes. */

export function drawCutouts(draft: Draft, recipe: RecipeFor<'cutouts'>): void {
  const { em } = draft;
  const things = recipe.things.slice(0, recipe.count);
  if (things.length === 0) return void draft.notes.push('Pick what is to be cut out.');
  const tab = recipe.tabs ? em * 1.2 : 0;
  const columns = draft.columnsFor(things.length, 1);
  draft.grid(columns, Math.ceil(things.length / columns), em * 0.8).forEach((cell, i) => {
    const thing = things[i];
    if (!thing) return;
    const card = { ...cell, height: cell.height - tab };
    if (tab > 0) {
      // Folded back and glued, the tab makes the card stand.
      const box = { x: card.x + em * 0.6, y: card.y + card.height, width: card.width - em * 1.2, height: tab };
      draft.frame('tab', box, { shape: 'trapezium', flipY: true, adjust: [], outline: draft.outline(0.08, 'dashed') });
      draft.words('glue', 'glue', box, { style: { size: em * 0.6 } });
    }
    draft.frame('card', card, { adjust: [0], outline: draft.outline(0.08, tab > 0 ? 'solid' : 'dashed') });
    const said = draft.sizeOf(thing.word, card.width).height;
    draft.thing(
      'thing',
      thing,
      'picture',
      inset({ ...card, height: card.height - (thing.picture ? said : 0) }, em * 0.5),
      recipe.outline,
    );
    if (thing.picture)
      draft.words('word', thing.word, { ...card, y: card.y + card.height - said - em * 0.3, height: said });
  });
}

/** Cards of one set, by its number: no two of them hold the same things. */
export function bingoCard(things: readonly Thing[], cells: number, seed: number): Thing[] {
  const set = seeded(Math.floor(seed / CARDS) * 7919 + 17);
  const seen = new Set<string>();
  const enough = things.length > cells;
  for (let number = 0, tries = 0; ; tries++) {
    const card = shuffled(things, set).slice(0, cells);
    // Where all things are on every card, only their places can differ.
    const key = (enough ? card.map(({ word }) => word).sort() : card.map(({ word }) => word)).join('\n');
    if (seen.has(key) && tries < 5000) continue;
    seen.add(key);
    if (number++ === seed % CARDS) return card;
  }
}
/** So many cards belong to one set. */
export const CARDS = 64;

export function drawBingo(draft: Draft, recipe: RecipeFor<'bingo'>, seed: number): void {
  const { area, em } = draft;
  const side = recipe.across;
  const free = recipe.free && side % 2 === 1 ? Math.floor((side * side) / 2) : -1;
  const cells = side * side - (free >= 0 ? 1 : 0);
  if (recipe.things.length < cells)
    return void draft.notes.push(
      `A card of ${side} by ${side} needs ${cells} things; there are ${recipe.things.length}. Pick more, or choose a smaller card.`,
    );
  if (recipe.things.length === cells)
    draft.notes.push('All cards hold the same things in different places. Add more things, and the cards will differ.');
  const card = bingoCard(recipe.things, cells, seed);
  const size = Math.min(area.width, area.height);
  const square = {
    x: area.x + (area.width - size) / 2,
    y: area.y + (area.height - size) / 2,
    width: size,
    height: size,
  };
  let next = 0;
  draft.grid(side, side, 0, square).forEach((cell, i) => {
    draft.frame('cell', cell, { adjust: [0] });
    if (i === free) draft.words('free', '★', cell, { style: { size: em * 2 } });
    else draft.thing('thing', card[next++], recipe.shows, inset(cell, em * 0.4));
  });
}

/** A chain of dominoes that closes: what stands on the right of each belongs to the left of the next. */
export function drawDominoes(draft: Draft, recipe: RecipeFor<'dominoes'>): void {
  const { random, em } = draft;
  const { things } = recipe;
  if (things.length < 4) return void draft.notes.push('Dominoes need at least four pairs.');
  const pieces = shuffled(
    things.map((thing, i) => ({ left: thing, right: things[(i + 1) % things.length] })),
    random,
  );
  const columns = draft.columnsFor(pieces.length, 2);
  draft.grid(columns, Math.ceil(pieces.length / columns), em * 0.8).forEach((cell, i) => {
    const piece = pieces[i];
    if (!piece) return;
    const half = { ...cell, width: cell.width / 2 };
    draft.frame('piece', cell, { outline: draft.outline(0.08, 'dashed') });
    draft.line('middle', cell.x + half.width, cell.y, cell.x + half.width, cell.y + cell.height);
    draft.thing('left', piece.left, recipe.left, inset(half, em * 0.4));
    draft.thing('right', piece.right, recipe.right, inset({ ...half, x: cell.x + half.width }, em * 0.4));
  });
}
