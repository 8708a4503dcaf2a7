import type { ToldResult } from './checks';
import type { Step } from './steps';

/**
 * Which steps are open: counted from what a student is told, so that no step that opens tells more. What has opened stays open.
 */

/**
 * Whether a look-for no longer keeps the next step shut. What is left to the teacher on this piece does not; answers that are
 * told only on asking do until they were found right.
 */
function isThrough(told: ToldResult | null | undefined): boolean {
  if (told === undefined) return true;
  if (told === null) return false;
  if (told.check && told.check.right === null) return false;
  return told.held !== false;
}

/** Whether everything of a step is met. `told` by look-for; what is no longer looked for is not waited for. */
export const isStepMet = (
  { lookFors }: Pick<Step, 'lookFors'>,
  told: ReadonlyMap<string, ToldResult | null>,
): boolean => lookFors.every((id) => isThrough(told.get(id)));

/**
 * How many steps are open.
 * @param before how many were
 * @returns from 1 to all of them, never fewer than before; 0 where there are none
 */
export function openSteps(
  steps: readonly Step[],
  told: ReadonlyMap<string, ToldResult | null>,
  before: number,
): number {
  let open = Math.min(steps.length, Math.max(1, before));
  while (open < steps.length && isStepMet(steps[open - 1], told)) open++;
  return open;
}

/** The look-fors of steps that are not open yet. */
export const shutBy = (steps: readonly Step[], open: number): Set<string> =>
  new Set(steps.slice(Math.max(1, open)).flatMap(({ lookFors }) => lookFors));

/** By look-for. */
export const toldById = (
  lookFors: readonly { id: string }[],
  results: readonly (ToldResult | null)[],
): Map<string, ToldResult | null> => new Map(lookFors.map(({ id }, i) => [id, results[i] ?? null]));
