import { expect, test } from 'vitest';
import { isOwnOrigin } from './app';
import { mostFor } from './bodies';
import { reachedFrom } from './settings';

test.each([
  ['http://localhost:4600', 'localhost:4600', null, true],
  ['https://school.example', 'school.example', 'https://school.example', true],
  ['http://school.example', 'school.example', 'https://school.example', false],
  ['https://school.example', 'school.example', null, false],
  ['http://localhost:4601', 'localhost:4600', null, false],
  ['https://elsewhere.example', 'school.example', 'https://school.example', false],
  ['null', 'school.example', null, false],
  [undefined, 'school.example', null, false],
])('a request from %s to %s, reached as %s, is our own: %s', (origin, host, own, expected) =>
  expect(isOwnOrigin(origin, host, own)).toBe(expected),
);

test('how the program is reached is read from the environment, or refused with how to write it', () => {
  expect(reachedFrom({})).toEqual({ origin: null, proxies: 0 });
  expect(reachedFrom({ PUBLIC_URL: 'https://a.example/', TRUST_PROXY: '1' })).toEqual({
    origin: 'https://a.example',
    proxies: 1,
  });
  for (const wrong of [{ PUBLIC_URL: 'a.example' }, { PUBLIC_URL: 'ftp://a.example' }, { TRUST_PROXY: 'yes' }])
    expect(() => reachedFrom(wrong)).toThrow(/PUBLIC_URL|TRUST_PROXY/);
});

test('as much may come in as a place needs', () => {
  expect(mostFor('/pictures')).toBeGreaterThan(mostFor('/documents/abc/changes'));
  expect(mostFor('/documents/abc/changes')).toBeGreaterThan(mostFor('/sheets/abc/hand-out'));
});
