import type { Carded } from './cards';

/** What the classes screen is answered. */
export type Answer = {
  problem: string | null;
  said: string | null;
  cards: Carded[];
  /** A place whose text was taken, and what remains there. */
  taken: { box: string; left: string } | null;
};
export const NOTHING: Answer = { problem: null, said: null, cards: [], taken: null };
