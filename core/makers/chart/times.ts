/** Times as cells hold them, as places on a line of years, and the ticks of an axis of years, months or days. */

/** Which of 4/5/2024 comes first. */
export type DateOrder = 'day' | 'month';

const MONTHS = 'january february march april may june july august september october november december'.split(' ');
const NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
const lengthOf = (year: number, month: number) =>
  month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;
const daysIn = (year: number) => (isLeap(year) ? 366 : 365);
/** Dates without a year are put into one that has every day. */
const ANY_YEAR = 2000;

export type Time = {
  /** In years: a whole number is the first of January. */
  at: number;
  /** How exactly it was said, and whether with its year. */
  to: 'year' | 'month' | 'day';
  yearless: boolean;
};

function dated(year: number | null, month: number, day: number | null): Time | null {
  const within = year ?? ANY_YEAR;
  if (month < 1 || month > 12 || (day !== null && (day < 1 || day > lengthOf(within, month)))) return null;
  let days = (day ?? 1) - 1;
  for (let m = 1; m < month; m++) days += lengthOf(within, m);
  return { at: within + days / daysIn(within), to: day === null ? 'month' : 'day', yearless: year === null };
}

const NUMBERED = /^(\d{1,2})([./])(\d{1,2})(?:\2(\d{4})?)?$/;

/**
 * `1897`, `-44`, `44 BC`, `12 May 1901`, `May 12, 1901`, `May 1901`, `12 May`, `1901-05-12`, `12.5.1901`, `5/12/1901`, `5/12`;
 * null for anything else, such as the ninth day of a fifteenth month.
 */
export function timeOf(cell: string, order: DateOrder = 'day'): Time | null {
  const text = cell.trim().toLowerCase();
  const year = /^(?:(?:ad|ce)\s*)?([-−]?\d{1,4})\s*(bce?|ad|ce)?$/.exec(text);
  if (year) {
    const value = Number(year[1].replace('−', '-'));
    return { at: year[2]?.startsWith('b') ? -Math.abs(value) : value, to: 'year', yearless: false };
  }
  const iso = /^(\d{4})-(\d{1,2})(?:-(\d{1,2}))?$/.exec(text);
  if (iso) return dated(Number(iso[1]), Number(iso[2]), iso[3] ? Number(iso[3]) : null);
  const numbered = NUMBERED.exec(text);
  if (numbered) {
    const [first, second] = [Number(numbered[1]), Number(numbered[3])];
    const [day, month] = order === 'day' ? [first, second] : [second, first];
    return dated(numbered[4] ? Number(numbered[4]) : null, month, day);
  }
  const words =
    /^(?:(\d{1,2})(?:st|nd|rd|th)?\.?\s+)?([a-z]{3,9})\.?(?:\s+(\d{1,2})(?:st|nd|rd|th)?,?)?(?:\s+(\d{1,4}))?$/.exec(
      text,
    );
  if (!words) return null;
  const month =
    MONTHS.findIndex((name) => name === words[2] || name.slice(0, 3) === words[2]) + 1 || (words[2] === 'sept' ? 9 : 0);
  // A month by itself is a name.
  if (!(words[1] ?? words[3] ?? words[4])) return null;
  const day = words[1] ?? words[3];
  return dated(words[4] ? Number(words[4]) : null, month, day ? Number(day) : null);
}

/**
 * The order that a column of numbered dates is in: told by the ones that can only be read one way; null where none is like
 * that, so that a person has to say.
 */
export function orderOf(cells: readonly string[]): DateOrder | null {
  const pairs = cells.flatMap((cell) => {
    const found = NUMBERED.exec(cell.trim());
    return found ? [[Number(found[1]), Number(found[3])]] : [];
  });
  const [day, month] = [pairs.some(([first]) => first > 12), pairs.some(([, second]) => second > 12)];
  return day === month ? null : day ? 'day' : 'month';
}

export const isNumbered = (cells: readonly string[]): boolean => cells.some((cell) => NUMBERED.test(cell.trim()));

export type Tick = { at: number; said: string };

/** A year as it is written. */
export const yearSaid = (year: number): string => (year < 0 ? `${-year} BC` : `${year}`);

/** Steps that people count in: years, then months, then days. */
const YEARS = [1, 2, 5, 10, 20, 25, 50, 100, 200, 250, 500, 1000, 2000];
const STEPS_OF_MONTHS = [36, 12, 6, 3, 2, 1];
const STEPS_OF_DAYS = [14, 7, 2, 1];

/**
 * Ticks of an axis of time between two places, at most so many, each with words that can stand under it; the first and the
 * last enclose everything. `yearless`: years are not said.
 */
export function timeTicks(low: number, high: number, most: number, yearless: boolean): Tick[] {
  const span = Math.max(high - low, 1 / 366);
  const many = Math.max(2, most);
  if (!yearless && span >= 3) {
    const step = YEARS.find((one) => span / one <= many - 1) ?? 5000;
    const [from, to] = [Math.floor(low / step) * step, Math.ceil(high / step) * step];
    const out: Tick[] = [];
    for (let year = from; year <= to + 1e-9; year += step) out.push({ at: year, said: yearSaid(year) });
    return out.length > 1 ? out : [...out, { at: to + step, said: yearSaid(to + step) }];
  }
  const months = [...STEPS_OF_MONTHS].reverse().find((step) => (span * 12) / step + 1 <= many + 1e-9);
  const days = [...STEPS_OF_DAYS].reverse().find((one) => (span * 366) / one + 1 <= many + 1e-9);
  // Days tell more where there is room for them.
  if (months !== undefined && (span * 12 >= months * 1.5 || days === undefined)) {
    const out: Tick[] = [];
    let year = Math.floor(low + 1e-9);
    let month = Math.floor((monthAt(low) - 1) / months) * months + 1;
    for (let i = 0; i < 60; i++) {
      const tick = dated(year, month, 1)!;
      out.push({ at: tick.at, said: monthSaid(year, month, yearless, out.length === 0) });
      if (tick.at >= high - 1e-9) break;
      month += months;
      while (month > 12) [year, month] = [year + 1, month - 12];
    }
    return out;
  }
  const step = days ?? 28;
  let [year, day] = dayAt(low);
  const out: Tick[] = [];
  for (let i = 0; i < 60; i++) {
    const at = year + day / daysIn(year);
    out.push({ at, said: daySaid(year, day) });
    if (at >= high - 1e-9 && out.length > 1) break;
    day += step;
    if (day >= daysIn(year)) [year, day] = [year + 1, day - daysIn(year)];
  }
  return out;
}

/** The year, and which of its days, from 0. */
function dayAt(at: number): [year: number, day: number] {
  const year = Math.floor(at + 1e-9);
  return [year, Math.max(0, Math.round((at - year) * daysIn(year)))];
}
function monthDay(year: number, day: number): [month: number, day: number] {
  let [month, left] = [1, day];
  while (month < 12 && left >= lengthOf(year, month)) left -= lengthOf(year, month++);
  return [month, left + 1];
}
function monthAt(at: number): number {
  const [year, day] = dayAt(at);
  return monthDay(year, day)[0];
}

const monthSaid = (year: number, month: number, yearless: boolean, first: boolean): string =>
  yearless || !(first || month === 1) ? NAMES[month - 1] : `${NAMES[month - 1]} ${yearSaid(year)}`;
function daySaid(year: number, at: number): string {
  const [month, day] = monthDay(year, at);
  return `${day} ${NAMES[month - 1]}`;
}
