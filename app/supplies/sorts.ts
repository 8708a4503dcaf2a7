import type { Point } from '../../core/geometry/matrix';
import { replaceWith } from '../commands/replace';
import type { Editor } from '../document/editor';
import { LABEL } from './labels';
import { LINE } from './lines';
import { MAKER, PRACTICE_SHEET } from './made';
import { OUTLINE, PICTURE } from './pictures';
import { SHAPE } from './shapes';
import type { Sort } from './sort';
import { isOpenTo } from './sort';
import { TEXT } from './words';

/** All sorts of supplies. Where several share a name, the earlier sort is listed first. */
const SORTS: readonly Sort[] = [TEXT, SHAPE, LINE, LABEL, MAKER, PRACTICE_SHEET, PICTURE, OUTLINE];

/** Adds what was dragged from the drawer; a picture takes the place of one that it is dropped `onto`. */
export function dropSupply(editor: Editor, data: string, at: Point, onto: string | null = null): void {
  const [, supply] = /^supply:(\S+ \S+)$/.exec(data) ?? [];
  const found = supply ? findSupply(editor, supply) : undefined;
  if ((found?.sort === PICTURE.sort || found?.sort === OUTLINE.sort) && onto !== null)
    void replaceWith(editor, [onto], found.id);
  else found?.put(at);
}

/** A supply by its sort and id, as “SORT ID”. Undefined where there is none, or it is not open to this person. */
export function findSupply(editor: Editor, supply: string) {
  const [name, id] = supply.split(' ');
  const sort = SORTS.find((one) => one.sort === name && isOpenTo(editor, one.supply));
  const found = sort?.named(editor).find((one) => one.id === id);
  return sort && found && { sort: name, id, name: found.name, put: (at?: Point) => sort.put(editor, id, at) };
}

export type NamedSupply = { name: string; tags: readonly string[]; group: string; put: () => void };

/** All that this person can put on the sheet, by its name. */
export const namedSupplies = (editor: Editor): NamedSupply[] =>
  SORTS.filter(({ supply, twin }) => !twin && isOpenTo(editor, supply)).flatMap((sort) =>
    sort.named(editor).map(({ id, name, tags }) => ({
      name,
      tags,
      group: sort.called,
      put: () => sort.put(editor, id),
    })),
  );
