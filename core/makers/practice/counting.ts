import type { PracticeDraft as Draft } from './draft';
import { between } from './draft';
import { shuffled } from '../kit/shuffle';
import type { RecipeFor } from '../../schema/recipes/practice';

/** How many there are in each row; with `same`, two rows at least hold as many. */
export function countsFor(rows: number, most: number, same: boolean, random: () => number): number[] {
  const all = Array.from({ length: most }, (_, i) => i + 1);
  // All different while there are numbers left, so that no row can be copied from another.
  const counts = Array.from({ length: Math.ceil(rows / most) }, () => shuffled(all, random))
    .flat()
    .slice(0, rows);
  if (same && rows > 1) {
    const [from, to] = shuffled([...counts.keys()], random);
    counts[to] = counts[from];
  }
  return counts;
}

export function drawCounting(draft: Draft, recipe: RecipeFor<'counting'>): void {
  const { random, em } = draft;
  const things = shuffled(
    recipe.things.filter(({ picture }) => picture),
    random,
  );
  if (things.length === 0) return void draft.notes.push('Counting needs pictures. Pick some of them.');
  const counts = countsFor(recipe.rows, recipe.most, recipe.same, random);
  const box = Math.min(em * 3, 80);
  draft.grid(1, recipe.rows, em * 0.6).forEach((row, i) => {
    const room = { ...row, width: row.width - box - em };
    const count = counts[i];
    const lines = count > 10 ? 2 : 1;
    const perLine = Math.ceil(recipe.most / (recipe.most > 10 ? 2 : 1));
    const size = Math.min(room.width / perLine, row.height / lines);
    const { picture } = things[i % things.length];
    for (let n = 0; n < count; n++) {
      const [line, at] = lines === 1 ? [0, n] : [Math.floor(n / Math.ceil(count / 2)), n % Math.ceil(count / 2)];
      // A little out of line: rows are counted, not measured.
      const shake = lines === 1 ? between(random, -6, 6) / 100 : 0;
      draft.picture(
        'thing',
        picture!,
        {
          x: row.x + at * (room.width / perLine),
          y: row.y + line * size + (row.height - lines * size) / 2 + shake * size,
          width: size * 0.9,
          height: size * 0.9,
        },
        recipe.outline,
      );
    }
    const high = Math.min(box, row.height);
    draft.answer(
      'count',
      `${count}`,
      { x: row.x + row.width - box, y: row.y + (row.height - high) / 2, width: box, height: high },
      { style: { size: em * 1.4 } },
    );
  });
}
