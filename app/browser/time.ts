import { useSyncExternalStore } from 'react';

/** Times in words. */

const DAY = 86_400_000;
export type When = Date | string | null;
const ms = (when: When) => (when === null ? 0 : +new Date(when));

const relative = new Intl.RelativeTimeFormat('en-GB', { numeric: 'auto' });

export function agoWords(when: When, now: number): string {
  if (when === null) return '';
  const minutes = Math.max(0, (now - ms(when)) / 60_000);
  if (minutes < 2) return 'just now';
  if (minutes < 60) return relative.format(-Math.round(minutes), 'minute');
  if (minutes < 60 * 20) return relative.format(-Math.round(minutes / 60), 'hour');
  return relative.format(-Math.max(1, Math.round((now - ms(when)) / DAY)), 'day');
}

const TIME = { hour: '2-digit', minute: '2-digit' } as const;
const SHAPES = {
  near: { weekday: 'short', ...TIME },
  far: { day: 'numeric', month: 'short', ...TIME },
  time: TIME,
} as const;
const formats = new Map<string, Intl.DateTimeFormat>();
function format(zone: string, shape: keyof typeof SHAPES): Intl.DateTimeFormat {
  const key = `${zone} ${shape}`;
  let found = formats.get(key);
  if (!found) formats.set(key, (found = new Intl.DateTimeFormat('en-GB', { ...SHAPES[shape], timeZone: zone })));
  return found;
}

/** Weekday and time within a week, else the date. */
export function whenWords(when: When, now: number, zone: string): string {
  return when === null ? '' : format(zone, Math.abs(ms(when) - now) < 6 * DAY ? 'near' : 'far').format(ms(when));
}

/** The time of day. */
export const timeWords = (when: number, zone: string): string => format(zone, 'time').format(when);

export function dueWords(when: When, now: number, zone: string): string {
  if (when === null) return 'no due time';
  return ms(when) < now ? `was due ${whenWords(when, now, zone)}` : `due ${whenWords(when, now, zone)}`;
}

/** Until when something is accepted, or since when it no longer is. Empty where that has no end. */
export function closesWords(when: When, now: number, zone: string): string {
  if (when === null) return '';
  return `${ms(when) <= now ? 'closed' : 'closes'} ${whenWords(when, now, zone)}`;
}

/** From when on something can be seen. Empty where it can be. */
export const opensWords = (when: When, now: number, zone: string): string =>
  when === null || ms(when) <= now ? '' : `opens ${whenWords(when, now, zone)}`;

/** When what is returned goes back. Empty where that is at once. */
export const returnsWords = (when: When, now: number, zone: string): string =>
  when === null || ms(when) <= now ? '' : `returns go out ${whenWords(when, now, zone)}`;

const never = () => () => {};
/** The person's time zone. The server can't know it and writes UTC; the browser corrects it. */
export const useZone = () =>
  useSyncExternalStore(
    never,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => 'UTC',
  );
