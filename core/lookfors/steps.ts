import { z } from 'zod';
import type { LookFor } from './all';
import { Id } from '../values/primitives';

/**
 * Steps: parts of the brief that open one after another. The next one opens when the look-fors of a step are met; what has opened
 * stays open (step-open.ts).
 */

export const MOST_STEPS = 12;

export const Step = z.strictObject({
  id: Id,
  /** What to do. */
  text: z.string().trim().min(1, 'Say what to do in each step, or remove the empty one.').max(2000),
  /** What has to be met before the next step opens. */
  lookFors: z.array(Id).max(40),
});
export type Step = z.infer<typeof Step>;
export const Steps = z.array(Step).max(MOST_STEPS, `At most ${MOST_STEPS} steps.`);

/** Steps out of the database; what can't be read is no step. */
export function readSteps(json: unknown): Step[] {
  const read = Steps.safeParse(json);
  return read.success ? read.data : [];
}

const named = ({ title }: Pick<LookFor, 'title'>) => `“${title}”`;

/** Why a look-for can open nothing; null where it can. */
export function opensNothing(lookFor: LookFor): string | null {
  const { kind, tell } = lookFor;
  if (kind === 'teacher' || kind === 'unknown')
    return `${named(lookFor)} is ticked by you, so it would never open the next step by itself.`;
  if (tell === 'after')
    return `${named(lookFor)} is told only after handing in, so students would not know what opens the next step.`;
  return null;
}

/** Why a step would never open, or nothing would come of it, as a sentence; null where all makes sense. */
export function stepsProblem(steps: readonly Step[], lookFors: readonly LookFor[]): string | null {
  if (steps.length === 1) return 'One step alone opens nothing. Add a second one, or write it into the brief.';
  const seen = new Map<string, number>();
  for (const [i, step] of steps.entries()) {
    const number = i + 1;
    if (step.text.trim() === '') return `Say what to do in step ${number}, or remove it.`;
    const own = step.lookFors.map((id) => lookFors.find((one) => one.id === id));
    if (own.includes(undefined)) return `A look-for of step ${number} was removed. Choose another one.`;
    if (own.length === 0 && number < steps.length)
      return `Step ${number + 1} would never open: choose what has to be met in step ${number}.`;
    for (const lookFor of own as LookFor[]) {
      const wrong = number < steps.length ? opensNothing(lookFor) : null;
      if (wrong) return `Step ${number + 1} would never open. ${wrong}`;
      const before = seen.get(lookFor.id);
      if (before !== undefined)
        return `${named(lookFor)} belongs to step ${before} already. Choose another one for step ${number}.`;
      seen.set(lookFor.id, number);
    }
  }
  return null;
}
