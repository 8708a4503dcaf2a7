import type { Editor } from '../../document/editor';
import type { OnSheet } from '../../document/on-sheet';
import { LongTables } from './long-tables';
import { pasteCells, pasteTable, tableTab } from './table-commands';

export const TABLE_ON_SHEET: OnSheet<Editor> = {
  kind: 'table',
  // Moved down, it has room for fewer rows.
  frame: ['y', 'width', 'height'],
  together: (editor, finished) => new LongTables(editor, finished),
  tab: tableTab,
  pasteInto: pasteCells,
  paste: pasteTable,
};
