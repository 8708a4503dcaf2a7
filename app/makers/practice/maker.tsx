import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';

export const PRACTICE: AppMaker<'practice'> = {
  kind: 'practice',
  begin: BEGINNING,
  tab: 'practice',
  Panel: later(() => import('./practice-panel').then(({ PracticePanel }) => PracticePanel)),
  tile: {
    name: 'practice sheet',
    says: '19 kinds, with keys',
    drawing: (
      <g {...stroke}>
        <rect x="18" y="3" width="44" height="48" rx="3" fill="var(--white)" />
        <path d="M24 10H40" />
        <circle cx="28" cy="21" r="3.6" fill="var(--moss-soft)" />
        <circle cx="28" cy="32" r="3.6" fill="var(--apricot-soft)" stroke="var(--apricot)" />
        <circle cx="28" cy="43" r="3.6" fill="var(--sky-soft)" stroke="var(--sky)" />
        <path d="M34 21L46 43M34 32L46 21M34 43L46 32" stroke="var(--faint)" strokeWidth="1.1" />
        <path d="M49 21H57M49 32H57M49 43H57" />
      </g>
    ),
  },
};
