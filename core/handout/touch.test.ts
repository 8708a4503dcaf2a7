import { expect, test } from 'vitest';
import { group, line, page, plain, shape, sheet, solid, text } from '../schema/defaults';
import { partsOn, sweptOver, unseenBoxes, withRole } from './touch';

const none = () => undefined;
const box = { x: 100, y: 100, width: 80, height: 20 };
const bare = (id: string, given: Partial<Parameters<typeof text>[0]> = {}) =>
  text({ id, touch: 'fill', outline: null, fill: null, prompt: '', body: plain(''), ...box, ...given });
const on = (...items: Parameters<typeof page>[0]['items'] & object) => page({ id: 'p', items });
const ids = (items: readonly { id: string }[]) => items.map(({ id }) => id);

test('parts are those that can be seen, in groups too, and lines', () => {
  const one = on(
    group({ id: 'g', items: [text({ id: 'a' }), group({ id: 'h', items: [text({ id: 'b' })] })] }),
    text({ id: 'c', hidden: true }),
    line({ id: 'l' }),
  );
  expect(ids(partsOn(one))).toEqual(['g', 'a', 'h', 'b', 'l']);
});

test('a sweep takes what it meets, and parts instead of their group', () => {
  const one = on(
    text({ id: 'a', ...box }),
    text({ id: 'b', ...box, y: 300 }),
    group({
      id: 'g',
      x: 300,
      y: 100,
      width: 50,
      height: 50,
      items: [text({ id: 'c', x: 0, y: 0, width: 50, height: 20 })],
    }),
  );
  expect(ids(sweptOver(one, { x: 90, y: 90, width: 20, height: 20 }, none))).toEqual(['a']);
  expect(ids(sweptOver(one, { x: 0, y: 0, width: 500, height: 500 }, none))).toEqual(['a', 'b', 'c']);
  expect(ids(sweptOver(one, { x: 0, y: 0, width: 50, height: 50 }, none))).toEqual([]);
});

test('boxes of a role are found on every page', () => {
  const whole = sheet({
    title: 'Labels',
    pages: [
      page({ id: 'p', items: [text({ id: 'a', role: 'label' }), text({ id: 'b', role: 'title' })] }),
      page({ id: 'q', items: [group({ id: 'g', items: [text({ id: 'c', role: 'label' })] })] }),
    ],
  });
  expect(ids(withRole(whole, 'label'))).toEqual(['a', 'c']);
});

test('a box to write in that nobody can see is found; a frame, a fill, a prompt, words or a shape around it show it', () => {
  const outline = { colour: '#112233', width: 1, dash: 'solid' as const };
  const frame = { id: 'f', ...box, x: 95, y: 95, width: 90, height: 30 };
  expect(ids(unseenBoxes(on(bare('a')), none))).toEqual(['a']);
  expect(ids(unseenBoxes(on(group({ id: 'g', items: [bare('in')] })), none))).toEqual(['in']);
  for (const seen of [
    bare('a', { outline }),
    bare('a', { fill: solid('#ffffff') }),
    bare('a', { prompt: 'your name' }),
    bare('a', { body: plain('Once') }),
    bare('a', { touch: 'fixed' }),
    bare('a', { hidden: true }),
  ])
    expect(unseenBoxes(on(seen), none)).toEqual([]);
  expect(unseenBoxes(on(shape({ ...frame, outline, fill: null }), bare('a')), none)).toEqual([]);
  // A shape without a look, one elsewhere, and a panel as large as the page show nothing.
  for (const other of [
    shape({ ...frame, outline: null, fill: null }),
    shape({ ...frame, x: 300, outline }),
    shape({ id: 'f', x: 0, y: 0, width: 600, height: 700, outline }),
  ])
    expect(ids(unseenBoxes(on(other, bare('a')), none))).toEqual(['a']);
});
