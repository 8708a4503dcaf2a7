import type { Point } from '../../core/geometry/matrix';
import type { Supply } from '../../core/handout/permission';
import type { Bench } from '../document/bench';

/** What one sort of supplies is: one object for each, listed in sorts.ts. Tiles say what they are as “sort name”. */
export type Sort = {
  sort: string;
  /** Who may use it: everybody to whom this supply is open, or teachers only. */
  supply: Supply | 'teacher';
  /** Those that can be asked for by name. */
  named(bench: Bench): { id: string; name: string; tags: readonly string[] }[];
  /** Puts one on the sheet: at a point (in points of the page), else where there is room. */
  put(bench: Bench, id: string, at?: Point): void;
};

/** Whether a person may use a supply. */
export const isOpenTo = ({ rights }: Bench, supply: Sort['supply']): boolean =>
  rights.kind === 'all' || (supply !== 'teacher' && rights.supplies.includes(supply));
