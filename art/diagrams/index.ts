import type { Tagged } from '../drawn';
import { heron } from './heron';
import { shoreCrab } from './crab';
import { glasswort } from './glasswort';

/** Adding a diagram is adding a file and a row. */
export const DIAGRAMS: readonly Tagged[] = [heron, shoreCrab, glasswort];
