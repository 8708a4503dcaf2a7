import { later } from '../../browser/later';
import type { AppMaker } from '../kit/maker';
import { stroke } from '../kit/maker';
import { BEGINNING } from './beginning';

export const CALENDAR: AppMaker<'calendar'> = {
  kind: 'calendar',
  begin: BEGINNING,
  tab: 'calendar',
  Panel: later(() => import('./calendar-panel').then(({ CalendarPanel }) => CalendarPanel)),
  tile: {
    name: 'calendar',
    says: 'a month, or a week',
    drawing: (
      <g {...stroke}>
        <rect x="12" y="8" width="56" height="40" rx="3" fill="var(--white)" />
        <path d="M12 18H68" />
        <path d="M20 4V11M60 4V11" stroke="var(--apricot)" />
        <path d="M23 18V48M34 18V48M45 18V48M57 18V48M12 28H68M12 38H68" strokeWidth="0.8" stroke="var(--moss-line)" />
        <rect x="24" y="30.5" width="31" height="5" rx="2" fill="var(--sky)" stroke="none" />
        <circle cx="62.5" cy="23" r="3" fill="var(--straw-edge)" stroke="none" />
      </g>
    ),
  },
};
