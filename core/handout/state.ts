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

/** A piece that was returned and is held back comes back like this, later. */
type Held = { state: CopyState; heldFor: Outcome | null };

/** It waits for its teacher. */
export const isWaiting = ({ state, heldFor }: Held): boolean => state === 'handed-in' && heldFor === null;

/** Which of the pieces has waited for its teacher longest. */
export const longestWaiting = <P extends Held & { handedInAt: Date | null }>(pieces: readonly P[]): P | undefined =>
  pieces.filter(isWaiting).sort((a, b) => +(a.handedInAt ?? 0) - +(b.handedInAt ?? 0))[0];
