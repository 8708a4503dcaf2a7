import { beginPractice, PRACTICES } from '../../core/makers/practice/begin';
import type { MakerKind } from '../../core/schema/recipes/recipes';
import type { PracticeType } from '../../core/schema/recipes/practice';
import { makerOf, MAKERS } from '../makers/all';
import { addMade } from '../makers/kit/begin';
import { BEGINNING as PRACTICE } from '../makers/practice/beginning';
import type { Sort } from './sort';

/** What makers make. */
export const MAKER: Sort = {
  sort: 'made',
  called: 'maker',
  supply: 'made',
  named: ({ rights }) =>
    MAKERS.filter(({ kind }) => rights.kind === 'all' || (rights.supplies as readonly string[]).includes(kind)).map(
      ({ kind, tile }) => ({ id: kind, name: tile.name, tags: [tile.says] }),
    ),
  put: (editor, kind, at) => void addMade(editor, makerOf(kind as MakerKind).begin, at),
};

export const PRACTICE_SHEET: Sort = {
  sort: 'practice',
  called: 'practice sheet',
  supply: 'teacher',
  named: () =>
    Object.entries(PRACTICES).map(([type, { name }]) => ({ id: type, name, tags: ['practice', 'exercise'] })),
  put: (editor, type, at) =>
    void addMade(editor, PRACTICE, at, beginPractice(type as PracticeType, editor.sheet.palette)),
};
