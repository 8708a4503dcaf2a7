import { expect, test } from 'vitest';
import { held, line, page, picture, text } from '../schema/defaults';
import { anchorAt, boxesOn, lightAt } from './spots';

const none = () => undefined;
const sheet = page({
  id: 'p',
  items: [
    text({ id: 'label', x: 300, y: 40, width: 80, height: 20, touch: 'fill' }),
    picture({ id: 'heron', picture: 'diagram/heron', x: 0, y: 0, width: 200, height: 200 }),
    line({ id: 'leader', from: held('label'), to: held('heron', '@50,25', 100, 50) }),
    line({ id: 'hidden', hidden: true, from: held('label'), to: held('heron', '@90,90', 180, 180) }),
  ],
});

test('a label is lit with what its line leads to', () => {
  const [label, target, ...more] = lightAt(sheet, { item: 'label', x: null, y: null }, none);
  expect(label).toEqual({ x: 300, y: 40, width: 80, height: 20 });
  expect(target).toMatchObject({ width: 0, height: 0 });
  expect(target.x).toBeLessThan(200);
  expect(more).toEqual([]);
});

test('what is gone is lit where it was, and nothing without a place', () => {
  expect(lightAt(sheet, { item: 'gone', x: 100, y: 80 }, none)).toEqual([{ x: 82, y: 62, width: 36, height: 36 }]);
  expect(lightAt(sheet, { item: 'gone', x: null, y: null }, none)).toEqual([]);
});

test('a thread begins beside the item, or where it was', () => {
  expect(anchorAt(sheet, { item: 'label', x: 1, y: 2 }, none)).toEqual({ x: 380, y: 50 });
  expect(anchorAt(sheet, { item: 'gone', x: 1, y: 2 }, none)).toEqual({ x: 1, y: 2 });
  expect(anchorAt(sheet, { item: null, x: null, y: null }, none)).toBeNull();
});

test('all that stands on a page has a box', () =>
  expect(boxesOn(sheet, none)[1]).toEqual({ x: 0, y: 0, width: 200, height: 200 }));
