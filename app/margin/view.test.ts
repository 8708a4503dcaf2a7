import { expect, test } from 'vitest';
import type { View } from './view';
import { fitScale, FULL_SIZE, onStage, roomAround } from './view';

test('a sheet is fitted by its tighter side, with room around', () => {
  expect(fitScale({ width: 100, height: 100 }, 444, 1000)).toBeCloseTo(4, 5);
  expect(fitScale({ width: 100, height: 100 }, 1000, 244)).toBeCloseTo(2, 5);
});

test('a stage without room still shows something', () =>
  expect(fitScale({ width: 792, height: 612 }, 10, 10)).toBeGreaterThan(0));

test('full size is a CSS inch to an inch', () => expect(72 * FULL_SIZE).toBe(96));

test('a spot of the page is where the sheet is, scaled', () => {
  const view = { scale: 2, left: 10, top: -5 } as View;
  expect(onStage(view, { x: 30, y: 40 })).toEqual({ x: 70, y: 75 });
});

test('a page lies in the middle of its room, unless what lies beside it needs more on one side', () => {
  expect(roomAround(400, 1000, 0, 0)).toEqual({ room: 1000, inset: 300 });
  expect(roomAround(400, 1000, 0, 200)).toEqual({ room: 1000, inset: 300 });
  expect(roomAround(400, 1000, 0, 400)).toEqual({ room: 1000, inset: 178 });
  expect(roomAround(400, 1000, 500, 0)).toEqual({ room: 1000, inset: 522 });
  expect(roomAround(400, 1000, 500, 500)).toEqual({ room: 1444, inset: 522 });
});
