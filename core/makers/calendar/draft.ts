import { solid } from '../../schema/defaults';
import type { CalendarRecipe, Happening } from '../../schema/recipes/calendar';
import { LEAST_PRINTED } from '../../text/style';
import { dateOf, MONTHS, WEEKDAYS, weekdayOf, writtenDay } from '../../values/days';
import type { Box } from '../../geometry/matrix';
import { Draft } from '../kit/draft';
import { tidied } from '../kit/measure';

/** What month and week are drawn with: sizes, names of days, and the cell of a day. */

export class Calendar extends Draft<CalendarRecipe> {
  /** The size of what happens: one for all days, in points. */
  small = Math.max(LEAST_PRINTED, tidied(this.em * 0.82));
}
export const LINE = '#b9b29c';

export const timeSaid = ({ time, to }: Happening) => (time ? (to ? `${time}–${to}` : time) : '');

export const daySaid = (number: number) => {
  const { month, day } = dateOf(number);
  return `${day} ${MONTHS[month - 1]}`;
};

export const weekdaySaid = (draft: Calendar, weekday: number, width: number) =>
  draft.sizeOf(WEEKDAYS[weekday], Infinity, { bold: true }).width < width - 4
    ? WEEKDAYS[weekday]
    : WEEKDAYS[weekday].slice(0, 3);

export const shade = ({ weekends, rows }: CalendarRecipe, day: number, row: number): string | null =>
  weekends && weekdayOf(day) % 6 === 0 ? weekends : rows && row % 2 === 1 ? rows : null;

/** The cell of a day. */
export function dayCell(draft: Calendar, day: number, cell: Box, fill: string | null): void {
  draft.frame(`day-${writtenDay(day)}`, cell, {
    adjust: [],
    fill: solid(fill ?? '#ffffff'),
    outline: draft.outline(0.05, 'solid', LINE),
  });
}
