import dayjs from 'dayjs';

/** How a day, and a day with its time, are shown and typed. */
export const DAY = 'D MMM YYYY';
export const MOMENT = 'D MMM YYYY, HH:mm';

/** A day or moment as it is kept (2026-11-27, 2026-11-27T14:00) in words. */
export const dayWords = (value: string, time: boolean) => dayjs(value).format(`ddd ${time ? MOMENT : DAY}`);

/** A moment as fields keep it: local, to the minute. Empty for none. */
export const localOf = (at: Date | null): string => (at ? dayjs(at).format('YYYY-MM-DDTHH:mm') : '');

/** The moment that a field holds. Null where it holds none. */
export const momentOf = (local: string): Date | null => (dayjs(local).isValid() ? dayjs(local).toDate() : null);
