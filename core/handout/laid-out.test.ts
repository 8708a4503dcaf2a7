import { expect, test } from 'vitest';
import type { Change } from '../changes/change';
import { beginMap } from '../makers/map/begin';
import { group, page, picture, sheet } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { mayUploadOn, NOTHING_LAID_OUT, readLaidOut, usableOf } from './laid-out';
import { refusal } from './permission';
import { SUPPLIES } from './supplies';

const pic = (id: string, shown: string) => picture({ id, picture: shown, touch: 'free' });
const mapWith = (id: string, shown: string): Item => {
  const recipe = { ...beginMap([]), nodes: [{ id: 'n', text: 'w', parent: null, link: '', picture: shown }] };
  return { ...group({ id, touch: 'free', items: [] }), maker: { kind: 'map', recipe, seed: 1, parts: [] } };
};
const given = sheet({
  title: 'Food web',
  pages: [page({ id: 'p', items: [pic('a', 'flat/heron'), mapWith('m', 'flat/eel')] })],
});
const insert = (item: Item): Change => ({ kind: 'insert', spot: { page: 'p', group: null, behind: null }, item });
const set = (shown: string): Change => ({ kind: 'set', id: 'a', values: { picture: shown } });
const all = [...SUPPLIES];

test('without “no other pictures” any may be used', () => {
  const usable = usableOf(given, { ...NOTHING_LAID_OUT, pictures: ['flat/frog'] });
  expect(usable).toBeNull();
  expect(refusal(given, insert(pic('n', 'flat/cat')), all, {}, usable)).toBeNull();
});

test.each<[string, Change, boolean]>([
  ['one that is laid out', insert(pic('n', 'flat/frog')), true],
  ['one that stood on the sheet', insert(pic('n', 'flat/heron')), true],
  ['one that stood in a map', insert(pic('n', 'flat/eel')), true],
  ['another', insert(pic('n', 'flat/cat')), false],
  ['another in a group', insert(group({ id: 'g', touch: 'free', items: [pic('n', 'flat/cat')] })), false],
  ['another in a map', insert(mapWith('n', 'flat/cat')), false],
  ['another in the place of one', set('flat/cat'), false],
  ['a laid out one in the place of one', set('flat/frog'), true],
  ['an uploaded one', insert(pic('n', 'own/a')), false],
  ['another among other changes', { kind: 'all', changes: [set('flat/frog'), insert(pic('n', 'flat/cat'))] }, false],
  ['one that is gone again in the same step', { kind: 'all', changes: [set('flat/cat'), set('flat/frog')] }, true],
])('with it: %s', (_, change, may) => {
  const usable = usableOf(given, { pictures: ['flat/frog'], only: true, uploads: false });
  const no = refusal(given, change, all, {}, usable);
  expect(no === null).toBe(may);
  if (!may) expect(no).toMatch(/Choose one of them\.$/);
});

test('with it, one may be uploaded where that is opened', () => {
  const usable = usableOf(given, { pictures: [], only: true, uploads: true });
  expect(refusal(given, insert(pic('n', 'own/a')), all, {}, usable)).toBeNull();
  expect(refusal(given, insert(pic('n', 'flat/cat')), all, {}, usable)).toMatch(/or upload one/);
});

test('what shows another picture already may be moved and taken away', () => {
  const usable = { ids: [], own: false };
  expect(refusal(given, { kind: 'set', id: 'a', values: { x: 4 } }, all, {}, usable)).toBeNull();
  expect(refusal(given, { kind: 'remove', id: 'a' }, all, {}, usable)).toBeNull();
});

test('uploading needs pictures to be opened, too; what can’t be read lays nothing out', () => {
  const open = { ...NOTHING_LAID_OUT, uploads: true };
  expect([mayUploadOn(['picture'], open), mayUploadOn(['shape'], open)]).toEqual([true, false]);
  expect(mayUploadOn(['picture'], NOTHING_LAID_OUT)).toBe(false);
  for (const bad of [{}, null, 'x', { pictures: 4 }]) expect(readLaidOut(bad)).toEqual(NOTHING_LAID_OUT);
});
