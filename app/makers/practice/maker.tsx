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
        <rect x="18" y="3" width="44" height="48" rx="3" fill="#fff" />
        <path d="M24 10H40" />
        <circle cx="28" cy="21" r="3.6" fill="#dfe8d0" />
        <circle cx="28" cy="32" r="3.6" fill="#fbe6d6" stroke="#b2501c" />
        <circle cx="28" cy="43" r="3.6" fill="#cfdfec" stroke="#2c5d86" />
        <path d="M34 21L46 43M34 32L46 21M34 43L46 32" stroke="#6b6450" strokeWidth="1.1" />
        <path d="M49 21H57M49 32H57M49 43H57" />
      </g>
    ),
  },
};
