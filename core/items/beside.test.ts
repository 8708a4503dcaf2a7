import fc from 'fast-check';
import { expect, test } from 'vitest';
import { overlaps } from '../geometry/box';
import { asExample, givenOut } from '../handout/copy';
import { boxOf } from './hit';
import { free, line, page, shape, sheet } from '../schema/defaults';
import { besideOf, isBeside, onPaper, placeBeside, roomBeside } from './beside';

const things = fc.array(
  fc.record({
    x: fc.integer({ min: -900, max: 1500 }),
    y: fc.integer({ min: -900, max: 1500 }),
    width: fc.integer({ min: 1, max: 300 }),
    height: fc.integer({ min: 1, max: 300 }),
    angle: fc.integer({ min: -180, max: 180 }),
  }),
  { maxLength: 12 },
);
const pageOf = (frames: readonly object[]) =>
  page({ id: 'p', width: 600, height: 800, items: frames.map((frame, i) => shape({ id: `i${i}`, ...frame })) });

test('what is handed out or shown as an example has everything on the paper, and nothing beside it', () => {
  fc.assert(
    fc.property(things, (frames) => {
      const whole = sheet({ title: 'Beside', pages: [pageOf(frames)] });
      const [before] = whole.pages;
      const stays = before.items.filter((item) => !isBeside(before, item)).map(({ id }) => id);
      for (const out of [onPaper(whole), givenOut(whole), asExample(whole)]) {
        expect(out.pages[0].items.map(({ id }) => id)).toEqual(stays);
        expect(besideOf(out.pages[0])).toEqual([]);
      }
    }),
  );
});

test('one that reaches over the edge lies on the paper; one that only touches it does not', () => {
  const on = (x: number) =>
    isBeside(pageOf([{ x, y: 10, width: 50, height: 50 }]), pageOf([{ x, y: 10, width: 50, height: 50 }]).items[0]);
  expect([on(599), on(600), on(-50), on(-49)]).toEqual([false, true, true, false]);
});

test('a turned thing lies where its corners lie, and a line where its ends are', () => {
  const turned = pageOf([{ x: 560, y: 100, width: 200, height: 10, angle: 90 }]);
  expect(isBeside(turned, turned.items[0])).toBe(true);
  const lines = page({
    id: 'p',
    width: 600,
    height: 800,
    items: [
      line({ id: 'off', from: free(620, 0), to: free(700, 90) }),
      line({ id: 'across', from: free(-20, 10), to: free(620, 10) }),
    ],
  });
  expect(besideOf(lines).map(({ id }) => id)).toEqual(['off']);
});

test('a place beside a page lies off the paper and on nothing, however much waits there', () => {
  fc.assert(
    fc.property(things, fc.integer({ min: 5, max: 400 }), fc.integer({ min: 5, max: 900 }), (frames, width, height) => {
      const around = pageOf(frames);
      const box = { ...placeBeside(around, width, height), width, height };
      expect(overlaps(box, { x: 0, y: 0, width: 600, height: 800 })).toBe(false);
      for (const item of besideOf(around))
        expect(
          overlaps(
            box,
            boxOf(around, item, () => undefined),
          ),
        ).toBe(false);
    }),
  );
});

test('the room that things beside a page take', () => {
  expect(roomBeside(pageOf([{ x: 10, y: 10, width: 20, height: 20 }]))).toBeNull();
  const frames = [
    { x: 650, y: 0, width: 100, height: 50 },
    { x: -80, y: 300, width: 40, height: 40 },
  ];
  expect(roomBeside(pageOf(frames))).toEqual({ x: -80, y: 0, width: 830, height: 340 });
});
