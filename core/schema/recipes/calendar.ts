import { z } from 'zod';
import { Hex, Id } from '../../values/primitives';
import { isDay } from '../../values/days';
import type { RecipeKind } from './kind';

/** What a calendar is made from: a month or a week, and what happens in it. */

/** A day as `2024-02-29`. */
export const Day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/)
  .refine(isDay, 'there is no such day');
/** A time as `09:30`, or empty. */
const Time = z.string().regex(/^(?:[01]\d:[0-5]\d|2[0-3]:[0-5]\d)?$/);

export const MOST_HAPPENINGS = 500;

export const Happening = z.strictObject({
  id: Id.max(12),
  kind: z.enum(['event', 'holiday']),
  from: Day,
  /** The last day, where it is several days long. */
  until: Day.nullable(),
  time: Time,
  to: Time,
  words: z.string().min(1).max(200),
  colour: Hex.nullable(),
});

export const CalendarRecipe = z.strictObject({
  span: z.enum(['month', 'week']),
  /** A day of the month, or the day that the week begins with. */
  day: Day,
  /** The weekday that weeks of a month begin with: 0 is Sunday. */
  first: z.number().int().min(0).max(6),
  happenings: z.array(Happening).max(MOST_HAPPENINGS, `at most ${MOST_HAPPENINGS} events`),
  /** Shading of weekends, and of every other week. */
  weekends: Hex.nullable(),
  rows: Hex.nullable(),
  moon: z.boolean(),
  /** Room for notes below. */
  notes: z.boolean(),
  /** Days before and after the month are shown, faintly. */
  outside: z.boolean(),
  /** Students write into the days. */
  write: z.boolean(),
  title: z.string().max(120),
  head: Hex,
  accent: Hex,
  ink: Hex,
  face: z.string().max(40),
  /** The size of words in points. */
  size: z.number().min(5).max(120),
});

export type Happening = z.infer<typeof Happening>;
export type CalendarRecipe = z.infer<typeof CalendarRecipe>;

export const CALENDAR: RecipeKind<'calendar', typeof CalendarRecipe> = {
  kind: 'calendar',
  name: 'calendar',
  recipe: CalendarRecipe,
};
