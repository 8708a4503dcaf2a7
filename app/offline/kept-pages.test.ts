import { expect, test } from 'vitest';
import { isOwn, PAGE } from './kept-pages';

test.each([
  ['/tray', true, true],
  ['/tray.data', true, true],
  ['/copies/a-B_9', true, true],
  ['/copies/a-B_9.data', true, true],
  ['/copies/a-B_9/picture.svg', true, false],
  ['/art/pictures/own/abc.webp', true, false],
  ['/names', true, false],
  ['/pictures', true, false],
  ['/', false, false],
  ['/desk', false, false],
  ['/sheets/abc', false, false],
  ['/copies/a/b', false, false],
  ['/documents/abc/changes', false, false],
  ['/seal', false, false],
  ['/sign-out', false, false],
  ['/art/pictures/flat/link.json', false, false],
])('%s is kept as somebody’s own: %s, as a page: %s', (path, own, page) => {
  expect(isOwn(path)).toBe(own);
  expect(PAGE.test(path)).toBe(page);
});
