import type { CalendarRecipe, Happening } from '../../schema/recipes/calendar';

/** A calendar as it begins: the month of a day. */

export const happening = (id: string, from: string, words: string, values: Partial<Happening> = {}): Happening => ({
  id,
  kind: 'event',
  from,
  until: null,
  time: '',
  to: '',
  words,
  colour: null,
  ...values,
});

export const beginCalendar = (palette: readonly string[], today: string): CalendarRecipe => ({
  span: 'month',
  day: today,
  first: 1,
  happenings: [],
  weekends: '#f1ecdc',
  rows: null,
  moon: true,
  notes: false,
  outside: true,
  write: false,
  title: '',
  head: palette[3] ?? '#dfe8d0',
  accent: palette[1] ?? '#2f4d26',
  ink: palette[0] ?? '#2a2820',
  face: 'andika',
  size: 12,
});
