import { z } from 'zod';

/** What is typed while a handout is changed, kept in the browser until it is saved. Times are local. */
export const Words = z.object({
  title: z.string(),
  brief: z.string(),
  opens: z.string().default(''),
  due: z.string(),
  closes: z.string(),
  returns: z.string().default(''),
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
