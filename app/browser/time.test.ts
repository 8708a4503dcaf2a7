import { expect, test } from 'vitest';
import { agoWords, dueWords, whenWords } from './time';

const now = Date.UTC(2026, 2, 18, 12);
const before = (minutes: number) => new Date(now - minutes * 60_000);

test.each([
  [0, 'just now'],
  [5, '5 minutes ago'],
  [55, '55 minutes ago'],
  [61, '1 hour ago'],
  [180, '3 hours ago'],
  [60 * 30, 'yesterday'],
  [60 * 24 * 5, '5 days ago'],
])('%d minutes before: %s', (minutes, words) => expect(agoWords(before(minutes), now)).toBe(words));

test('near times by weekday, far ones by date, in the person’s zone', () => {
  expect(whenWords(before(60), now, 'UTC')).toBe('Wed 11:00');
  expect(whenWords(before(60), now, 'Asia/Tokyo')).toBe('Wed 20:00');
  expect(whenWords(before(60 * 24 * 30), now, 'UTC')).toMatch(/^16 Feb/);
});

test('due, was due, or never', () => {
  expect(dueWords(new Date(now + 3_600_000), now, 'UTC')).toBe('due Wed 13:00');
  expect(dueWords(before(60), now, 'UTC')).toBe('was due Wed 11:00');
  expect(dueWords(null, now, 'UTC')).toBe('no due time');
});
