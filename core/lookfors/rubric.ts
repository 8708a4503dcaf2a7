import { z } from 'zod';
import { Id } from '../schema/sheet';

/** A rubric: rows, each with levels from the least to the most. */
export const Rubric = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        id: Id,
        name: z.string().trim().min(1, 'give the row a name').max(120),
        levels: z
          .array(z.strictObject({ points: z.number().min(0).max(100), text: z.string().max(300) }))
          .min(2)
          .max(6),
      }),
    )
    .max(12),
});
export type Rubric = z.infer<typeof Rubric>;
/** The level chosen for each row, by the row's id; an index into its levels. */
export type RubricMarks = Record<string, number>;

/** Points reached and reachable. Rows not yet marked count as none reached. */
export function points(rubric: Rubric, marks: RubricMarks): { got: number; of: number } {
  let [got, of] = [0, 0];
  for (const { id, levels } of rubric.rows) {
    of += Math.max(...levels.map((level) => level.points));
    got += levels[marks[id]]?.points ?? 0;
  }
  return { got, of };
}
