import { beginMap } from '../../../core/makers/map/begin';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'map'> = { kind: 'map', recipe: beginMap, width: 0.8, height: 0.7 };
