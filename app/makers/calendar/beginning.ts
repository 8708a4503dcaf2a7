import dayjs from 'dayjs';
import { beginCalendar } from '../../../core/makers/calendar/begin';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'calendar'> = {
  kind: 'calendar',
  recipe: (palette) => beginCalendar(palette, dayjs().format('YYYY-MM-01')),
  width: 1,
  height: 1,
};
