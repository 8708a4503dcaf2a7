import { beginTable } from '../../../core/makers/table/begin';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'table'> = {
  kind: 'table',
  recipe: (palette) => beginTable(palette),
  width: 0.7,
  height: 0.3,
};
