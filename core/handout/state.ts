/** How far a student's copy has come. */
export type CopyState = 'not-begun' | 'under-way' | 'handed-in' | 'another-go' | 'done';

/** A student may work on it. */
export const isOpen = (state: CopyState): boolean => state !== 'handed-in' && state !== 'done';

/** How a piece comes back to its student. */
export const OUTCOMES = ['done', 'another-go'] as const satisfies readonly CopyState[];
export type Outcome = (typeof OUTCOMES)[number];
export const OUTCOME_WORDS: Record<Outcome, string> = { done: 'as done', 'another-go': 'for another go' };

/** It has come back, and is with its student. */
export const isReturned = (state: CopyState): state is Outcome => (OUTCOMES as readonly CopyState[]).includes(state);

/** Which of the pieces has waited for its teacher longest. */
export const longestWaiting = <P extends { state: CopyState; handedInAt: Date | null }>(
  pieces: readonly P[],
): P | undefined =>
  pieces.filter(({ state }) => state === 'handed-in').sort((a, b) => +(a.handedInAt ?? 0) - +(b.handedInAt ?? 0))[0];
