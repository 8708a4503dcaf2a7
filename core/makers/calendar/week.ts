import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import { dateOf, dayNumber, MONTHS, WEEKDAYS, weekdayOf } from '../../values/days';
import { bandOf, drawBands } from './bands';
import { drawHappenings, drawMoon, happeningsHeight } from './day';
import type { Calendar } from './draft';
import { dayCell, daySaid, shade, weekdaySaid } from './draft';
import { fittingNeeds, levelled } from './heights';
import type { Quarter } from './moon';
import type { Span } from './spans';
import { lanesIn, onDay } from './spans';

/** A week as seven days. */

type Moon = ReadonlyMap<number, Quarter>;

/** Seven days side by side, or below each other in a tall frame. */
export function drawWeek(draft: Calendar, area: Box, spans: readonly Span[], moon: Moon): void {
  const first = dayNumber(draft.recipe.day);
  const days = Array.from({ length: 7 }, (_, i) => first + i);
  const bands = spans.filter(({ from, until }) => until > from);
  (area.width >= area.height * 1.1 ? drawBeside : drawBelow)(draft, area, { days, bands, spans, moon });
}

type Week = { days: readonly number[]; bands: readonly Span[]; spans: readonly Span[]; moon: Moon };

function drawBeside(draft: Calendar, area: Box, { days, bands, spans, moon }: Week): void {
  const { em, recipe } = draft;
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
}

/** Events of several days are listed on each of their days. */
function drawBelow(draft: Calendar, area: Box, { days, bands, spans, moon }: Week): void {
  const { em, recipe } = draft;
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
