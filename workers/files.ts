import { expose } from 'comlink';
import type { ReadCalendar } from '../core/makers/calendar/files';
import { readCalendar } from '../core/makers/calendar/files';
import type { Happening } from '../core/schema/recipes/calendar';
import { dayNumber } from '../core/values/days';

/** Reads files that can take a while, beside the page. Times are those of the reader's own clock. */

const two = (value: number) => `${value}`.padStart(2, '0');
const here = (moment: number) => {
  const date = new Date(moment);
  return {
    day: dayNumber(`${`${date.getFullYear()}`.padStart(4, '0')}-${two(date.getMonth() + 1)}-${two(date.getDate())}`),
    time: `${two(date.getHours())}:${two(date.getMinutes())}`,
  };
};

export const FILES = {
  /** The events of a calendar file between two days, counted as `core/values/days` counts. */
  calendar: (text: string, from: number, until: number, kind: Happening['kind']): ReadCalendar =>
    readCalendar(text, { from, until, kind, local: here }),
};
export type FilesWorker = typeof FILES;
expose(FILES);
