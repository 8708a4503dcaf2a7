import { beginChart, emptyChart } from '../../../core/makers/chart/begin';
import { newId } from '../../commands/steps';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'chart'> = {
  kind: 'chart',
  recipe: (palette) => beginChart(palette, 'bar', newId().slice(0, 12)),
  empty: (palette) => emptyChart(palette, newId().slice(0, 12)),
  width: 0.6,
  height: 0.6,
};
