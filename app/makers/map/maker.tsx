import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';
import { MAP_ON_SHEET } from './on-sheet';

export const MAP: AppMaker<'map'> = {
  kind: 'map',
  begin: BEGINNING,
  tab: 'outline',
  Panel: later(() => import('./map-panel').then(({ MapPanel }) => MapPanel)),
  tile: {
    name: 'concept map',
    says: 'an outline, drawn',
    drawing: (
      <g {...stroke}>
        <path d="M30 27C42 27 40 10 52 10M30 27H52M30 27C42 27 40 44 52 44" stroke="var(--faint)" />
        <rect x="5" y="20" width="26" height="14" rx="7" fill="var(--moss-deep)" stroke="none" />
        <rect x="52" y="4" width="22" height="12" rx="3" fill="var(--moss-soft)" />
        <rect x="52" y="21" width="22" height="12" rx="3" fill="var(--white)" />
        <rect x="52" y="38" width="22" height="12" rx="3" fill="var(--moss-soft)" />
      </g>
    ),
  },
  onSheet: MAP_ON_SHEET,
};
