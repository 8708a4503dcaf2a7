/** What can be opened to students; `page`: pages of work made elsewhere. */
export const SUPPLIES = ['text', 'shape', 'line', 'picture', 'ink', 'map', 'chart', 'cloud', 'page'] as const;
/** Those that makers make. */
export const MADE_SUPPLIES = ['map', 'chart', 'cloud'] as const satisfies readonly Supply[];
export type Supply = (typeof SUPPLIES)[number];
