import type { WrittenBox } from '../../../core/handout/written';
import type { Weighted } from '../../../core/schema/recipes/cloud';

/** The server's answer to what classes wrote. */
export type WrittenAnswer = {
  handouts?: { id: string; title: string; className: string }[];
  boxes?: (WrittenBox & { filled: number })[];
  words?: Weighted[];
  /** How many copies the words come from. */
  copies?: number;
};
