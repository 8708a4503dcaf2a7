import { expect, test } from 'vitest';
import { mainColours } from './main-colours';

test('the colours that cover much of what is seen, the widest first', () => {
  expect(
    mainColours([
      ['#d9483f', 30],
      ['#a42f33', 20],
      ['#3b7d46', 30],
      ['#2a64a3', 5],
    ]),
  ).toEqual(['red', 'green']);
  expect(mainColours([])).toEqual([]);
});

test.each([
  ['#2a2820', 'black'],
  ['#ffffff', 'white'],
  ['#fbf8f1', 'white'],
  ['#b4bcc6', 'grey'],
  ['#8d5a2f', 'brown'],
  ['#f2a3bd', 'pink'],
  ['#59c3c3', 'blue'],
  ['#f9dc5c', 'yellow'],
  ['#8a63b8', 'purple'],
])('%s is %s', (hex, colour) => expect(mainColours([[hex, 1]])).toEqual([colour]));
