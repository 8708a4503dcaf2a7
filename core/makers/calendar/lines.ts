import { cutTo } from '../../text/characters';
import { dayNumber, isDay, MONTHS } from './days';
import type { Happening } from './recipe';

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

function whole(from: string, until: string | null, words: string): Found | null {
  if (!isDay(from) || (until !== null && !isDay(until))) return null;
  const several = until !== null && dayNumber(until) > dayNumber(from);
  return { from, until: several ? until : null, words: cutTo(words.trim(), 200) };
}
