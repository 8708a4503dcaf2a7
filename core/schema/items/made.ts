import { z } from 'zod';

/**
 * What is kept of a part as it was made, so that what was done to it by hand can be told from it: its place, and short prints
 * of its words, its look and the rest. A part that was made again then keeps what was done to it.
 */
export const MadeMark = z.strictObject({
  part: z.string().max(40),
  /** x, y, width, height and angle; nothing for a line. */
  at: z.array(z.number()).max(5),
  print: z.string().max(40),
});
export type MadeMark = z.infer<typeof MadeMark>;
