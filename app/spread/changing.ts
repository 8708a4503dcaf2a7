import { z } from 'zod';
import { LateRule } from '../../core/lookfors/rubric';

/** What is typed while a handout is changed, kept in the browser until it is saved. Times are local. */
export const Words = z.object({
  title: z.string(),
  brief: z.string(),
  opens: z.string().default(''),
  due: z.string(),
  closes: z.string(),
  returns: z.string().default(''),
  /** What is taken off late work; undefined where nothing was chosen yet. */
  late: LateRule.nullable().optional(),
});
export type Words = z.infer<typeof Words>;

export const changePlace = (handoutId: string) => `handouts/${handoutId}/change`;

/** What the server says to a change. */
export type Answer = {
  problem: string | null;
  field?: string;
  said?: string;
  /** When what is held back goes back. */ until?: string;
};
