/** Days of the Gregorian calendar, carried on backwards and forwards, as numbers: 0 is 1 January 1970. */

/** The number of a day (H. Hinnant, chrono-compatible low-level date algorithms, 2013). Month and day begin at 1. */
export function numberOf(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const ofEra = y - era * 400;
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468;
}

export function dateOf(number: number): { year: number; month: number; day: number } {
  const z = number + 719_468;
  const era = Math.floor(z / 146_097);
  const ofEra = z - era * 146_097;
  const yearOfEra = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  );
  const ofYear = ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const mp = Math.floor((5 * ofYear + 2) / 153);
  const month = mp + (mp < 10 ? 3 : -9);
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: ofYear - Math.floor((153 * mp + 2) / 5) + 1,
  };
}

/** 0 for Sunday to 6 for Saturday. */
export const weekdayOf = (number: number): number => (((number + 4) % 7) + 7) % 7;

export const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
export const daysIn = (year: number, month: number): number =>
  month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;

const two = (value: number) => `${value}`.padStart(2, '0');
export function writtenDay(number: number): string {
  const { year, month, day } = dateOf(number);
  return `${`${year}`.padStart(4, '0')}-${two(month)}-${two(day)}`;
}

/** The number of a day written as `2024-02-29`. */
export function dayNumber(written: string): number {
  const [year, month, day] = written.split('-').map(Number);
  return numberOf(year, month, day);
}

/** Whether a text is a day that there is. */
export function isDay(written: string): boolean {
  const found = /^(\d{4})-(\d{2})-(\d{2})$/.exec(written);
  if (!found) return false;
  const [year, month, day] = found.slice(1).map(Number);
  return year >= 1 && month >= 1 && month <= 12 && day >= 1 && day <= daysIn(year, month);
}

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
export const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

/** The weeks of a month, each of seven days, from a weekday on; those before and after the month come along. */
export function weeksOf(year: number, month: number, first: number): number[][] {
  const start = numberOf(year, month, 1);
  const from = start - ((weekdayOf(start) - first + 7) % 7);
  const last = start + daysIn(year, month) - 1;
  const weeks: number[][] = [];
  for (let day = from; day <= last; day += 7) weeks.push(Array.from({ length: 7 }, (_, i) => day + i));
  return weeks;
}

/** The days that a calendar shows, both ends included: the weeks of a day's month, or the week from it on. */
export function shownDays(shows: { span: 'month' | 'week'; day: string; first: number }): {
  from: number;
  until: number;
} {
  const from = dayNumber(shows.day);
  if (shows.span === 'week') return { from, until: from + 6 };
  const { year, month } = dateOf(from);
  const weeks = weeksOf(year, month, shows.first);
  return { from: weeks[0][0], until: weeks[weeks.length - 1][6] };
}
