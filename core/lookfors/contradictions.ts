import type { Each } from './each';
import { eachValue, eachWords } from './each';
import type { Together } from './together';
import { ASPECT_NAMES, leastTogether } from './together';

/** What of things can't be so at once. */

type Asked = { each: readonly Each[]; together: readonly Together[]; how: string; min: number };

/** Pairs that nothing can have at once. */
const EXCLUDE: readonly (readonly [string, string])[] = [
  ['hollow', 'not hollow'],
  ['hollow', 'one-colour'],
  ['hollow', 'gradient'],
  ['hollow', 'filled'],
  ['one-colour', 'gradient'],
  ['gradient', 'not gradient'],
  ['gradient', 'filled'],
  ['see-through', 'not see-through'],
  ['outlined', 'not outlined'],
  ['stands-out', 'not outlined'],
  ['weight', 'not outlined'],
  ['dashed', 'not outlined'],
  ['dashed', 'not dashed'],
  ['arrow', 'not arrow'],
  ['joins', 'not joins'],
  ['rotated', 'not rotated'],
  ['flipped', 'not flipped'],
  ['grouped', 'not grouped'],
  ['written', 'not written'],
  ['named', 'not written'],
  ['centred', 'not written'],
  ['credited', 'not credited'],
];

/** Two of the conditions that nothing can have at once, in words; null where they go together. */
function eachContradiction(conditions: readonly Each[]): string | null {
  const has = (value: string) => conditions.find((one) => eachValue(one) === value);
  for (const [a, b] of EXCLUDE) {
    const [one, other] = [has(a), has(b)];
    if (one && other) return `Nothing can be both “${eachWords(one)}” and “${eachWords(other)}”.`;
  }
  const fills = conditions.filter((one) => one.is === 'filled' && !one.not);
  if (new Set(fills.map((one) => (one as { colour: string }).colour)).size > 1)
    return 'Nothing is filled with two colours at once. Make two look-fors of it.';
  const areas = new Set(conditions.flatMap((one) => (one.is === 'inside' && !one.not ? one.area : [])));
  if (conditions.some((one) => one.is === 'outside' && areas.has(one.area)))
    return 'Nothing lies inside and outside the same area.';
  const heavy = conditions.flatMap((one) => (one.is === 'weight' && !one.not ? one.least : []));
  const light = conditions.flatMap((one) => (one.is === 'weight' && one.not ? one.least : []));
  if (light.some((most) => heavy.some((least) => least >= most))) return 'No outline has both of these weights.';
  return null;
}

/** Why no things can be as they are asked to be, or all are; null where it makes sense. */
export function thingsContradiction({ each, together, how, min }: Asked): string | null {
  const one = eachContradiction(each);
  if (one) return one;
  if (together.length > 0 && how !== 'most') {
    const least = Math.max(...together.map(leastTogether));
    if (min < least) return `Ask for at least ${least}: fewer things can’t be compared.`;
  }
  const has = (is: string, aspect?: string) =>
    together.some((other) => other.is === is && (aspect === undefined || ('in' in other && other.in === aspect)));
  for (const aspect of ASPECT_NAMES)
    if (has('different', aspect) && has('same', aspect))
      return 'They can’t be all the same and all different in one thing.';
  if (has('row') && has('column')) return 'Only what lies on one another is in a row and in a column.';
  const is = (value: string) => each.some((condition) => eachValue(condition) === value);
  if (has('different', 'fill') && is('hollow')) return 'Hollow things have no fill that could be different.';
  if (has('group') && is('not grouped')) return 'They can’t be in one group and not in a group.';
  if (each.some((condition) => condition.is === 'of-what' && condition.words.length === 0))
    return 'Type what the pictures are to show.';
  return null;
}
