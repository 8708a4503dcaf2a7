import { beforeAll, describe, expect, test } from 'vitest';
import { madeFrom, shippedPicture, testKit } from '../../tests/support/made';
import { givenOut, keyOf } from '../handout/copy';
import { lookFor } from '../lookfors/all';
import { onVersion } from '../lookfors/versions';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import type { Kit } from './kit/maker';
import { beginLabels, spotsOf } from './labels/begin';
import { beginPractice } from './practice/begin';
import { variedOn } from './varied';
import { versionAt, versionsOf } from './versions';

let kit: Kit;
let sums: Sheet;
beforeAll(async () => {
  kit = await testKit();
  sums = await on('practice', { ...beginPractice('sums'), version: 'A' });
});

const title = text({ id: 'title', y: 4, body: plain('Monday') });
async function on(kind: 'practice' | 'labels', recipe: object): Promise<Sheet> {
  const { group } = await madeFrom(kind, recipe as never, kit, { width: 552, height: 600, seed: 1 });
  return sheet({ title: 'S', pages: [page({ id: 'p', items: [title, group] })] });
}
const labelled = (picture: string, parts: number) =>
  beginLabels([], picture, spotsOf(shippedPicture(picture)).slice(0, parts));
const printed = (of: Sheet) => JSON.stringify(givenOut(of));

describe('versions of a sheet', () => {
  test('differ from it and from one another, with everything else as it was', async () => {
    const versions = await versionsOf(sums, 3, kit);
    expect(versions).toHaveLength(3);
    expect(new Set([sums, ...versions.map((one) => one.sheet)].map(printed)).size).toBe(4);
    for (const version of versions) {
      expect(find(version.sheet, 'title')?.item).toEqual(title);
      expect(version.sheet.pages.map(({ id }) => id)).toEqual(['p']);
    }
  });
  test('are the same when they are made once more, so many seeds on', async () => {
    for (const [n, { offset, sheet: version }] of (await versionsOf(sums, 3, kit)).entries())
      expect(await versionAt(sums, offset, n + 1, kit)).toEqual(version);
  });
  test('bear their letter where the first one does, and only there', async () => {
    const letters = (of: Sheet) => variedOn(of).map(({ maker }) => (maker.recipe as { version?: string }).version);
    expect((await versionsOf(sums, 2, kit)).flatMap((one) => letters(one.sheet))).toEqual(['B', 'C']);
    const bare = await on('practice', beginPractice('sums'));
    expect((await versionsOf(bare, 1, kit)).flatMap((one) => letters(one.sheet))).toEqual([undefined]);
  });
  test('keep what a teacher set on parts: what may be touched stays so', async () => {
    const touched: Sheet = JSON.parse(JSON.stringify(sums).replaceAll('"touch":"fill"', '"touch":"free"')) as Sheet;
    const [{ sheet: version }] = await versionsOf(touched, 1, kit);
    expect(everyItem(version).some(({ touch }) => touch === 'free')).toBe(true);
    expect(everyItem(version).some(({ touch }) => touch === 'fill')).toBe(false);
  });
  test('a sheet of plain boxes has none, and one that leaves little to vary has few', async () => {
    const plainSheet = sheet({ title: 'S', pages: [page({ id: 'p', items: [title] })] });
    expect(await versionsOf(plainSheet, 3, kit)).toEqual([]);
    const two = await on('labels', { ...labelled('diagram/heron', 2), edition: 'some', some: 1 });
    expect((await versionsOf(two, 7, kit)).length).toBeLessThan(7);
  });
});

describe('look-fors on a version', () => {
  const asked = (of: Sheet) => ({ ...lookForOf(of) });
  const lookForOf = (of: Sheet) =>
    lookFor({ kind: 'answers', id: 'a', spelling: 'near', expect: [{ item: everyItem(of)[0].id, words: ['?'] }] });
  test('answers are those of the version', async () => {
    const [{ sheet: version }] = await versionsOf(sums, 1, kit);
    const now = onVersion(asked(sums), version, sums);
    expect(now).toMatchObject({ kind: 'answers', id: 'a' });
    const words = (one: unknown) => (one as { expect: { words: string[] }[] }).expect.map(({ words: [word] }) => word);
    expect(words(now)).not.toEqual(words(onVersion(asked(sums), sums, sums)));
  });
  test('a diagram answers to the one in the same place of a chosen sheet; without one it is said', async () => {
    const [base, other] = await Promise.all(
      ['diagram/heron', 'diagram/shore-crab'].map((picture) =>
        on('labels', { ...labelled(picture, 5), edition: 'blank' }),
      ),
    );
    const labels = lookFor({ kind: 'labels', id: 'l', spelling: 'near', ...keyOf(base)[0] });
    expect(onVersion(labels, other, base)).toMatchObject({ id: 'l', expect: keyOf(other)[0].expect });
    expect(onVersion(labels, sums, base)).toMatch(/no such diagram/);
  });
  test('a box that only the first has is missed in words', () => {
    const words = lookFor({ kind: 'words', id: 'w', item: 'own', min: 5 });
    const base = sheet({ title: 'S', pages: [page({ id: 'p', items: [text({ id: 'own', touch: 'fill' })] })] });
    const other = sheet({ title: 'T', pages: [page({ id: 'p', items: [text({ id: 'else', touch: 'fill' })] })] });
    expect(onVersion(words, other, base)).toMatch(/no such box/);
    expect(onVersion({ ...words, item: null } as typeof words, other, base)).toMatchObject({ item: null });
  });
});
