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
        <path d="M12 5V48H70" stroke="var(--faint)" />
        <rect x="18" y="26" width="10" height="22" fill="var(--moss-soft)" />
        <rect x="33" y="14" width="10" height="34" fill="var(--apricot-soft)" stroke="var(--apricot)" />
        <rect x="48" y="33" width="10" height="15" fill="var(--sky-soft)" stroke="var(--sky)" />
        <path d="M16 20L38 8L60 16" stroke="var(--faint)" strokeWidth="1.1" strokeDasharray="2 2" />
      </g>
    ),
  },
};
