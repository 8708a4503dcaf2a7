import { expect, test } from 'vitest';
import { contrastOf } from '../colour/space';
import { patchOver } from './patch';

const BOX = { x: 0.4, y: 0.4, width: 0.2, height: 0.1 };
const within = (x: number, y: number) => x >= 0.4 && x < 0.6 && y >= 0.4 && y < 0.5;

test('takes the colour around it, not the one it covers', () => {
  const patch = patchOver(BOX, false, (x, y) => (within(x, y) ? '#d02020' : '#7fb2d9'));
  expect([patch.from, patch.to]).toEqual(['#7fb2d9', '#7fb2d9']);
  expect(patch).toMatchObject({ ...BOX, round: false });
});

test('runs from one side to the other where they differ', () => {
  const sky = (_: number, y: number) =>
    `#${Math.round(255 * y)
      .toString(16)
      .padStart(2, '0')
      .repeat(2)}ff`;
  const down = patchOver(BOX, false, sky);
  expect(down.across).toBe(false);
  expect(contrastOf(down.from, '#000000')).toBeLessThan(contrastOf(down.to, '#000000'));
  const across = patchOver(BOX, true, (x) => (x < 0.5 ? '#204060' : '#a0c0e0'));
  expect(across).toMatchObject({ across: true, round: true, from: '#204060', to: '#a0c0e0' });
});

test('a line that crosses a side does not colour it', () => {
  const lined = (x: number) => (Math.abs(x - 0.45) < 0.012 ? '#000000' : '#f0e0c0');
  expect(patchOver(BOX, false, lined)).toMatchObject({ from: '#f0e0c0', to: '#f0e0c0' });
});

test('at the edge of a picture, or where little is seen, the other sides say', () => {
  const corner = { x: 0, y: 0, width: 0.3, height: 0.3 };
  expect(patchOver(corner, false, () => '#445566')).toMatchObject({ from: '#445566', to: '#445566' });
  expect(patchOver({ x: 0, y: 0, width: 1, height: 1 }, false, () => '#445566').from).toBe('#ffffff');
  expect(patchOver(BOX, false, (x) => (x < 0.4 ? '#445566' : null)).from).toBe('#445566');
});
