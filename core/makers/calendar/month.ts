import type { Box } from '../../geometry/matrix';
import { solid } from '../../schema/defaults';
import { dateOf, dayNumber, weekdayOf, weeksOf, writtenDay } from '../../values/days';
import { bandOf, drawBands } from './bands';
import { drawHappenings, drawMoon, happeningsHeight } from './day';
import type { Calendar } from './draft';
import { dayCell, shade, weekdaySaid } from './draft';
import { fittingNeeds, levelled } from './heights';
import type { Quarter } from './moon';
import type { Span } from './spans';
import { depthOn, lanesIn, onDay } from './spans';

/** A month as weeks of cells. */

export function drawMonth(
  draft: Calendar,
  area: Box,
  spans: readonly Span[],
  moon: ReadonlyMap<number, Quarter>,
): void {
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
