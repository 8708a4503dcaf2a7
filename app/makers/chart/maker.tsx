import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';

export const CHART: AppMaker<'chart'> = {
  kind: 'chart',
  begin: BEGINNING,
  tab: 'chart',
  Panel: later(() => import('./chart-panel').then(({ ChartPanel }) => ChartPanel)),
  tile: {
    name: 'chart',
    says: '13 kinds, from data',
    drawing: (
      <g {...stroke}>
        <path d="M12 5V48H70" stroke="#6b6450" />
        <rect x="18" y="26" width="10" height="22" fill="#dfe8d0" />
        <rect x="33" y="14" width="10" height="34" fill="#fbe6d6" stroke="#b2501c" />
        <rect x="48" y="33" width="10" height="15" fill="#cfdfec" stroke="#2c5d86" />
        <path d="M16 20L38 8L60 16" stroke="#6b6450" strokeWidth="1.1" strokeDasharray="2 2" />
      </g>
    ),
  },
};
