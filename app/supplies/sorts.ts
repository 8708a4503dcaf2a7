import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { LABEL } from './labels';
import { LINE } from './lines';
import { MAKER, PRACTICE_SHEET } from './made';
import { PICTURE } from './pictures';
import { SHAPE } from './shapes';
import type { Sort } from './sort';
import { isOpenTo } from './sort';
import { TEXT } from './words';

/** All sorts of supplies. Where several share a name, the earlier sort is listed first. */
const SORTS: readonly Sort[] = [TEXT, SHAPE, LINE, LABEL, MAKER, PRACTICE_SHEET, PICTURE];

/** Adds what was dragged from the drawer. */
export function dropSupply(editor: Editor, data: string, at: Point): void {
  const [, sort, id] = /^supply:(\S+) (\S+)$/.exec(data) ?? [];
  SORTS.find((one) => one.sort === sort)?.put(editor, id, at);
}

export type NamedSupply = { name: string; tags: readonly string[]; group: string; put: () => void };

/** All that this person can put on the sheet, by its name. */
export const namedSupplies = (editor: Editor): NamedSupply[] =>
  SORTS.filter(({ supply }) => isOpenTo(editor, supply)).flatMap((sort) =>
    sort.named(editor).map(({ id, name, tags }) => ({
      name,
      tags,
      group: sort.called,
      put: () => sort.put(editor, id),
    })),
  );
