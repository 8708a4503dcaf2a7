import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { happening } from './begin';
import { dayNumber, writtenDay } from '../../values/days';
import { greenwich, readCalendar, writtenCalendar } from './files';

const file = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//EN', ...events, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const february = { from: dayNumber('2024-02-01'), until: dayNumber('2024-02-29') };
const read = (text: string, values = {}) => readCalendar(text, { ...february, ...values });
const told = (text: string, values = {}) =>
  read(text, values).happenings.map(({ from, until, time, to, words }) =>
    [from, until, time, to, words].filter(Boolean).join(' '),
  );

describe('a calendar file', () => {
  it('has whole days, several days, and times', () => {
    expect(
      told(
        file(
          event('UID:1', 'SUMMARY:Leap day', 'DTSTART;VALUE=DATE:20240229'),
          event('UID:2', 'SUMMARY:Herbarium week', 'DTSTART;VALUE=DATE:20240208', 'DTEND;VALUE=DATE:20240214'),
          event('UID:3', 'SUMMARY:Walk', 'DTSTART:20240206T093000', 'DTEND:20240206T110000'),
          event('UID:4', 'SUMMARY:Night watch', 'DTSTART:20240210T220000', 'DTEND:20240211T000000'),
          event('UID:5', 'SUMMARY:Some other month', 'DTSTART:20240310T220000'),
        ),
      ),
    ).toEqual([
      '2024-02-06 09:30 11:00 Walk',
      '2024-02-08 2024-02-13 Herbarium week',
      '2024-02-10 22:00 00:00 Night watch',
      '2024-02-29 Leap day',
    ]);
  });

  it('has what recurs, with its exceptions and changes', () => {
    const text = file(
      event(
        'UID:w',
        'SUMMARY:Chess',
        'DTSTART:20240102T150000',
        'DTEND:20240102T160000',
        'RRULE:FREQ=WEEKLY;BYDAY=TU',
        'EXDATE:20240213T150000',
      ),
      event(
        'UID:w',
        'RECURRENCE-ID:20240220T150000',
        'SUMMARY:Chess, in the hall',
        'DTSTART:20240221T140000',
        'DTEND:20240221T150000',
      ),
      event('UID:m', 'SUMMARY:Last Friday', 'DTSTART;VALUE=DATE:20231027', 'RRULE:FREQ=MONTHLY;BYDAY=-1FR'),
    );
    expect(told(text)).toEqual([
      '2024-02-06 15:00 16:00 Chess',
      '2024-02-21 14:00 15:00 Chess, in the hall',
      '2024-02-23 Last Friday',
      '2024-02-27 15:00 16:00 Chess',
    ]);
  });

  it('that recurs for ever ends with the time that is asked for', () => {
    const daily = file(event('UID:d', 'SUMMARY:Tide table', 'DTSTART:19900101T080000', 'RRULE:FREQ=WEEKLY'));
    expect(told(daily)).toHaveLength(4);
  });

  it('has times of Greenwich told where the reader is, others as they are', () => {
    const text = file(
      event('UID:z', 'SUMMARY:Call', 'DTSTART:20240205T233000Z', 'DTEND:20240206T003000Z'),
      event('UID:t', 'SUMMARY:Here', 'DTSTART;TZID=Somewhere/Else:20240207T090000'),
    );
    expect(told(text)).toEqual(['2024-02-05 23:30 00:30 Call', '2024-02-07 09:00 Here']);
    const east = (moment: number) => greenwich(moment + 2 * 3_600_000);
    expect(told(text, { local: east })[0]).toBe('2024-02-06 01:30 02:30 Call');
  });

  it('has times of a zone that it describes told where the reader is', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Island',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0500',
      'TZOFFSETTO:+0500',
      'END:STANDARD',
      'END:VTIMEZONE',
    ].join('\r\n');
    const far = event(
      'UID:f',
      'SUMMARY:Lesson',
      'DTSTART;TZID=Island:20240207T020000',
      'DTEND;TZID=Island:20240207T030000',
    );
    expect(told(file(zone, far))).toEqual(['2024-02-06 21:00 22:00 Lesson']);
    const there = (moment: number) => greenwich(moment + 5 * 3_600_000);
    expect(told(file(zone, far), { local: there })).toEqual(['2024-02-07 02:00 03:00 Lesson']);
  });

  it('has an event past midnight on its evening, with both its times', () => {
    const party = event('UID:p', 'SUMMARY:Star party', 'DTSTART:20240210T220000', 'DTEND:20240211T013000');
    const trip = event('UID:q', 'SUMMARY:Trip', 'DTSTART:20240212T080000', 'DTEND:20240213T180000');
    expect(told(file(party, trip))).toEqual(['2024-02-10 22:00 01:30 Star party', '2024-02-12 2024-02-13 08:00 Trip']);
  });

  it('leaves out what is cancelled, and single turns that are', () => {
    const off = event('UID:c', 'SUMMARY:Off', 'STATUS:CANCELLED', 'DTSTART:20240210T220000');
    const weekly = event('UID:w', 'SUMMARY:Choir', 'DTSTART:20240205T100000', 'RRULE:FREQ=WEEKLY');
    const not = event(
      'UID:w',
      'SUMMARY:Choir',
      'STATUS:CANCELLED',
      'RECURRENCE-ID:20240212T100000',
      'DTSTART:20240212T100000',
    );
    expect(told(file(off, weekly, not))).toEqual([
      '2024-02-05 10:00 Choir',
      '2024-02-19 10:00 Choir',
      '2024-02-26 10:00 Choir',
    ]);
  });

  it('has a leap day in leap years only', () => {
    const leap = event('UID:l', 'SUMMARY:Leap', 'DTSTART;VALUE=DATE:20200229', 'RRULE:FREQ=YEARLY');
    const years = { from: dayNumber('2021-01-01'), until: dayNumber('2029-12-31') };
    expect(told(file(leap), years)).toEqual(['2024-02-29 Leap', '2028-02-29 Leap']);
    const first = event('UID:m', 'SUMMARY:First', 'DTSTART;VALUE=DATE:20210301', 'RRULE:FREQ=YEARLY');
    expect(told(file(first), years)).toHaveLength(9);
  });

  it('with a broken event loses only that one, and names it', () => {
    const good = event('UID:g', 'SUMMARY:Good', 'DTSTART:20240206T093000');
    const { happenings, problems } = read(
      file(
        event('UID:1', 'SUMMARY:No date'),
        good,
        event('UID:2', 'SUMMARY:Odd date', 'DTSTART:tomorrow at nine'),
        event('UID:3', 'SUMMARY:Odd line', 'THIS IS NO LINE', 'DTSTART:20240207T100000'),
        ['BEGIN:VEVENT', 'SUMMARY:Never ended', 'DTSTART:20240208T100000'].join('\r\n'),
        event('UID:4', 'SUMMARY:After it', 'DTSTART:20240209T100000'),
      ),
    );
    expect(happenings.map(({ words }) => words)).toEqual(['Good', 'After it']);
    expect(problems.map((problem) => /“([^”]+)”/.exec(problem)?.[1]).sort()).toEqual([
      'Never ended',
      'No date',
      'Odd date',
      'Odd line',
    ]);
    expect(problems.every((problem) => problem.includes('was left out'))).toBe(true);
  });

  it('that is none says what to do, and one with nothing in the time says so', () => {
    expect(read('hello').problems[0]).toContain('not a calendar file');
    expect(read('').happenings).toEqual([]);
    expect(read(file()).problems).toEqual(['Nothing in this file is in this period.']);
  });

  it('is found in what began long ago as in what began just now', () => {
    const rule = fc.record({
      freq: fc.constantFrom('DAILY', 'WEEKLY'),
      interval: fc.integer({ min: 1, max: 5 }),
      days: fc.subarray(['MO', 'TU', 'TH', 'SU']),
      start: fc.integer({ min: 0, max: 400 }),
      length: fc.integer({ min: 0, max: 9 }),
      until: fc.option(fc.integer({ min: 380, max: 440 })),
      gap: fc.integer({ min: 395, max: 425 }),
    });
    fc.assert(
      fc.property(rule, ({ freq, interval, days, start, length, until, gap }) => {
        const began = dayNumber('2023-01-01');
        const on = (day: number) => writtenDay(began + day).replace(/-/g, '');
        const text = file(
          event(
            'UID:r',
            'SUMMARY:R',
            `DTSTART;VALUE=DATE:${on(start)}`,
            `DTEND;VALUE=DATE:${on(start + length + 1)}`,
            `RRULE:FREQ=${freq};INTERVAL=${interval}${days.length ? `;BYDAY=${days.join()}` : ''}${until === null ? '' : `;UNTIL=${on(until)}`}`,
            `EXDATE;VALUE=DATE:${on(gap)}`,
          ),
        );
        const window = { from: began + 400, until: began + 430 };
        const all = read(text, { ...window, from: began }).happenings;
        const within = all.filter(({ from, until }) => dayNumber(until ?? from) >= window.from);
        expect(read(text, window).happenings).toEqual(within);
      }),
    );
  });

  it('has a turn that was moved here from long before', () => {
    const text = file(
      event('UID:w', 'SUMMARY:Choir', 'DTSTART:20190107T150000', 'RRULE:FREQ=WEEKLY'),
      event('UID:w', 'RECURRENCE-ID:20230102T150000', 'SUMMARY:Choir, made up for', 'DTSTART:20240203T100000'),
    );
    expect(told(text)[0]).toBe('2024-02-03 10:00 Choir, made up for');
    expect(told(text)).toHaveLength(5);
  });

  it('with daily events since long ago has them, and of what recurs each second says so', () => {
    const since = (freq: string) =>
      file(event('UID:d', 'SUMMARY:Tide', 'DTSTART:19900101T080000', `RRULE:FREQ=${freq}`));
    expect(told(since('DAILY'))).toHaveLength(29);
    expect(read(since('SECONDLY')).problems).toEqual(['“Tide” was left out: it recurs too often.']);
  });

  it('names what is broken only a few times', () => {
    const broken = file(...Array.from({ length: 300 }, (_, i) => event(`UID:${i}`, `SUMMARY:e${i}`, 'DTSTART:no')));
    const { problems } = read(broken);
    expect(problems).toHaveLength(13);
    expect(problems[12]).toBe('There are 288 more like these.');
  });

  it('of thousands is cut with a word', () => {
    const many = file(
      ...Array.from({ length: 700 }, (_, i) => event(`UID:${i}`, `SUMMARY:e${i}`, 'DTSTART;VALUE=DATE:20240210')),
    );
    const { happenings, problems } = read(many);
    expect([happenings.length, problems[0]]).toEqual([
      500,
      'The file holds more than 500 events in this period; the first 500 were taken.',
    ]);
  });

  it('that was written is read again the same', () => {
    const list = [
      happening('1', '2024-02-06', 'low water walk; bring boots, \\ and a hat', { time: '09:30', to: '11:00' }),
      happening('2', '2024-02-08', 'herbarium week', { until: '2024-02-13' }),
      happening('3', '2024-02-29', 'Leap day'),
      happening('4', '2024-02-20', 'spelling', { time: '10:00' }),
    ];
    const text = writtenCalendar(list, 0);
    expect(text).toContain('BEGIN:VCALENDAR');
    const again = read(text);
    expect(again.problems).toEqual([]);
    const bare = ({ from, until, time, to, words }: Omit<(typeof list)[number], 'id'>) => ({
      from,
      until,
      time,
      to,
      words,
    });
    expect(again.happenings.map(bare)).toEqual([...list].sort((a, b) => (a.from < b.from ? -1 : 1)).map(bare));
  });
});
