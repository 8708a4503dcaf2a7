import type { Tagged } from './drawn';
import { shoreCrab } from './crab';
import { eye } from './eye';
import { flower, leaf, plantCell } from './flower';
import { glasswort } from './glasswort';
import { heron } from './heron';
import { river, soil, waterCycle } from './land';
import { bicycle, lock, windmill } from './machines';

/** To add a diagram, draw it in one of these files and add a row here. */
export const DIAGRAMS: readonly Tagged[] = [
  heron,
  shoreCrab,
  glasswort,
  flower,
  leaf,
  plantCell,
  eye,
  waterCycle,
  soil,
  river,
  lock,
  windmill,
  bicycle,
];
