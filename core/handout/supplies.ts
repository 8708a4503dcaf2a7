/** What can be opened to students; `page`: pages of work made elsewhere. */
export const SUPPLIES = ['text', 'shape', 'line', 'picture', 'ink', 'map', 'page'] as const;
export type Supply = (typeof SUPPLIES)[number];
