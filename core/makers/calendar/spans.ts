import type { Happening } from '../../schema/recipes/calendar';
import { dayNumber } from '../../values/days';

/** What happens in a calendar by the number of its days, and the lanes that events of several days share. */

export type Span = { happening: Happening; from: number; until: number };
export const spanOf = (happening: Happening): Span => {
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
export const lanesIn = (spans: readonly Span[], first: number, last: number): Span[][] =>
  lanesOf(spans.filter(({ from, until }) => from <= last && until >= first));
/** How many lanes there are down to the last one that is taken on a day. */
export const depthOn = (lanes: readonly (readonly Span[])[], day: number): number =>
  lanes.findLastIndex((lane) => lane.some(({ from, until }) => from <= day && until >= day)) + 1;

/** What happens on one day alone. */
export const onDay = (spans: readonly Span[], day: number): Happening[] =>
  spans.filter(({ from, until }) => from === day && until === from).map(({ happening }) => happening);
