import type { WrittenBox } from '../../../core/handout/written';
import type { Weighted } from '../../../core/schema/recipes/cloud';

/** What the server answers when it is asked what classes wrote. */
export type WrittenAnswer = {
  handouts?: { id: string; title: string; className: string }[];
  boxes?: (WrittenBox & { filled: number })[];
  words?: Weighted[];
  /** How many copies the words are from. */
  copies?: number;
};
