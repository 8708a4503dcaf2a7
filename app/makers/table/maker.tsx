import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';
import { TABLE_ON_SHEET } from './on-sheet';

export const TABLE: AppMaker<'table'> = {
  kind: 'table',
  begin: BEGINNING,
  tab: 'table',
  Panel: later(() => import('./table-panel').then(({ TablePanel }) => TablePanel)),
  tile: {
    name: 'table',
    says: 'written in place',
    drawing: (
      <g {...stroke}>
        <rect x="10" y="7" width="60" height="40" rx="2" fill="var(--white)" />
        <path d="M10 17H70V9a2 2 0 0 0-2-2H12a2 2 0 0 0-2 2Z" fill="var(--moss-soft)" />
        <path d="M10 27H70M10 37H50M30 7V47M50 7V47" strokeWidth="1.2" />
        <rect x="50.6" y="27.6" width="19" height="19" fill="var(--apricot-soft)" stroke="var(--apricot)" />
      </g>
    ),
  },
  onSheet: TABLE_ON_SHEET,
};
