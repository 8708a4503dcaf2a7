/** How far a student's copy has come. */
export type CopyState = 'not-begun' | 'under-way' | 'handed-in' | 'another-go' | 'done';

/** A student may work on it. */
export const isOpen = (state: CopyState): boolean => state !== 'handed-in' && state !== 'done';
