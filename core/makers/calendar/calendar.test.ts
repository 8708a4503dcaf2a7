import dayjs from 'dayjs';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { bodyText } from '../../text/body';
import { DEFAULT_PALETTE } from '../../schema/defaults';
import type { GroupItem, TextItem } from '../../schema/sheet';
import { layOut } from '../../text/fit';
import { roleOfItem } from '../../text/style';
import { madeFrom, partOf, testKit } from '../../../tests/support/made';
import type { Kit } from '../kit/maker';
import { beginCalendar, happening } from './begin';
import { dateOf, dayNumber, daysIn, isDay, numberOf, weekdayOf, weeksOf, writtenDay } from '../../values/days';
import { readLines } from './lines';
import { levelled } from './heights';
import { titleOf } from './make';
import { lanesOf } from './spans';
import { quartersBetween } from './moon';
import type { CalendarRecipe } from '../../schema/recipes/calendar';
import { CalendarRecipe as Recipe } from '../../schema/recipes/calendar';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const calendar = (day: string, values: Partial<CalendarRecipe> = {}): CalendarRecipe => ({
  ...beginCalendar(DEFAULT_PALETTE, day),
  happenings: [],
  moon: false,
  ...values,
});
const make = (recipe: CalendarRecipe, size = { width: 720, height: 540 }) => madeFrom('calendar', recipe, kit, size);
const parts = (made: GroupItem, start: string) => made.items.filter((item) => item.made!.part.startsWith(start));
const said = (made: GroupItem, part: string) => bodyText(partOf<'text'>(made, part).body);

describe('days', () => {
  it('are those of the Gregorian calendar, in any year', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9999 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 31 }),
        (year, month, wish) => {
          const day = Math.min(wish, daysIn(year, month));
          const number = numberOf(year, month, day);
          expect(dateOf(number)).toEqual({ year, month, day });
          const date = new Date(0);
          date.setUTCFullYear(year, month - 1, day);
          expect(number).toBe(date.getTime() / 86_400_000);
          expect(weekdayOf(number)).toBe(date.getUTCDay());
          expect(dayNumber(writtenDay(number))).toBe(number);
        },
      ),
    );
    expect(dayjs('2024-02-29').day()).toBe(weekdayOf(dayNumber('2024-02-29')));
  });

  it('that there are not are refused', () => {
    expect([
      isDay('2024-02-29'),
      isDay('2100-02-29'),
      isDay('2000-02-29'),
      isDay('2024-13-01'),
      isDay('2024-4-1'),
    ]).toEqual([true, false, true, false, false]);
    expect(Recipe.safeParse({ ...calendar('2024-02-01'), day: '2023-02-29' }).success).toBe(false);
  });

  it('February 2024 has five weeks from Monday, 2100 no leap day, and a month may take six weeks', () => {
    const february = weeksOf(2024, 2, 1);
    expect(february.map((week) => week.map((day) => dateOf(day).day))).toEqual([
      [29, 30, 31, 1, 2, 3, 4],
      [5, 6, 7, 8, 9, 10, 11],
      [12, 13, 14, 15, 16, 17, 18],
      [19, 20, 21, 22, 23, 24, 25],
      [26, 27, 28, 29, 1, 2, 3],
    ]);
    expect(weeksOf(2100, 2, 1)).toHaveLength(4);
    expect(
      weeksOf(2100, 2, 1)
        .flat()
        .map((day) => dateOf(day).day)
        .at(-1),
    ).toBe(28);
    expect(weeksOf(2026, 8, 1)).toHaveLength(6);
    expect(weeksOf(2015, 2, 0)).toHaveLength(4);
  });

  it('weeks of a month begin with the weekday that is asked for, and hold each of its days once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1600, max: 2400 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 6 }),
        (year, month, first) => {
          const weeks = weeksOf(year, month, first);
          expect(weeks.every((week) => weekdayOf(week[0]) === first && week.length === 7)).toBe(true);
          const own = weeks.flat().filter((day) => dateOf(day).month === month && dateOf(day).year === year);
          expect(own).toHaveLength(daysIn(year, month));
          expect(weeks.every((week) => week.some((day) => own.includes(day)))).toBe(true);
        },
      ),
    );
  });

  it('events of several days never share a lane', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 9 })), { maxLength: 20 }),
        (list) => {
          const spans = list.map(([from, long]) => ({ from, until: from + long }));
          const lanes = lanesOf(spans);
          expect(lanes.flat()).toHaveLength(spans.length);
          for (const lane of lanes)
            for (let i = 1; i < lane.length; i++) expect(lane[i].from).toBeGreaterThan(lane[i - 1].until);
          // No more lanes than days are most crowded.
          const most = Math.max(
            0,
            ...Array.from(
              { length: 45 },
              (_, day) => spans.filter(({ from, until }) => from <= day && until >= day).length,
            ),
          );
          expect(lanes.length).toBe(most);
        },
      ),
    );
  });

  it('quarters of the moon fall where almanacs have them', () => {
    const found = quartersBetween(dayNumber('2024-02-01'), dayNumber('2024-02-29'));
    expect([...found].map(([day, quarter]) => `${writtenDay(day)} ${quarter}`)).toEqual([
      '2024-02-02 waning',
      '2024-02-09 new',
      '2024-02-16 waxing',
      '2024-02-24 full',
    ]);
  });
});

describe('days that are typed', () => {
  it('stand in lines, with a year or without, one day or several', () => {
    const { happenings, problems } = readLines(
      '2024-02-29 Leap day\n1 Mar: Sea day\n8–13 February herbarium week\n2024-03-04 to 2024-03-06, camp\n\n14 May 2025 fair',
      2024,
      'holiday',
    );
    expect(problems).toEqual([]);
    expect(happenings.map(({ from, until, words }) => [from, until, words].filter(Boolean).join(' '))).toEqual([
      '2024-02-29 Leap day',
      '2024-03-01 Sea day',
      '2024-02-08 2024-02-13 herbarium week',
      '2024-03-04 2024-03-06 camp',
      '2025-05-14 fair',
    ]);
  });

  it('that there are not, or that say nothing, are named', () => {
    const over = readLines(
      '29 September - 3 October autumn break\n28 Dec – 4 Jan 2025 holidays\n30 Dec to 2 Jan rest\n29 September - 31 November x',
      2024,
      'event',
    );
    expect(over.happenings.map(({ from, until, words }) => `${from} ${until} ${words}`)).toEqual([
      '2024-09-29 2024-10-03 autumn break',
      '2024-12-28 2025-01-04 holidays',
      '2024-12-30 2025-01-02 rest',
    ]);
    expect(over.problems).toHaveLength(1);
    const { happenings, problems } = readLines('30 Feb nothing\nsome day\n12 Foo x\n2023-02-29 leap', 2024, 'event');
    expect(happenings).toEqual([]);
    expect(problems).toHaveLength(4);
    expect(problems[0]).toBe('“30 Feb nothing”: there is no such day in 2024.');
    expect(problems[1]).toBe('“some day” has no day. Write it as “29 Feb Leap day” or “2024-02-29 Leap day”.');
    expect(problems[3]).toContain('no such day in 2023');
  });
});

describe('a month', () => {
  it('has a cell for each day, its name above, and weekends shaded', async () => {
    const { group, notes } = await make(calendar('2024-02-14'));
    expect(notes).toEqual([]);
    expect(said(group, 'title-1')).toBe('February 2024');
    expect(parts(group, 'day-2024-02-')).toHaveLength(29);
    expect(parts(group, 'day-')).toHaveLength(35);
    expect(partOf<'shape'>(group, 'day-2024-02-10').fill).toMatchObject({ colour: '#f1ecdc' });
    expect(partOf<'shape'>(group, 'day-2024-02-12').fill).toMatchObject({ colour: '#ffffff' });
    expect(parts((await make(calendar('2100-02-01'))).group, 'day-2100-02-')).toHaveLength(28);
  });

  it('shades every other week where that is asked for', async () => {
    const { group } = await make(calendar('2024-02-14', { weekends: null, rows: '#eef3e6' }));
    expect(partOf<'shape'>(group, 'day-2024-02-05').fill).toMatchObject({ colour: '#eef3e6' });
    expect(partOf<'shape'>(group, 'day-2024-02-12').fill).toMatchObject({ colour: '#ffffff' });
  });

  it('tells what happens on a day by the clock, holidays first, and keeps it within its cell', async () => {
    const happenings = [
      happening('a', '2024-02-20', 'swimming', { time: '13:30', to: '15:00' }),
      happening('b', '2024-02-20', 'spelling', { time: '10:00' }),
      happening('c', '2024-02-20', 'Marsh day', { kind: 'holiday' }),
    ];
    const { group } = await make(calendar('2024-02-01', { happenings }));
    expect(said(group, 'events-2024-02-20')).toBe('Marsh day\n10:00 spelling\n13:30–15:00 swimming');
    const words = partOf<'text'>(group, 'events-2024-02-20');
    const cell = partOf<'shape'>(group, 'day-2024-02-20');
    expect(words.x).toBeGreaterThanOrEqual(cell.x);
    expect(words.y + words.height).toBeLessThanOrEqual(cell.y + cell.height + 0.1);
  });

  it('gives weeks the height that they need, in one size of words, none too small to print', async () => {
    const busy = Array.from({ length: 9 }, (_, i) =>
      happening(`${i}`, '2024-02-20', `${i}. meeting about the salt marsh trip`, { time: `1${i}:00`.slice(-5) }),
    );
    const quiet = [
      happening('q', '2024-02-06', 'swimming'),
      happening('l', '2024-02-28', 'a walk', { until: '2024-02-29' }),
    ];
    const { group, notes } = await make(calendar('2024-02-01', { happenings: [...busy, ...quiet] }));
    expect(notes).toEqual([]);
    const high = (day: string) => partOf<'shape'>(group, `day-${day}`).height;
    expect(high('2024-02-20')).toBeGreaterThan(high('2024-02-06') * 1.4);
    const bottom = Math.max(...parts(group, 'day-').map((item) => (item.kind === 'line' ? 0 : item.y + item.height)));
    expect(bottom).toBeLessThanOrEqual(group.height + 0.1);
    const sizes = new Set(
      [...parts(group, 'events-'), ...parts(group, 'band-')].flatMap((item) =>
        item.kind === 'text' ? item.body.flatMap(({ runs }) => runs.map(({ style }) => style.size)) : [],
      ),
    );
    expect(sizes.size).toBe(1);
    expect(Math.min(...[...sizes].map(Number))).toBeGreaterThanOrEqual(7);
    for (const item of parts(group, 'events-')) {
      if (item.kind !== 'text') continue;
      const cell = partOf<'shape'>(group, item.made!.part.replace('events', 'day'));
      expect(item.y + item.height).toBeLessThanOrEqual(cell.y + cell.height + 0.1);
      expect(layOut(item.body, roleOfItem(kit, item), item, kit.faces).overflows).toBe(false);
    }
  });

  it('heights are alike where that does, and add up to the room', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 300 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 50, max: 900 }),
        (needs, room) => {
          const heights = levelled(needs, room);
          expect(heights.reduce((sum, high) => sum + high, 0)).toBeCloseTo(room, 3);
          const sum = needs.reduce((all, need) => all + need, 0);
          if (sum > room) return;
          heights.forEach((high, i) => expect(high).toBeGreaterThanOrEqual(needs[i] - 1e-6));
          const level = Math.min(...heights);
          heights.forEach((high, i) => expect(high > level + 1e-6 ? high : needs[i]).toBeCloseTo(needs[i], 3));
        },
      ),
    );
  });

  it('says on which day there is more than fits', async () => {
    const happenings = Array.from({ length: 40 }, (_, i) =>
      happening(`${i}`, '2024-02-20', `a long event number ${i}`),
    );
    expect((await make(calendar('2024-02-01', { happenings }))).notes).toEqual([
      'On 20 February there is more than fits. Make the calendar larger, or remove an event.',
    ]);
  });

  it('draws what takes several days as bands, one in each week it touches, none over another', async () => {
    const happenings = [
      happening('long', '2024-02-08', 'herbarium week', { until: '2024-02-13' }),
      happening('other', '2024-02-12', 'visitors', { until: '2024-02-14' }),
      happening('past', '2024-01-20', 'from before', { until: '2024-02-02' }),
    ];
    const { group } = await make(calendar('2024-02-01', { happenings }));
    const bands = parts(group, 'band-') as TextItem[];
    expect(bands.map((band) => band.made!.part).sort()).toEqual([
      'band-long-2024-02-08',
      'band-long-2024-02-12',
      'band-other-2024-02-12',
      'band-past-2024-01-29',
    ]);
    for (const a of bands)
      for (const b of bands)
        if (a !== b)
          expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(
            true,
          );
  });

  it('gives students days to write in, where they are asked to', async () => {
    const { group } = await make(calendar('2024-02-01', { write: true }));
    expect(partOf<'text'>(group, 'events-2024-02-07').touch).toBe('fill');
  });

  it('shows the moon as it is', async () => {
    const { group } = await make(calendar('2024-02-01', { moon: true }));
    expect(
      parts(group, 'moon-')
        .map((item) => item.alt)
        .filter(Boolean)
        .sort(),
    ).toEqual(['first quarter', 'full moon', 'last quarter', 'new moon']);
  });
});

describe('a week', () => {
  it('begins with any day: from a Saturday on it runs to Friday', async () => {
    const recipe = calendar('2024-02-10', { span: 'week' });
    const { group } = await make(recipe);
    expect(titleOf(recipe)).toBe('10–16 February 2024');
    expect(titleOf(calendar('2024-02-28', { span: 'week' }))).toBe('28 February – 5 March 2024');
    expect(titleOf(calendar('2024-12-30', { span: 'week' }))).toBe('30 December 2024 – 5 January 2025');
    expect(said(group, 'weekday-1')).toBe('Saturday\n10 Feb');
    expect(said(group, 'weekday-7')).toBe('Friday\n16 Feb');
    expect(parts(group, 'day-')).toHaveLength(7);
  });

  it('lies down in a wide frame and stands in a tall one', async () => {
    const happenings = [happening('a', '2024-02-11', 'walk', { until: '2024-02-12' })];
    const wide = (await make(calendar('2024-02-10', { span: 'week', happenings }))).group;
    expect(parts(wide, 'band-')).toHaveLength(1);
    const tall = (await make(calendar('2024-02-10', { span: 'week', happenings }), { width: 360, height: 620 })).group;
    expect(new Set(parts(tall, 'day-').map((item) => ('x' in item ? item.x : 0))).size).toBe(1);
    expect([said(tall, 'events-2024-02-11'), said(tall, 'events-2024-02-12')]).toEqual(['walk', 'walk']);
  });
});
