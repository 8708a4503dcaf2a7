import { beginCloud } from '../../../core/makers/cloud/begin';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'cloud'> = {
  kind: 'cloud',
  recipe: (palette) => beginCloud(palette),
  empty: (palette) => beginCloud(palette, []),
  width: 0.8,
  height: 0.72,
};
