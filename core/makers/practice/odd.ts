import { shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { inset, pick } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';

/** Rows in which one thing comes from elsewhere. */
export function drawOdd(draft: Draft, recipe: RecipeFor<'odd'>): void {
  const { random, em } = draft;
  const large = recipe.groups.filter(({ things }) => things.length >= recipe.across - 1);
  if (large.length === 0 || recipe.groups.filter(({ things }) => things.length > 0).length < 2)
    return void draft.notes.push(`One group needs ${recipe.across - 1} things or more, and another at least one.`);
  const cells = draft.grid(recipe.across, recipe.rows, em * 0.6);
  for (let row = 0; row < recipe.rows; row++) {
    const home = pick(random, large);
    const words = new Set(home.things.map(({ word }) => word.toLowerCase()));
    const strangers = recipe.groups
      .filter((group) => group !== home)
      .flatMap(({ things }) => things.filter(({ word }) => !words.has(word.toLowerCase())));
    if (strangers.length === 0)
      return void draft.notes.push(
        `All that is not in “${home.name}” has the same words as what is. Choose other groups.`,
      );
    const odd = pick(random, strangers);
    const order = shuffled([odd, ...shuffled(home.things, random).slice(0, recipe.across - 1)], random);
    order.forEach((thing, i) => {
      const cell = cells[row * recipe.across + i];
      draft.thing('thing', thing, 'picture', inset(cell, em * 0.5), recipe.outline);
      if (thing === odd) draft.keyRing(cell);
    });
  }
}
