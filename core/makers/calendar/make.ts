import type { Box } from '../../geometry/matrix';
import { seeded } from '../../values/random';
import { bodyText } from '../../text/body';
import { solid } from '../../schema/defaults';
import type { TextBody } from '../../schema/sheet';
import { LEAST_PRINTED } from '../../text/style';
import { Draft } from '../kit/draft';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { tallOf, tidied } from '../kit/measure';
import { dateOf, dayNumber, MONTHS, shownDays, WEEKDAYS, weekdayOf, weeksOf, writtenDay } from '../../values/days';
import type { Quarter } from './moon';
import type { CalendarRecipe, Happening } from '../../schema/recipes/calendar';

/** A month as weeks of cells, or a week as seven days; what happens flows into the days, several days as bands across them. */

class Calendar extends Draft<CalendarRecipe> {
  /** The size of what happens: one for all days, in points. */
  small = Math.max(LEAST_PRINTED, tidied(this.em * 0.82));
}
const LINE = '#b9b29c';

type Span = { happening: Happening; from: number; until: number };
const spanOf = (happening: Happening): Span => {
  const from = dayNumber(happening.from);
  return { happening, from, until: Math.max(from, happening.until ? dayNumber(happening.until) : from) };
};

/** Several days' events in lanes, so that none lies over another: each in the first lane that is free. */
export function lanesOf<T extends { from: number; until: number }>(spans: readonly T[]): T[][] {
  const lanes: T[][] = [];
  const sorted = [...spans].sort((a, b) => a.from - b.from || b.until - a.until);
  for (const span of sorted) {
    const lane = lanes.find((taken) => taken[taken.length - 1].until < span.from);
    if (lane) lane.push(span);
    else lanes.push([span]);
  }
  return lanes;
}

/** The lanes of what reaches into some days. */
const lanesIn = (spans: readonly Span[], first: number, last: number): Span[][] =>
  lanesOf(spans.filter(({ from, until }) => from <= last && until >= first));
/** How many lanes there are down to the last one that is taken on a day. */
const depthOn = (lanes: readonly (readonly Span[])[], day: number): number =>
  lanes.findLastIndex((lane) => lane.some(({ from, until }) => from <= day && until >= day)) + 1;

const timeSaid = ({ time, to }: Happening) => (time ? (to ? `${time}–${to}` : time) : '');

/** What happens on a day, one paragraph each: holidays first, then those without a time, then by the clock. */
function bodyOf(draft: Calendar, list: readonly Happening[]): TextBody {
  const { recipe } = draft;
  const order = [...list].sort(
    (a, b) =>
      Number(b.kind === 'holiday') - Number(a.kind === 'holiday') || (a.time < b.time ? -1 : a.time > b.time ? 1 : 0),
  );
  return order.map((happening) => {
    const colour = happening.colour ?? (happening.kind === 'holiday' ? recipe.accent : recipe.ink);
    const when = timeSaid(happening);
    return {
      format: { align: 'left' as const },
      runs: [
        ...(when ? [{ text: `${when} `, style: draft.style({ bold: true, size: draft.small, colour }) }] : []),
        {
          text: happening.words,
          style: draft.style({ size: draft.small, colour, ...(happening.kind === 'holiday' && { italic: true }) }),
        },
      ],
    };
  });
}

/** Room under the words of a day. */
const UNDER = 2;

function happeningsHeight(draft: Calendar, list: readonly Happening[], width: number): number {
  if (list.length === 0) return 0;
  return tallOf(bodyOf(draft, list), width, draft.kit) + UNDER;
}

/** What happens on one day. */
function drawHappenings(draft: Calendar, day: number, list: readonly Happening[], box: Box): void {
  const { recipe } = draft;
  if (list.length === 0 && !recipe.write) return;
  const part = `events-${writtenDay(day)}`;
  if (list.length > 0) {
    const body = bodyOf(draft, list);
    const item = draft.words(part, bodyText(body), box, { align: 'left', vertical: 'top', fit: 'keep' });
    item.body = body;
    if (happeningsHeight(draft, list, box.width) - UNDER > box.height + 0.1)
      draft.notes.push(`On ${daySaid(day)} there is more than fits. Make the calendar larger, or remove an event.`);
  }
  if (recipe.write && list.length === 0)
    draft.words(part, '', box, { touch: 'fill', align: 'left', vertical: 'top', style: { size: draft.small } });
}

const daySaid = (number: number) => {
  const { month, day } = dateOf(number);
  return `${day} ${MONTHS[month - 1]}`;
};

function drawMoon(draft: Calendar, quarter: Quarter, day: number, x: number, y: number, r: number): void {
  const part = `moon-${writtenDay(day)}`;
  const dark = draft.recipe.ink;
  draft.disc(part, x, y, r, {
    fill: solid(quarter === 'new' ? dark : '#fff8dc'),
    outline: draft.outline(0.06, 'solid', dark),
    alt: { new: 'new moon', waxing: 'first quarter', full: 'full moon', waning: 'last quarter' }[quarter],
  });
  if (quarter !== 'waxing' && quarter !== 'waning') return;
  // Seen from the north the waxing moon is lit on its right.
  const side = quarter === 'waxing' ? -1 : 1;
  const half = Array.from({ length: 25 }, (_, i) => {
    const turn = (i / 24) * Math.PI;
    return [x + side * r * Math.sin(turn), y - r * Math.cos(turn)] as const;
  });
  draft.figure(`${part}-dark`, half, { fill: solid(dark) });
}

/** How high a band is with the room below it, and what its words keep from its edges. */
function bandOf(draft: Calendar): { pad: number; high: number } {
  const pad = Math.min(3, draft.em * 0.14);
  return { pad, high: draft.sizeOf('x', Infinity, { size: draft.small }).height + 2 * pad + draft.em * 0.08 };
}

type Row = { days: readonly number[]; box: Box };

/** The bands of a row of days; gives how far down they reach on a day. */
function drawBands(
  draft: Calendar,
  spans: readonly Span[],
  { days, box }: Row,
  top: number,
  most: number,
): (day: number) => number {
  const { em } = draft;
  const [first, last] = [days[0], days[days.length - 1]];
  const lanes = lanesIn(spans, first, last);
  const { pad, high } = bandOf(draft);
  const fit = Math.max(0, Math.floor((most + 0.01) / high));
  const wide = box.width / days.length;
  lanes.slice(0, fit).forEach((lane, l) => {
    for (const { happening, from, until } of lane) {
      const [a, b] = [Math.max(from, first), Math.min(until, last)];
      const colour = happening.colour ?? draft.recipe.accent;
      draft.words(
        `band-${happening.id}-${writtenDay(a)}`,
        `${a === from && happening.time ? `${timeSaid(happening)} ` : ''}${happening.words}`,
        {
          x: box.x + (a - first) * wide + em * 0.15,
          y: top + l * high,
          width: (b - a + 1) * wide - em * 0.3,
          height: high - em * 0.08,
        },
        {
          align: 'left',
          padding: pad,
          fill: solid(colour),
          // An end that goes on in another week is straight.
          corner: a === from && b === until ? em * 0.45 : 0,
          style: {
            size: draft.small,
            colour: draft.on(colour),
          },
        },
      );
    }
  });
  if (lanes.length > fit)
    draft.notes.push(
      `In the week of ${daySaid(first)} there are more events of several days than fit. Make the calendar taller, or remove one.`,
    );
  const shown = lanes.slice(0, fit);
  return (day) => depthOn(shown, day) * high;
}

function drawTitle(draft: Calendar, title: string, width: number): number {
  const { em, recipe } = draft;
  const style = { size: em * 2, bold: true, colour: recipe.accent };
  const { height } = draft.sizeOf(title, width, style);
  draft.words('title-1', title, { x: 0, y: 0, width, height }, { align: 'left', vertical: 'top', style });
  return height + em * 0.4;
}

function drawNotes(draft: Calendar, area: Box): void {
  const { em } = draft;
  draft.words(
    'notes-1',
    'Notes',
    { x: area.x, y: area.y, width: em * 5, height: em * 1.5 },
    { align: 'left', style: { bold: true } },
  );
  for (let y = area.y + em * 1.5, n = 1; y + em * 1.7 <= area.y + area.height + 0.1; y += em * 1.7, n++)
    draft.line(`notesline-${n}`, area.x, y + em * 1.6, area.x + area.width, y + em * 1.6, {
      outline: draft.outline(0.04, 'solid', LINE),
    });
}

const weekdaySaid = (draft: Calendar, weekday: number, width: number) =>
  draft.sizeOf(WEEKDAYS[weekday], Infinity, { bold: true }).width < width - 4
    ? WEEKDAYS[weekday]
    : WEEKDAYS[weekday].slice(0, 3);

const shade = ({ weekends, rows }: CalendarRecipe, day: number, row: number): string | null =>
  weekends && weekdayOf(day) % 6 === 0 ? weekends : rows && row % 2 === 1 ? rows : null;

/** The cell of a day. */
function dayCell(draft: Calendar, day: number, cell: Box, fill: string | null): void {
  draft.frame(`day-${writtenDay(day)}`, cell, {
    adjust: [],
    fill: solid(fill ?? '#ffffff'),
    outline: draft.outline(0.05, 'solid', LINE),
  });
}

/** What happens on one day alone. */
const onDay = (spans: readonly Span[], day: number): Happening[] =>
  spans.filter(({ from, until }) => from === day && until === from).map(({ happening }) => happening);

function drawMonth(draft: Calendar, area: Box, spans: readonly Span[], moon: ReadonlyMap<number, Quarter>): void {
  const { em, recipe } = draft;
  const { year, month } = dateOf(dayNumber(recipe.day));
  const weeks = weeksOf(year, month, recipe.first);
  const wide = area.width / 7;
  const head = em * 1.7;
  weeks[0].forEach((day, i) =>
    draft.words(
      `weekday-${i + 1}`,
      weekdaySaid(draft, weekdayOf(day), wide),
      { x: area.x + i * wide, y: area.y, width: wide, height: head },
      {
        fill: solid(recipe.head),
        style: { bold: true },
      },
    ),
  );
  const bands = spans.filter(({ from, until }) => until > from);
  const inside = (day: number) => dateOf(day).month === month;
  const shownIn = (days: readonly number[]) => days.filter((day) => inside(day) || recipe.outside);
  const top = em * 1.6;
  const width = wide - em * 0.5;
  /** How high a week has to be for what happens in it. */
  const needOf = (days: readonly number[]): number => {
    const shown = shownIn(days);
    const lanes = lanesIn(bands, shown[0], shown[shown.length - 1]);
    const { high } = bandOf(draft);
    const under = (day: number) => depthOn(lanes, day) * high;
    return (
      top + Math.max(...shown.map((day) => under(day) + happeningsHeight(draft, onDay(spans, day), width))) + em * 0.2
    );
  };
  const room = area.height - head;
  const needs = fittingNeeds(draft, () => weeks.map(needOf), room);
  const heights = levelled(needs, room);
  let y = area.y + head;
  weeks.forEach((days, row) => {
    const high = heights[row];
    const box = { x: area.x, y, width: area.width, height: high };
    y += high;
    days.forEach((day, i) => {
      const cell = { x: box.x + i * wide, y: box.y, width: wide, height: high };
      if (!inside(day) && !recipe.outside) return void dayCell(draft, day, cell, '#f4f1e8');
      dayCell(draft, day, cell, shade(recipe, day, row));
      draft.words(
        `number-${writtenDay(day)}`,
        `${dateOf(day).day}`,
        { x: cell.x + em * 0.3, y: cell.y + em * 0.15, width: em * 2, height: em * 1.4 },
        { align: 'left', style: { bold: inside(day), colour: inside(day) ? recipe.ink : '#6b6553' } },
      );
      const quarter = moon.get(day);
      if (quarter && inside(day))
        drawMoon(draft, quarter, day, cell.x + wide - em * 0.85, cell.y + em * 0.85, em * 0.48);
    });
    const shown = shownIn(days);
    const start = days.indexOf(shown[0]);
    const part = { days: shown, box: { ...box, x: box.x + start * wide, width: shown.length * wide } };
    const used = drawBands(draft, bands, part, box.y + top, high - top);
    for (const day of shown) {
      const start = box.y + top + used(day);
      drawHappenings(draft, day, onDay(spans, day), {
        x: box.x + days.indexOf(day) * wide + em * 0.3,
        y: start,
        width,
        height: Math.max(4, box.y + high - start - em * 0.2),
      });
    }
  });
}

/** What weeks or days need at the largest size of words at which all fit; at the least that can be read where none do. */
function fittingNeeds(draft: Calendar, needsOf: () => number[], room: number): number[] {
  const most = draft.small;
  for (let step = 0; ; step++) {
    draft.small = Math.max(LEAST_PRINTED, tidied(most * (1 - step * 0.06)));
    const needs = needsOf();
    if (draft.small === LEAST_PRINTED || needs.reduce((sum, need) => sum + need, 0) <= room) return needs;
  }
}

/** Heights that share out a room: all alike where that is enough for each, else what needs more gets it. */
export function levelled(needs: readonly number[], room: number): number[] {
  const sum = needs.reduce((all, need) => all + need, 0);
  if (sum >= room) return needs.map((need) => (need * room) / sum);
  let [level, left, free] = [room / needs.length, room, needs.length];
  const high = new Set<number>();
  for (let more = true; more;) {
    more = false;
    for (const [i, need] of needs.entries())
      if (!high.has(i) && need > level + 1e-9) {
        high.add(i);
        left -= need;
        free--;
        more = true;
      }
    if (free > 0) level = left / free;
  }
  return needs.map((need, i) => (high.has(i) ? need : level));
}

function drawWeek(draft: Calendar, area: Box, spans: readonly Span[], moon: ReadonlyMap<number, Quarter>): void {
  const { em, recipe } = draft;
  const first = dayNumber(recipe.day);
  const days = Array.from({ length: 7 }, (_, i) => first + i);
  const bands = spans.filter(({ from, until }) => until > from);
  if (area.width >= area.height * 1.1) {
    const wide = area.width / 7;
    const head = em * 3;
    days.forEach((day, i) => {
      const cell = { x: area.x + i * wide, y: area.y, width: wide, height: area.height };
      dayCell(draft, day, cell, shade(recipe, day, 0));
      draft.words(
        `weekday-${i + 1}`,
        `${weekdaySaid(draft, weekdayOf(day), wide)}\n${dateOf(day).day} ${MONTHS[dateOf(day).month - 1].slice(0, 3)}`,
        { ...cell, height: head },
        { fill: solid(recipe.head), style: { bold: true } },
      );
      const quarter = moon.get(day);
      if (quarter) drawMoon(draft, quarter, day, cell.x + wide - em * 0.8, cell.y + head - em * 0.8, em * 0.46);
    });
    const lanes = lanesIn(bands, days[0], days[6]);
    fittingNeeds(
      draft,
      () => [
        Math.min(lanes.length * bandOf(draft).high, (area.height - head) * 0.5) +
          Math.max(...days.map((day) => happeningsHeight(draft, onDay(spans, day), wide - em * 0.6))) +
          em,
      ],
      area.height - head,
    );
    const used = drawBands(draft, bands, { days, box: area }, area.y + head + em * 0.3, (area.height - head) * 0.5);
    days.forEach((day, i) => {
      const top = area.y + head + em * 0.5 + used(day);
      drawHappenings(draft, day, onDay(spans, day), {
        x: area.x + i * wide + em * 0.3,
        y: top,
        width: wide - em * 0.6,
        height: area.y + area.height - top - em * 0.2,
      });
    });
    return;
  }
  // In a tall frame days lie below each other; what goes on for days is told on each of them.
  const side = Math.min(area.width * 0.3, em * 8);
  const width = area.width - side - em * 0.8;
  const on = (day: number) => [
    ...bands
      .filter(({ from, until }) => from <= day && until >= day)
      .map(({ happening }) => ({ ...happening, time: '', to: '' })),
    ...onDay(spans, day),
  ];
  const needs = fittingNeeds(
    draft,
    () => days.map((day) => Math.max(em * 3, happeningsHeight(draft, on(day), width) + em * 0.5)),
    area.height,
  );
  const heights = levelled(needs, area.height);
  let y = area.y;
  days.forEach((day, i) => {
    const high = heights[i];
    const cell = { x: area.x, y, width: area.width, height: high };
    y += high;
    dayCell(draft, day, cell, shade(recipe, day, i));
    draft.words(
      `weekday-${i + 1}`,
      `${WEEKDAYS[weekdayOf(day)]}\n${daySaid(day)}`,
      { ...cell, width: side },
      { fill: solid(recipe.head), style: { bold: true } },
    );
    const quarter = moon.get(day);
    if (quarter) drawMoon(draft, quarter, day, cell.x + side - em * 0.8, cell.y + em * 0.8, em * 0.46);
    drawHappenings(draft, day, on(day), {
      x: cell.x + side + em * 0.4,
      y: cell.y + em * 0.3,
      width,
      height: high - em * 0.5,
    });
  });
}

export function titleOf({ title, span, day }: CalendarRecipe): string {
  if (title) return title;
  const from = dayNumber(day);
  const start = dateOf(from);
  if (span === 'month') return `${MONTHS[start.month - 1]} ${start.year}`;
  const end = dateOf(from + 6);
  return start.month === end.month
    ? `${start.day}–${end.day} ${MONTHS[end.month - 1]} ${end.year}`
    : `${start.day} ${MONTHS[start.month - 1]}${start.year === end.year ? '' : ` ${start.year}`} – ${end.day} ${MONTHS[end.month - 1]} ${end.year}`;
}

export async function makeCalendar({ recipe, seed, width, height }: Asked<CalendarRecipe>, kit: Kit): Promise<Made> {
  const draft = new Calendar(recipe, seeded(seed), { x: 0, y: 0, width, height }, kit);
  const { em } = draft;
  const top = drawTitle(draft, titleOf(recipe), width);
  const below = recipe.notes ? Math.max(em * 5, height * 0.14) : 0;
  const area = { x: 0, y: top, width, height: Math.max(em * 8, height - top - below) };
  const { from, until } = shownDays(recipe);
  const spans = recipe.happenings.map(spanOf).filter((span) => span.from <= until && span.until >= from);
  // The moon's computation is large, so it is loaded only when needed.
  const moon = recipe.moon ? (await import('./moon')).quartersBetween(from, until) : new Map<number, Quarter>();
  (recipe.span === 'month' ? drawMonth : drawWeek)(draft, area, spans, moon);
  if (recipe.notes) drawNotes(draft, { x: 0, y: area.y + area.height + em * 0.6, width, height: below - em * 0.6 });
  if (width < em * 24 || height < em * 18)
    draft.notes.push('There is little room. Pull the calendar larger, or take smaller words.');
  return { items: draft.items, notes: [...new Set(draft.notes)] };
}

export const CALENDAR: Maker<CalendarRecipe> = { kind: 'calendar', make: makeCalendar };
