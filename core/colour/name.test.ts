import fc from 'fast-check';
import { expect, test } from 'vitest';
import { colourName } from './name';

test.each([
  ['#ffffff', 'white'],
  ['#000000', 'black'],
  ['#808080', 'grey'],
  ['#d0d0d0', 'light grey'],
  ['#ff0000', 'red'],
  ['#ff8c1a', 'orange'],
  ['#ffe14d', 'yellow'],
  ['#2f4d26', 'dark green'],
  ['#dfe8d0', 'light green'],
  ['#2c5d86', 'blue'],
  ['#cfdfec', 'light blue'],
  ['#7a3b12', 'brown'],
  ['#f3ecda', 'beige'],
  ['#7b2fb0', 'purple'],
  ['#ff69b4', 'pink'],
  ['#20c0b8', 'turquoise'],
])('%s is called %s', (hex, name) => expect(colourName(hex)).toBe(name));

test('every colour has a name', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
      expect(colourName(`#${value.toString(16).padStart(6, '0')}`)).toMatch(/^(light |dark )?[a-z]+$/);
    }),
  );
});
