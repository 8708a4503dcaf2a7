import type { Point } from '../../core/geometry/matrix';
import type { Supply } from '../../core/handout/supplies';
import { MADE_SUPPLIES } from '../../core/handout/supplies';
import type { Editor } from '../document/editor';

/** One sort of supplies: one object each, listed in sorts.ts. A tile's drag data is “supply:SORT ID”. */
export type Sort = {
  sort: string;
  /** What one of them is called. */
  called: string;
  /** Who may use it: everybody to whom this supply, or any that makers make, is open, or teachers only. */
  supply: Supply | 'made' | 'teacher';
  /** They are the same things as another sort's, and asked for by name there. */
  twin?: true;
  /** Those that can be asked for by name. */
  named(editor: Editor): { id: string; name: string; tags: readonly string[] }[];
  /** Puts one on the sheet: at a point (in points of the page), else where there is room. */
  put(editor: Editor, id: string, at?: Point): void;
};

/** Whether a person may use a supply. */
export const isOpenTo = ({ rights }: Editor, supply: Sort['supply']): boolean =>
  rights.kind === 'all' ||
  (supply === 'made'
    ? MADE_SUPPLIES.some((made) => rights.supplies.includes(made))
    : supply !== 'teacher' && rights.supplies.includes(supply));
