import type { Bench } from '../../document/bench';
import type { OnSheet } from '../../document/on-sheet';
import { LongTables } from './long-tables';
import { pasteCells, pasteTable, tableTab } from './table-commands';

export const TABLE_ON_SHEET: OnSheet<Bench> = {
  kind: 'table',
  // Lower on its page it has room for fewer rows.
  frame: ['y', 'width', 'height'],
  together: (bench, finished) => new LongTables(bench, finished),
  tab: tableTab,
  pasteInto: pasteCells,
  paste: pasteTable,
};
