import { beforeEach, expect, test, vi } from 'vitest';
import { fetchPicture } from './fetch-pictures';

/** Pictures from the server, whose part is played here. */

let asked: string[];
let hasSeveral: boolean;
beforeEach(() => {
  asked = [];
  hasSeveral = true;
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url);
    const one = /^\/art\/pictures\/(.+)\.json$/.exec(url);
    const pictureOf = (id: string) => (id.endsWith('none') ? null : { id });
    if (one) {
      const found = pictureOf(one[1]);
      return Promise.resolve(found ? Response.json(found) : new Response('', { status: 404 }));
    }
    if (!hasSeveral) return Promise.reject(new TypeError('no network'));
    const ids = new URLSearchParams(url.split('?')[1]).get('ids')!.split(',');
    return Promise.resolve(Response.json(ids.map(pictureOf)));
  });
});

const ids = (count: number) => Array.from({ length: count }, (_, i) => `flat/p${i}`);
const found = async (wanted: readonly string[]) => (await Promise.all(wanted.map(fetchPicture))).map((one) => one?.id);

test('a few are asked for one by one, and what is not there is none', async () => {
  expect(await found([...ids(3), 'flat/none'])).toEqual([...ids(3), undefined]);
  expect(asked).toHaveLength(4);
});
test('many come together, each for whom it is; uploaded ones alone', async () => {
  const many = [...ids(70), 'flat/none', 'own/a'];
  expect(await found(many)).toEqual([...ids(70), undefined, 'own/a']);
  expect(asked.filter((url) => url.includes('several'))).toHaveLength(2);
  expect(asked).toHaveLength(3);
});
test('where that fails each is asked for', async () => {
  hasSeveral = false;
  expect(await found(ids(20))).toEqual(ids(20));
  expect(asked).toHaveLength(21);
});
test('what is not answered fails, and can be asked for again', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
  await expect(fetchPicture('flat/p1')).rejects.toThrow('no network');
});
