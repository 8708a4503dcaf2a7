import type { Tagged } from '../diagrams/drawn';
import { LABORATORY } from './laboratory';
import { MARSH } from './marsh';
import { PAST } from './past';
import { SCHOOL } from './school';
import { WEATHER } from './weather';
import { WORKSHOP } from './workshop';

/** Our own small pictures, of what the sets lack. To add one, draw it in the file of its group. */
export const DRAWINGS: readonly Tagged[] = [SCHOOL, LABORATORY, WORKSHOP, PAST, WEATHER, MARSH].flat();
