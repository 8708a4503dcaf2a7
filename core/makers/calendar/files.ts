import { cutTo } from '../../values/characters';
import ICAL from 'ical.js';
import type { Happening } from '../../schema/recipes/calendar';
import { dateOf, dayNumber, numberOf, writtenDay } from '../../values/days';

/** Calendars as files (iCalendar, RFC 5545), in and out. Reading and recurrences are the library's. */

export type ReadCalendar = {
  happenings: Omit<Happening, 'id'>[];
  /** What could not be read, in plain sentences. */
  problems: string[];
};

/** The most occurrences taken from one file, */
const MOST_TAKEN = 500;
/** the most events read, */
const MOST_EVENTS = 10_000;
/** and the most occurrences stepped through: the oldest rules of a full calendar need some hundreds each. */
const MOST_TURNS = 60_000;
/** The most problems reported. */
const MOST_PROBLEMS = 12;

/** A moment as a day and a time in the reader's zone, UTC by default. */
export type Local = (moment: number) => { day: number; time: string };
export const greenwich: Local = (moment) => {
  const date = new Date(moment);
  return {
    day: Math.floor(moment / 86_400_000),
    time: `${`${date.getUTCHours()}`.padStart(2, '0')}:${`${date.getUTCMinutes()}`.padStart(2, '0')}`,
  };
};

const two = (value: number) => `${value}`.padStart(2, '0');
const clock = (time: ICAL.Time) => `${two(time.hour)}:${two(time.minute)}`;

/** A time in the file, in the reader's zone. Without a zone that the file describes it keeps its own clock. */
function placed(time: ICAL.Time, local: Local): { day: number; time: string } {
  if (time.isDate) return { day: numberOf(time.year, time.month, time.day), time: '' };
  if (time.zone && time.zone !== ICAL.Timezone.localTimezone) return local(time.toUnixTime() * 1000);
  return { day: numberOf(time.year, time.month, time.day), time: clock(time) };
}

type Bounds = { from: number; until: number; kind: Happening['kind']; local: Local };

function turnOf(
  event: ICAL.Event,
  start: ICAL.Time,
  end: ICAL.Time | null,
  { kind, local }: Bounds,
): Omit<Happening, 'id'> & { last: number } {
  const begun = placed(start, local);
  const ended = end ? placed(end, local) : begun;
  // An all-day event ends on the day after its last, as does an event that ends at midnight. One that ends in the night belongs to the evening before.
  const night = !start.isDate && ended.day === begun.day + 1 && ended.time < begun.time;
  const last = ended.day - ((start.isDate || ended.time === '00:00' || night) && ended.day > begun.day ? 1 : 0);
  return {
    kind,
    from: writtenDay(begun.day),
    until: last > begun.day ? writtenDay(last) : null,
    time: begun.time,
    to: last === begun.day && ended.time !== begun.time ? ended.time : '',
    words: cutTo((event.summary ?? '').replace(/\s+/g, ' ').trim(), 200) || 'untitled',
    colour: null,
    last,
  };
}

type Rule = { freq: string; interval: number; count: number | null; parts: Record<string, unknown> };

/**
 * Where to begin with an event that recurs every few days or weeks: shortly before the time asked for, a whole number
 * of intervals from its first. Any other event begins at its first.
 */
function startNear(event: ICAL.Event, from: number): ICAL.Time {
  const rules = event.component.getAllProperties('rrule').map((one) => one.getFirstValue() as unknown as Rule);
  const [rule] = rules;
  const step = rule?.freq === 'DAILY' ? 1 : rule?.freq === 'WEEKLY' ? 7 : 0;
  if (rules.length !== 1 || step === 0 || rule.count) return event.startDate;
  const every = step * Math.max(1, rule.interval);
  const start = event.startDate;
  const longest = Math.ceil(event.duration.toSeconds() / 86_400) + 1;
  const passed = from - longest - numberOf(start.year, start.month, start.day);
  const skipped = Math.floor(passed / every) - 1;
  if (skipped <= 0) return start;
  const near = start.clone();
  near.adjust(skipped * every, 0, 0, 0);
  return near;
}

const isCancelled = (event: ICAL.Component): boolean =>
  String(event.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED';

/** Where a year has no 29 February the library uses 1 March; by RFC 5545, 3.3.10, there is no occurrence. */
const isNoSuchDay = (event: ICAL.Event, turn: ICAL.Time): boolean =>
  event.startDate.month === 2 &&
  event.startDate.day === 29 &&
  turn.month === 3 &&
  turn.day === 1 &&
  event.component.getAllProperties('rrule').every((one) => {
    const rule = one.getFirstValue() as unknown as Rule;
    return rule.freq === 'YEARLY' && Object.keys(rule.parts).length === 0;
  });

const dayOf = (time: unknown): number =>
  time instanceof ICAL.Time ? numberOf(time.year, time.month, time.day) : Infinity;

/** What is left of these limits for one file. */
type Budget = { turns: number };

/** All occurrences of an event between two days. */
function turnsOf(
  event: ICAL.Event,
  moved: readonly ICAL.Component[],
  bounds: Bounds,
  budget: Budget,
): (Omit<Happening, 'id'> & { last: number })[] {
  if (!event.startDate) throw new Error('it does not say when it begins');
  if (!event.isRecurring()) return [turnOf(event, event.startDate, event.endDate, bounds)];
  const out: (Omit<Happening, 'id'> & { last: number })[] = [];
  // An earlier occurrence may have been moved into this time.
  const from = Math.min(bounds.from, ...moved.map((one) => dayOf(one.getFirstPropertyValue('recurrence-id'))));
  const turns = event.iterator(startNear(event, from));
  while (out.length <= MOST_TAKEN) {
    if (budget.turns-- <= 0) throw new Error('it recurs too often');
    const next = turns.next() as ICAL.Time | undefined;
    if (!next || placed(next, bounds.local).day > bounds.until) break;
    const { item, startDate, endDate } = event.getOccurrenceDetails(next);
    if (isCancelled(item.component) || isNoSuchDay(event, next)) continue;
    const turn = turnOf(item, startDate, endDate, bounds);
    if (turn.last >= bounds.from) out.push(turn);
  }
  return out;
}

/** The parts of a calendar file that can be read by themselves; what is broken is named and left out. */
function componentsOf(text: string, problems: string[]): { zones: ICAL.Component[]; events: ICAL.Component[] } {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/);
  const blocks: { name: string; lines: string[] }[] = [];
  let open: { name: string; lines: string[] } | null = null;
  for (const line of lines) {
    const begun = /^BEGIN:(VEVENT|VTIMEZONE)\s*$/i.exec(line);
    if (begun && !open) open = { name: begun[1].toUpperCase(), lines: [] };
    else if (begun && open?.name === 'VEVENT') {
      // An event that was never ended.
      problems.push(`${titled(open.lines)} was left out: it has no end in the file.`);
      open = { name: begun[1].toUpperCase(), lines: [] };
    }
    open?.lines.push(line);
    if (open && new RegExp(`^END:${open.name}\\s*$`, 'i').test(line)) {
      blocks.push(open);
      open = null;
    }
  }
  if (open?.name === 'VEVENT') problems.push(`${titled(open.lines)} was left out: it has no end in the file.`);
  const read = (block: { lines: string[] }) => {
    try {
      return new ICAL.Component(ICAL.parse(block.lines.join('\r\n')) as unknown[]);
    } catch {
      problems.push(`${titled(block.lines)} was left out: it is not written as a calendar file should be.`);
      return null;
    }
  };
  const of = (name: string) => {
    const all = blocks.filter((block) => block.name === name);
    if (all.length > MOST_EVENTS)
      problems.push(
        `The file holds ${all.length} events; the first ${MOST_EVENTS} were looked at. Export a shorter time.`,
      );
    return all.slice(0, MOST_EVENTS).flatMap((block) => read(block) ?? []);
  };
  return { zones: of('VTIMEZONE'), events: of('VEVENT') };
}

const titled = (lines: readonly string[]) => {
  const summary = lines
    .find((line) => /^SUMMARY/i.test(line))
    ?.replace(/^[^:]*:/, '')
    .trim();
  return summary ? `“${cutTo(summary, 60)}”` : 'An event without a title';
};

/** What happens between two days, by a calendar file. Days are numbers, both included. */
export function readCalendar(text: string, given: Partial<Bounds> & Pick<Bounds, 'from' | 'until'>): ReadCalendar {
  const bounds: Bounds = { kind: 'event', local: greenwich, ...given };
  if (!/BEGIN:VCALENDAR/i.test(text))
    return {
      happenings: [],
      problems: ['This is not a calendar file. Export one as “iCalendar” or “.ics”, and choose that.'],
    };
  const problems: string[] = [];
  const { zones, events } = componentsOf(text, problems);
  for (const zone of zones) {
    const known = new ICAL.Timezone({ component: zone, tzid: String(zone.getFirstPropertyValue('tzid') ?? '') });
    ICAL.TimezoneService.register(known);
  }
  const happenings: Omit<Happening, 'id'>[] = [];
  const [singles, exceptions] = apart(events);
  const budget = { turns: MOST_TURNS };
  for (const component of singles) {
    const title = String(component.getFirstPropertyValue('summary') ?? '').trim();
    if (isCancelled(component)) continue;
    try {
      const changed = exceptions.get(String(component.getFirstPropertyValue('uid'))) ?? [];
      const event = new ICAL.Event(component, { exceptions: changed });
      for (const { last, ...turn } of turnsOf(event, changed, bounds, budget))
        if (dayNumber(turn.from) <= bounds.until && last >= bounds.from) happenings.push(turn);
    } catch (problem) {
      problems.push(
        `${title ? `“${cutTo(title, 60)}”` : 'An event without a title'} was left out: ${reason(problem)}.`,
      );
    }
  }
  happenings.sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : a.time < b.time ? -1 : 1));
  if (happenings.length > MOST_TAKEN)
    problems.push(`The file holds more than ${MOST_TAKEN} events in this period; the first ${MOST_TAKEN} were taken.`);
  if (happenings.length === 0 && problems.length === 0) problems.push('Nothing in this file is in this period.');
  return { happenings: happenings.slice(0, MOST_TAKEN), problems: inShort(problems) };
}

/** Events, and changes of single occurrences, by event. */
function apart(events: readonly ICAL.Component[]): [ICAL.Component[], Map<string, ICAL.Component[]>] {
  const singles: ICAL.Component[] = [];
  const changes = new Map<string, ICAL.Component[]>();
  for (const one of events) {
    const uid = one.getFirstPropertyValue('uid');
    if (!one.hasProperty('recurrence-id')) singles.push(one);
    else if (uid !== null) {
      const same = changes.get(String(uid));
      if (same) same.push(one);
      else changes.set(String(uid), [one]);
    }
  }
  return [singles, changes];
}

const inShort = (problems: readonly string[]): string[] =>
  problems.length <= MOST_PROBLEMS
    ? [...problems]
    : [...problems.slice(0, MOST_PROBLEMS), `There are ${problems.length - MOST_PROBLEMS} more like these.`];

const reason = (problem: unknown) =>
  problem instanceof Error && problem.message.startsWith('it ') ? problem.message : 'its date can’t be read';

const timeOf = (day: string, time: string): ICAL.Time => {
  const { year, month, day: ofMonth } = dateOf(dayNumber(day));
  const [hour, minute] = time ? time.split(':').map(Number) : [0, 0];
  return new ICAL.Time(
    { year, month, day: ofMonth, hour, minute, second: 0, isDate: time === '' },
    ICAL.Timezone.localTimezone,
  );
};

/** A calendar file of what happens. `stamp` is when it was written, in milliseconds since 1970. */
export function writtenCalendar(happenings: readonly Happening[], stamp: number): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Dappled Margin//EN');
  calendar.addPropertyWithValue('version', '2.0');
  for (const { id, from, until, time, to, words, kind } of happenings) {
    const component = new ICAL.Component('vevent');
    component.addPropertyWithValue('uid', `${id}-${from}@dappled-margin.invalid`);
    component.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(new Date(stamp), true));
    component.addPropertyWithValue('summary', words);
    if (kind === 'holiday') component.addPropertyWithValue('categories', 'HOLIDAY');
    component.addPropertyWithValue('dtstart', timeOf(from, until ? '' : time));
    if (until) component.addPropertyWithValue('dtend', timeOf(writtenDay(dayNumber(until) + 1), ''));
    else if (time && to) component.addPropertyWithValue('dtend', timeOf(from, to));
    calendar.addSubcomponent(component);
  }
  return `${calendar.toString()}\r\n`;
}
