import { shuffled } from '../kit/shuffle';
import type { PracticeDraft as Draft } from './draft';
import { inset, KEY_COLOUR } from './draft';
import type { RecipeFor, Thing } from '../../schema/recipes/practice';

/** Boxes with names, and things beneath that belong in one of them each; never all of a box side by side. */
export function drawSorting(draft: Draft, recipe: RecipeFor<'sorting'>): void {
  const { area, random, em } = draft;
  const groups = recipe.groups.filter(({ things }) => things.length > 0);
  if (groups.length < 2) return void draft.notes.push('Sorting needs two boxes with something to go into each.');
  const each = Math.ceil(recipe.count / groups.length);
  const chosen = groups.flatMap((group, box) =>
    shuffled(group.things, random)
      .slice(0, each)
      .map((thing) => ({ thing, box })),
  );
  const cards = mixed(chosen.slice(0, recipe.count), random);
  const boxes = draft.grid(groups.length, 1, em, { ...area, height: area.height * 0.52 });
  boxes.forEach((box, i) => {
    draft.words('name', groups[i].name, { ...box, height: em * 1.8 }, { style: { bold: true } });
    draft.frame('box', { ...box, y: box.y + em * 2, height: box.height - em * 2 });
    const said = cards.filter((card) => card.box === i).map(({ thing }) => thing.word);
    draft.words('key', said.join(', '), inset({ ...box, y: box.y + em * 2, height: box.height - em * 2 }, em * 0.5), {
      role: 'key',
      style: { colour: KEY_COLOUR, size: em * 0.8 },
    });
  });
  const rest = { ...area, y: area.y + area.height * 0.56, height: area.height * 0.44 };
  const columns = Math.max(1, Math.round(Math.sqrt((cards.length * rest.width) / rest.height / 1.2)));
  draft.grid(columns, Math.ceil(cards.length / columns), em * 0.5, rest).forEach((cell, i) => {
    const card = cards[i];
    // What is sorted can be moved by who sorts it.
    if (card) draft.thing('card', card.thing, 'picture', inset(cell, em * 0.2), recipe.outline).touch = 'free';
  });
}

/** Another order, until no box's things all stand together where that can be helped. */
function mixed(cards: { thing: Thing; box: number }[], random: () => number): { thing: Thing; box: number }[] {
  for (let tries = 0; ; tries++) {
    const order = shuffled(cards, random);
    const changes = order.filter((card, i) => i > 0 && card.box !== order[i - 1].box).length;
    if (changes >= Math.min(cards.length - 1, new Set(cards.map(({ box }) => box)).size) || tries > 20) return order;
  }
}
