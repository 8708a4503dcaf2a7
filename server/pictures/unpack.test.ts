import { zipSync } from 'fflate';
import { expect, test } from 'vitest';
import { MOST_IN_ZIP } from '../../core/raster/limits';
import { discFile } from '../../tests/support/own';
import { unpack } from './unpack';

const words = (text: string) => new TextEncoder().encode(text);

test('pictures come out of a ZIP file by their own names, from any folder', async () => {
  const disc = new Uint8Array(await discFile.plain());
  const zip = zipSync({
    'photos/marsh/disc.jpg': disc,
    'a.svg': words('<svg/>'),
    '__MACOSX/._disc.jpg': disc,
    '.DS_Store': disc,
  });
  const { files, refused } = unpack(zip)!;
  expect(files.map(({ name, bytes }) => [name, bytes.length])).toEqual([
    ['disc.jpg', disc.length],
    ['a.svg', 6],
  ]);
  expect(refused).toEqual([]);
});

test('what is none, and a ZIP file inside, are named', async () => {
  const inner = zipSync({ 'disc.jpg': new Uint8Array(await discFile.plain()) });
  const { files, refused } = unpack(zipSync({ 'notes.txt': words('hello'), 'more.zip': inner }))!;
  expect(files).toEqual([]);
  expect(refused).toEqual([
    { name: 'notes.txt', problem: expect.stringMatching(/no PNG/) },
    { name: 'more.zip', problem: expect.stringMatching(/inside a ZIP file/) },
  ]);
});

test('a file that swells beyond measure is not unpacked, nor more files than can be taken', () => {
  const bomb = zipSync({ 'zeros.png': new Uint8Array(30_000_000) });
  expect(bomb.length).toBeLessThan(100_000);
  expect(unpack(bomb)).toEqual({
    files: [],
    refused: [{ name: 'zeros.png', problem: expect.stringMatching(/30 MB; at most 20/) }],
  });
  const many = Object.fromEntries(Array.from({ length: MOST_IN_ZIP + 2 }, (_, i) => [`${i}.svg`, words('<svg/>')]));
  const { files, refused } = unpack(zipSync(many))!;
  expect([files.length, refused.length]).toEqual([MOST_IN_ZIP, 2]);
});

test('what is damaged is no ZIP file', () => {
  expect(unpack(words('PK\u0003\u0004 and then nothing'))).toBeNull();
  expect(unpack(zipSync({ 'a.svg': words('<svg/>') }).subarray(0, 40))).toBeNull();
});
