import { deranged, shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';

/**
 * An order in which nothing stands opposite its own answer, nor opposite an equal one: things are moved on by as many
 * places as share the commonest answer. If more than half share one, as few as possible stand opposite it.
 */
export function apartFrom(answers: readonly string[], random: () => number): number[] {
  const shared = new Map<string, number[]>();
  shuffled([...answers.keys()], random).forEach((i) => shared.set(answers[i], [...(shared.get(answers[i]) ?? []), i]));
  const most = Math.max(...[...shared.values()].map((same) => same.length));
  if (most === 1) return deranged(answers.length, random);
  const row = shuffled([...shared.values()], random).flat();
  const order = new Array<number>(answers.length);
  row.forEach((thing, i) => (order[thing] = row[(i + most) % row.length]));
  return order;
}

/** Two columns whose answers never stand opposite each other, nor in an order that gives them away. */
export function drawMatching(draft: Draft, recipe: RecipeFor<'matching'>): void {
  const { area, random, em } = draft;
  const things = shuffled(recipe.things, random).slice(0, recipe.count);
  if (things.length < 2) return void draft.notes.push('Matching needs at least two things. Pick more of them.');
  if (things.length < recipe.count)
    draft.notes.push(`There are only ${things.length} things to match. Pick more of them.`);
  const answers = things.map((thing, i) => thing[recipe.right]?.trim().toLowerCase() || `${i}`);
  const order = apartFrom(answers, random);
  if (order.some((thing, i) => answers[thing] === answers[i]))
    draft.notes.push('So many things share an answer that some are opposite it. Pick others, or fewer.');
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
