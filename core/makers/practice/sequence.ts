import { deranged } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { inset } from './draft';
import type { RecipeFor } from '../../schema/recipes/practice';

/** Steps out of order, each with a box for its number. */
export function drawSequence(draft: Draft, recipe: RecipeFor<'sequence'>): void {
  const { random, em } = draft;
  const { things } = recipe;
  if (things.length < 3)
    return void draft.notes.push('A sequence needs at least three steps, written in their right order.');
  const order = deranged(things.length, random);
  const columns = draft.columnsFor(things.length, 1.1);
  const box = em * 2;
  draft.grid(columns, Math.ceil(things.length / columns), em).forEach((cell, i) => {
    if (i >= things.length) return;
    const thing = things[order[i]];
    draft.frame('card', cell);
    const inside = inset({ ...cell, height: cell.height - box - em * 0.5 }, em * 0.4);
    const said = thing.picture ? draft.sizeOf(thing.word, inside.width).height : 0;
    draft.thing('thing', thing, 'picture', { ...inside, height: inside.height - said }, recipe.outline);
    if (thing.picture) draft.words('word', thing.word, { ...inside, y: inside.y + inside.height - said, height: said });
    draft.answer('number', `${order[i] + 1}`, {
      x: cell.x + cell.width / 2 - box / 2,
      y: cell.y + cell.height - box - em * 0.3,
      width: box,
      height: box,
    });
  });
}
