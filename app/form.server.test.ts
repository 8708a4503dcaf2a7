import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import { askedGo, check, formOf } from './form.server';
import { placeAfter } from './who.server';

describe('checking an input', () => {
  const Name = z.object({ name: z.string().min(1, 'Type a name.') });
  test('gives the value when it is right', () =>
    expect(check(Name, { name: 'Ada' })).toEqual({ ok: true, value: { name: 'Ada' } }));
  test('gives the first thing that is wrong, and where', () => {
    expect(check(Name, { name: '' })).toEqual({ ok: false, wrong: { problem: 'Type a name.', field: 'name' } });
    expect(check(Name, null)).toMatchObject({ ok: false });
  });
  test('reads a form into plain words', async () => {
    const request = new Request('http://house.test/', {
      method: 'POST',
      body: new URLSearchParams({ a: '1', b: 'zwei' }),
    });
    expect(await formOf(request)).toEqual({ a: '1', b: 'zwei' });
  });
});

test.each([
  ['', 0],
  ['?go=2', 2],
  ['?go=-1', 0],
  ['?go=1.5', 0],
  ['?go=two', 0],
  ['?go=', 0],
])('“%s” asks for go %i', (query, go) => expect(askedGo(new Request(`http://house.test/x${query}`))).toBe(go));

test.each([
  ['/handouts/a', 'teacher', '/handouts/a'],
  ['/tray', 'student', '/tray'],
  [null, 'teacher', '/desk'],
  [null, 'student', '/tray'],
  ['//elsewhere.example', 'teacher', '/desk'],
  ['https://elsewhere.example', 'student', '/tray'],
  ['javascript:alert(1)', 'teacher', '/desk'],
] as const)('a sign-in that came from %s as %s leads to %s', (next, role, to) =>
  expect(placeAfter(next, role)).toBe(to),
);
