/** What can be opened to students. */
export const SUPPLIES = ['text', 'shape', 'line', 'picture', 'ink', 'map'] as const;
export type Supply = (typeof SUPPLIES)[number];
