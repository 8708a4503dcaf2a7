import { cutTo } from '../../values/characters';
import { dayNumber, isDay, MONTHS } from '../../values/days';
import type { Happening } from '../../schema/recipes/calendar';

/** Days with names, as they are typed: `2024-02-29 Leap day`, `29 Feb Leap day`, `8–13 February herbarium week`. */

const two = (value: number) => `${value}`.padStart(2, '0');
const monthOf = (name: string): number => {
  const start = name.toLowerCase();
  return start.length < 3 ? 0 : MONTHS.findIndex((month) => month.toLowerCase().startsWith(start)) + 1;
};

export type ReadLines = { happenings: Omit<Happening, 'id'>[]; problems: string[] };

/** Reads a day in each line; where none is said it is one of the given year. */
export function readLines(text: string, year: number, kind: Happening['kind']): ReadLines {
  const out: ReadLines = { happenings: [], problems: [] };
  for (const line of text.split(/\r?\n/)) {
    const typed = line.trim();
    if (!typed) continue;
    const found = readLine(typed, year);
    if (found && 'none' in found) out.problems.push(`“${cutTo(typed, 50)}”: there is no such day in ${found.none}.`);
    else if (found) out.happenings.push({ kind, time: '', to: '', colour: null, ...found });
    else out.problems.push(`“${cutTo(typed, 50)}” has no day. Write it as “29 Feb Leap day” or “2024-02-29 Leap day”.`);
  }
  return out;
}

type Found = Pick<Happening, 'from' | 'until' | 'words'>;

/** `none`: the year in which there is no such day. */
function readLine(line: string, year: number): Found | { none: number } | null {
  const iso = /^(\d{4}-\d{2}-\d{2})(?:\s*(?:–|-|to)\s*(\d{4}-\d{2}-\d{2}))?[\s:,;]+(\S.*)$/.exec(line);
  if (iso) return whole(iso[1], iso[2] ?? null, iso[3]) ?? { none: Number(iso[1].slice(0, 4)) };
  const over =
    /^(\d{1,2})\.?\s+([A-Za-z]{3,9})\.?(?:\s+(\d{4}))?\s*(?:–|—|-|to|until)\s*(\d{1,2})\.?\s+([A-Za-z]{3,9})\.?(?:\s+(\d{4}))?[\s:,;]+(\S.*)$/.exec(
      line,
    );
  if (over) return acrossMonths(over, year);
  const words =
    /^(\d{1,2})\.?(?:\s*(?:–|-|to)\s*(\d{1,2})\.?)?\s+([A-Za-z]{3,9})\.?(?:\s+(\d{4}))?[\s:,;]+(\S.*)$/.exec(line);
  if (!words) return null;
  const [, first, last, name, said, rest] = words;
  const month = monthOf(name);
  const inYear = Number(said ?? year);
  if (month === 0) return null;
  const written = (day: string) => `${`${inYear}`.padStart(4, '0')}-${two(month)}-${two(Number(day))}`;
  return whole(written(first), last ? written(last) : null, rest) ?? { none: inYear };
}

/** `29 September - 3 October autumn break`; into the next year where the second month comes before the first. */
function acrossMonths([, day, name, said, lastDay, lastName, lastSaid, rest]: RegExpExecArray, year: number) {
  const [month, lastMonth] = [monthOf(name), monthOf(lastName)];
  if (month === 0 || lastMonth === 0) return null;
  const first = Number(said ?? (lastSaid && lastMonth >= month ? lastSaid : lastSaid ? Number(lastSaid) - 1 : year));
  const last = Number(lastSaid ?? (lastMonth < month ? first + 1 : first));
  const written = (inYear: number, ofMonth: number, at: string) =>
    `${`${inYear}`.padStart(4, '0')}-${two(ofMonth)}-${two(Number(at))}`;
  return whole(written(first, month, day), written(last, lastMonth, lastDay), rest) ?? { none: first };
}

function whole(from: string, until: string | null, words: string): Found | null {
  if (!isDay(from) || (until !== null && !isDay(until))) return null;
  const several = until !== null && dayNumber(until) > dayNumber(from);
  return { from, until: several ? until : null, words: cutTo(words.trim(), 200) };
}
