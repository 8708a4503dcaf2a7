import type { Database } from '../database/connection';
import { giveBackHeld } from '../actions/review';
import { report } from '../process/report';

/** Milliseconds between two looks for what is to go back: a look reads a few rows, and writes nothing where there is nothing. */
const LOOK_EVERY = 20_000;

/**
 * Gives back what was held back as soon as its time is there. Every process looks for itself; a piece goes back once.
 * @returns what ends it
 */
export function giveBackInTime(db: Database, every = LOOK_EVERY): () => Promise<void> {
  let looking: Promise<void> | null = null;
  const look = () => {
    looking ??= giveBackHeld(db)
      .catch((error: unknown) => report('giving-back', error))
      .finally(() => (looking = null));
  };
  const timer = setInterval(look, every);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await looking;
  };
}
