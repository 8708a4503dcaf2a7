import { expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { group, page, shape, sheet, text } from '../schema/defaults';
import type { GroupItem } from '../schema/sheet';
import { itemName } from '../items/name';
import { everyItem, find, findOn, idsWithin, withInserted, withItem, withoutItem } from './tree';

test('an item is found with its page, its groups and its place', () => {
  const place = find(sampleSheet(), 'inner2')!;
  expect([place.page.id, place.groups.map((g) => g.id), place.index]).toEqual(['p1', ['pair'], 1]);
  expect(find(sampleSheet(), 'second')!.page.id).toBe('p2');
  expect(find(sampleSheet(), 'nobody')).toBeUndefined();
  expect(findOn(sampleSheet().pages[0], 'second')).toBeUndefined();
});

test('all items are walked, groups before their parts', () => {
  const ids = [...everyItem(sampleSheet())].map((item) => item.id);
  expect(ids.indexOf('pair')).toBeLessThan(ids.indexOf('inner'));
  expect(ids).toContain('second');
});

test('replacing an item leaves all others the very same objects', () => {
  const before = sampleSheet();
  const place = find(before, 'inner')!;
  const after = withItem(before, place, { ...place.item, locked: true });
  expect(find(after, 'inner')!.item.locked).toBe(true);
  expect(find(after, 'box')!.item).toBe(find(before, 'box')!.item);
  expect(after.pages[1]).toBe(before.pages[1]);
  expect(find(before, 'inner')!.item.locked).toBe(false);
});

test('what lies deep within groups is replaced, taken away and put back', () => {
  const deep = sheet({
    title: 'd',
    pages: [page({ id: 'p', items: [group({ id: 'a', items: [group({ id: 'b', items: [shape({ id: 'c' })] })] })] })],
  });
  const place = find(deep, 'c')!;
  const without = withoutItem(deep, place);
  expect(find(without, 'c')).toBeUndefined();
  expect(idsWithin(without.pages[0].items[0])).toEqual(['a', 'b']);
  const { item, groups } = find(without, 'b')!;
  const back = withInserted(without, 'p', [...groups, item as GroupItem], null, place.item);
  expect(back).toEqual(deep);
  expect(idsWithin(deep.pages[0].items[0])).toEqual(['a', 'b', 'c']);
});

test.each([
  ['its words', text({ id: 'a', body: [{ format: {}, runs: [{ text: '  long   neck ', style: {} }] }] }), 'long neck'],
  ['what it asks for', text({ id: 'a', prompt: 'your name' }), 'your name'],
  ['what it is', shape({ id: 'a', shape: 'balloon' }), 'speech balloon'],
  ['how many it holds', group({ id: 'a', items: [shape({ id: 'b' }), shape({ id: 'c' })] }), 'group of 2'],
])('a thing is called by %s', (_, item, name) => expect(itemName(item)).toBe(name));

test('long words are cut short', () =>
  expect(itemName(text({ id: 'a', body: [{ format: {}, runs: [{ text: 'x'.repeat(90), style: {} }] }] }))).toHaveLength(
    39,
  ));
