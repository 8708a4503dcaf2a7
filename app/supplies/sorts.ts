import type { Point } from '../../core/geometry/matrix';
import type { Bench } from '../document/bench';
import { LABEL } from './labels';
import { LINE } from './lines';
import { MAKER, PRACTICE_SHEET } from './made';
import { PICTURE } from './pictures';
import { SHAPE } from './shapes';
import type { Sort } from './sort';
import { isOpenTo } from './sort';
import { TEXT } from './words';

/** All sorts of supplies, in the order in which what they have in common a name with is listed. */
const SORTS: readonly Sort[] = [TEXT, SHAPE, LINE, LABEL, MAKER, PRACTICE_SHEET, PICTURE];

/** Puts down what was dragged from the drawer. */
export function dropSupply(bench: Bench, data: string, at: Point): void {
  const [, sort, id] = /^supply:(\S+) (\S+)$/.exec(data) ?? [];
  SORTS.find((one) => one.sort === sort)?.put(bench, id, at);
}

export type NamedSupply = { name: string; tags: readonly string[]; group: string; put: () => void };

/** All that this person can put on the sheet, by its name. */
export const namedSupplies = (bench: Bench): NamedSupply[] =>
  SORTS.filter(({ supply }) => isOpenTo(bench, supply)).flatMap((sort) =>
    sort.named(bench).map(({ id, name, tags }) => ({
      name,
      tags,
      group: sort.sort,
      put: () => sort.put(bench, id),
    })),
  );
