import { z } from 'zod';

/** What is begun on the classes screen, kept in the browser until it is saved. */

/** A group that is being made or changed. */
export const BegunGroup = z.object({ group: z.string(), name: z.string(), members: z.array(z.string()) });
export type BegunGroup = z.infer<typeof BegunGroup>;

/** A teacher who is about to be let in. */
export const BegunTeacher = z.object({ teacher: z.string(), rights: z.enum(['full', 'read']), until: z.string() });
export type BegunTeacher = z.infer<typeof BegunTeacher>;

/** What a teacher who was let in may do. */
export const MAY = { full: 'may do all that you may', read: 'may look, not change' };
