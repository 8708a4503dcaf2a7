import { expect, test } from 'vitest';
import { whomWords } from './whom';

test('it is said whether a whole class, groups or single students get it', () => {
  expect(whomWords({ className: 'Curlew', groups: null })).toBe('Curlew');
  expect(whomWords({ className: 'Curlew', groups: ['Moss', 'Fern', 'Ivy'] })).toBe('Curlew: Moss, Fern and Ivy');
  expect(whomWords({ className: 'Curlew', groups: [] })).toBe('Curlew: some');
});
