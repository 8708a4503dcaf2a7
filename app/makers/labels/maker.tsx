import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';

export const LABELS: AppMaker<'labels'> = {
  kind: 'labels',
  begin: BEGINNING,
  tab: 'labels',
  Panel: later(() => import('./labels-panel').then(({ LabelsPanel }) => LabelsPanel)),
  tile: {
    name: 'labelled diagram',
    says: 'blanks, bank, key',
    drawing: (
      <g {...stroke}>
        <path d="M40 46C27 40 30 16 41 9C54 15 55 38 40 46ZM40 46V18M40 34L49 25M40 34L32 27" fill="var(--moss-soft)" />
        <path d="M46 20L58 10M34 30L21 34M48 33L58 40" stroke="var(--faint)" strokeWidth="1.2" />
        <rect x="58" y="4" width="18" height="10" rx="2.5" fill="var(--white)" />
        <rect x="58" y="36" width="18" height="10" rx="2.5" fill="var(--white)" strokeDasharray="3 2" />
        <rect x="4" y="29" width="17" height="10" rx="2.5" fill="var(--white)" />
      </g>
    ),
  },
};
