import type { ReadCalendar } from '../core/makers/calendar/files';
import { readCalendar } from '../core/makers/calendar/files';
import type { Happening } from '../core/schema/recipes/calendar';
import { dayNumber } from '../core/values/days';

/** Reads files that can take a while, beside the page. Times are those of the reader's own clock. */

export type FilesTask = {
  id: number;
  kind: 'calendar';
  text: string;
  from: number;
  until: number;
  as: Happening['kind'];
};
export type FilesAnswer =
  { id: number; kind: 'calendar'; found: ReadCalendar } | { id: number; kind: 'failed'; reason: string };

const two = (value: number) => `${value}`.padStart(2, '0');
const here = (moment: number) => {
  const date = new Date(moment);
  return {
    day: dayNumber(`${`${date.getFullYear()}`.padStart(4, '0')}-${two(date.getMonth() + 1)}-${two(date.getDate())}`),
    time: `${two(date.getHours())}:${two(date.getMinutes())}`,
  };
};

self.onmessage = ({ data }: MessageEvent<FilesTask>) => {
  const { id, text, from, until, as } = data;
  try {
    const found = readCalendar(text, { from, until, kind: as, local: here });
    self.postMessage({ id, kind: 'calendar', found } satisfies FilesAnswer);
  } catch (error) {
    self.postMessage({ id, kind: 'failed', reason: String(error) } satisfies FilesAnswer);
  }
};
