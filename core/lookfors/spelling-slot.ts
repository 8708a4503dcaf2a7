import type { Spelling } from '../language/spelling';
import type { Part } from './sentence';

/** How exact the spelling has to be. */
export const spellingSlot = <P>(spelling: Spelling, set: (spelling: Spelling) => P): Part<P> => ({
  slot: 'choice',
  label: 'How exact the spelling has to be',
  value: spelling,
  quiet: true,
  options: [
    { value: 'exact', label: 'spelt exactly' },
    { value: 'near', label: 'small slips are fine' },
    { value: 'loose', label: 'as long as it sounds right' },
  ],
  set: (to) => set(to as Spelling),
});
