import type { Database } from '../database/connection';
import { giveBackHeld } from '../actions/review';
import { inTime } from './in-time';

/** Milliseconds between two looks for what is to go back: a look reads a few rows, and writes nothing where there is nothing. */
const LOOK_EVERY = 20_000;

/**
 * Gives back what was held back as soon as its time is there. Every process looks for itself; a piece goes back once.
 * @returns what ends it
 */
export const giveBackInTime = (db: Database, every = LOOK_EVERY): (() => Promise<void>) =>
  inTime('giving-back', () => giveBackHeld(db), every).end;
