import { deranged, shuffled } from '../../shuffle';
import type { PracticeDraft as Draft } from '../draft';
import type { RecipeFor } from '../recipe';

/** Two columns whose answers never stand opposite each other, nor in an order that gives them away. */
export function drawMatching(draft: Draft, recipe: RecipeFor<'matching'>): void {
  const { area, random, em } = draft;
  const things = shuffled(recipe.things, random).slice(0, recipe.count);
  if (things.length < 2) return void draft.notes.push('Matching needs at least two things. Pick more of them.');
  if (things.length < recipe.count)
    draft.notes.push(`There are only ${things.length} things to match. Pick more of them.`);
  const order = deranged(things.length, random);
  const rows = draft.grid(1, things.length, em * 0.5);
  const dot = em * 0.55;
  const wide = Math.min(area.width * 0.38, em * 14);
  const [left, right] = [area.x + wide + em * 1.2, area.x + area.width - wide - em * 1.2];
  const dotAt = (x: number, y: number) =>
    draft.frame(
      'dot',
      { x: x - dot / 2, y: y - dot / 2, width: dot, height: dot },
      { shape: 'ellipse', touch: 'fixed' },
    );
  rows.forEach((row, i) => {
    const middle = row.y + row.height / 2;
    draft.thing('left', things[i], recipe.left, { ...row, width: wide }, recipe.outline);
    draft.thing(
      'right',
      things[order[i]],
      recipe.right,
      { ...row, x: area.x + area.width - wide, width: wide },
      recipe.outline,
    );
    dotAt(left, middle);
    dotAt(right, middle);
  });
  order.forEach((thing, i) => {
    const [from, to] = [rows[thing], rows[i]];
    draft.keyLine(left, from.y + from.height / 2, right, to.y + to.height / 2);
  });
}
