import { expect, test } from 'vitest';
import { isOwnOrigin } from './app';

test.each([
  ['http://localhost:4600', 'localhost:4600', true],
  ['https://school.example', 'school.example', true],
  ['http://localhost:4601', 'localhost:4600', false],
  ['https://elsewhere.example', 'school.example', false],
  ['null', 'school.example', false],
  [undefined, 'school.example', false],
])('a request from %s to %s is our own: %s', (origin, host, own) => expect(isOwnOrigin(origin, host)).toBe(own));
