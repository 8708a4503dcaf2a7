import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';

import { BEGINNING } from './beginning';

export const CLOUD: AppMaker<'cloud'> = {
  kind: 'cloud',
  begin: BEGINNING,
  tab: 'cloud',
  Panel: later(() => import('./cloud-panel').then(({ CloudPanel }) => CloudPanel)),
  tile: {
    name: 'word cloud',
    says: 'inside a shape',
    drawing: (
      <g stroke="none" fontFamily="inherit">
        <path d="M22 44C8 44 6 28 19 25C18 9 42 4 47 17C62 11 75 26 64 36C61 43 52 44 48 44Z" fill="var(--margin)" />
        <rect x="24" y="25" width="30" height="8" rx="3" fill="var(--moss-deep)" />
        <rect x="30" y="14" width="15" height="6" rx="2.5" fill="var(--terracotta)" />
        <rect x="15" y="34.5" width="20" height="5.5" rx="2.5" fill="var(--sky)" />
        <rect x="38" y="35.5" width="22" height="4.5" rx="2" fill="var(--fern)" />
        <rect x="56" y="20" width="5" height="13" rx="2.2" fill="var(--ochre)" />
        <rect x="48" y="18.5" width="5.5" height="4.5" rx="2" fill="var(--moss-deep)" />
        <rect x="16" y="28" width="5.5" height="4.5" rx="2" fill="var(--ochre)" />
      </g>
    ),
  },
};
