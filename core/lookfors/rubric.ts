import { z } from 'zod';
import { Id } from '../schema/sheet';
import { howMany } from '../values/listed';
import type { Ruled } from './ruled';
import { rulingOn } from './ruled';

/** The most points that a level brings. */
export const MOST_LEVEL_POINTS = 100;

/** The fewest and the most points that are taken off at once. */
export const [LEAST_OFF, MOST_OFF] = [0.5, 100];
/** What is taken off what comes late: once, or for each day that has begun since it was due. */
export const LateRule = z.strictObject({
  off: z.number().min(LEAST_OFF, 'take off at least half a point').max(MOST_OFF, `take off at most ${MOST_OFF} points`),
  each: z.enum(['once', 'day']),
});
export type LateRule = z.infer<typeof LateRule>;

/** A rubric: rows, each with levels from the least to the most. */
export const Rubric = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        id: Id,
        name: z.string().trim().min(1, 'give the row a name').max(120),
        levels: z
          .array(z.strictObject({ points: z.number().min(0).max(MOST_LEVEL_POINTS), text: z.string().max(300) }))
          .min(2)
          .max(6),
      }),
    )
    .max(12),
  /** Without it nothing is taken off. */
  late: LateRule.optional(),
});
export type Rubric = z.infer<typeof Rubric>;
/** The level chosen for each row, by the row's id; an index into its levels. */
export type RubricMarks = Record<string, number>;

/**
 * Points reached of those that can be, and how many rows nobody has judged yet: they are neither reached nor lost. `late` tells
 * what is taken off already, for how many days; never more than was reached.
 */
export type Sum = { got: number; of: number; open: number; late?: { off: number; days: number } };

/** A look-for that brings points, as it was counted or ruled; `got` is null while nobody has judged it. */
export type Weighed = { id: string; title: string; got: number | null; of: number };
type Weight = { id: string; title: string; points?: number; partly?: true };
type Judged = { held: boolean | null; got: number; need: number };

/** What one brings: all of its points, none, or for answers that count one by one the share that is right. */
function brought(
  { points: of = 0, partly }: Weight,
  { held, got, need }: Judged,
  ruled: boolean | null,
): number | null {
  const met = ruled ?? held;
  if (met === null) return null;
  if (met || ruled === false || !partly || need === 0) return met ? of : 0;
  // What is too much spoils what is otherwise right.
  return (of * Math.min(got, need - 1)) / need;
}

/**
 * Those of the look-fors that bring points.
 * @param results of the look-fors, in their order, as rulings on single answers leave them
 * @param rulings a teacher's, on some of them as a whole
 */
export const weighed = (lookFors: readonly Weight[], results: readonly Judged[], rulings: Ruled): Weighed[] =>
  lookFors.flatMap((one, i) => {
    const { id, title, points: of } = one;
    const ruled = rulingOn(rulings, id)?.held ?? null;
    return of === undefined ? [] : [{ id, title, got: brought(one, results[i], ruled), of }];
  });

/**
 * What rubric and look-fors bring together, and what of it is left where the piece came late.
 * @param days that it was late, begun ones as whole; 0 where it was in time
 */
export function points(rubric: Rubric, marks: RubricMarks, lookFors: readonly Weighed[] = [], days = 0): Sum {
  const sum = sumOf(rubric, marks, lookFors);
  if (!rubric.late || days === 0) return sum;
  const off = Math.min(sum.got, rubric.late.off * (rubric.late.each === 'day' ? days : 1));
  return { ...sum, got: sum.got - off, late: { off, days } };
}

function sumOf(rubric: Rubric, marks: RubricMarks, lookFors: readonly Weighed[]): Sum {
  const rows = rubric.rows.map(({ id, levels }) => ({
    got: (levels[marks[id]] as (typeof levels)[number] | undefined)?.points ?? null,
    of: Math.max(...levels.map((level) => level.points)),
  }));
  return [...rows, ...lookFors].reduce<Sum>(
    (sum, { got, of }) => ({
      got: sum.got + (got ?? 0),
      of: sum.of + of,
      open: sum.open + (got === null ? 1 : 0),
    }),
    { got: 0, of: 0, open: 0 },
  );
}

/** Whether a sum says anything yet: where nothing is marked, what is still to mark would read as lost. */
export const isMarked = ({ got, of, open, late }: Sum): boolean => of > 0 && (open === 0 || got + (late?.off ?? 0) > 0);

/** A number of points as it is read: thirds and the like with two decimals. */
export const pointsWords = (value: number): string => String(Number(value.toFixed(2)));
/** A sum as it is read. */
export const sumWords = ({ got, of, open, late }: Sum): string =>
  [
    `${pointsWords(got)} of ${pointsWords(of)} points`,
    ...(late ? [`${pointsWords(late.off)} taken off for ${howMany(late.days, 'day')} late`] : []),
    ...(open > 0 ? [`${open} still to mark`] : []),
  ].join(', ');

/** What is taken off, as a student reads it. */
export const lateRuleWords = ({ off, each }: LateRule): string =>
  `${pointsWords(off)} ${off === 1 ? 'point is' : 'points are'} taken off ${each === 'day' ? 'for each day that it comes late' : 'if it comes late'}.`;
