import type { Box } from '../../geometry/matrix';
import { seeded } from '../../values/random';
import { Calendar, LINE } from './draft';
import { drawMonth } from './month';
import { spanOf } from './spans';
import { drawWeek } from './week';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { dateOf, dayNumber, MONTHS, shownDays } from '../../values/days';
import type { Quarter } from './moon';
import type { CalendarRecipe } from '../../schema/recipes/calendar';

/** A month or a week with what happens in it, a title, and room for notes. */

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
    draft.notes.push('There is little room. Make the calendar larger, or use smaller text.');
  return { items: draft.items, notes: [...new Set(draft.notes)] };
}

export const CALENDAR: Maker<CalendarRecipe> = { kind: 'calendar', make: makeCalendar };
