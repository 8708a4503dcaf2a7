import sharp from 'sharp';
import { expect, test } from 'vitest';
import { drawPage } from '../../core/items/draw';
import { group, page, picture, sheet } from '../../core/schema/defaults';
import { allFaces } from '../../tests/support/fonts';
import { discFile } from '../../tests/support/own';
import { clearedPicture, readIn } from '../pictures/read-in';
import type { PictureFiles } from '../stores/pictures';
import { fitted, shownWidths } from './fitted';

const WIDE = 6000;
const RECIPE = { border: true, spots: [], tolerance: 0.2, soft: 0, strokes: [] };

async function largeDisc(): Promise<PictureFiles & { id: string; cleared: string }> {
  const bytes = await sharp(await discFile.plain())
    .resize({ width: WIDE })
    .jpeg()
    .toBuffer();
  const { drawn, pixels } = await readIn(bytes, 'disc', 'somebody');
  const { whole } = drawn.raster!;
  const without = await clearedPicture(drawn, pixels!.screen!, RECIPE);
  const { whole: clear } = without.drawn.raster!;
  return {
    id: drawn.id,
    cleared: without.drawn.id,
    drawn: [drawn, without.drawn],
    files: new Map([
      [whole.asset, pixels!.image],
      [whole.screen!, pixels!.screen!],
      [clear.asset, without.screen],
      [clear.screen!, without.screen],
    ]),
    masks: new Map([[clear.asset, { of: whole.asset, mask: without.mask }]]),
  };
}

test('large pictures are as fine as what they are made for can show, with and without their backgrounds', async () => {
  const own = await largeDisc();
  const faces = await allFaces();
  const pictures = (id: string) => own.drawn.find((drawn) => drawn.id === id);
  /** Pixels across of both files, for pictures that are shown so many points wide, in a group that is turned. */
  async function across(width: number, dpi: number) {
    const inner = [
      picture({ id: 'a', picture: own.id, width, height: width / 1.5 }),
      picture({ id: 'b', picture: own.id, clearing: RECIPE, width, height: width / 1.5 }),
    ];
    const around = group({ id: 'g', width: 500, height: 400, angle: 30, items: inner });
    const made = sheet({ title: 't', pages: [page({ id: 'p', width: 2000, height: 2000, items: [around] })] });
    const drawn = drawPage(made, made.pages[0], { faces, pictures });
    expect(Math.round([...shownWidths(drawn.nodes).values()][0])).toBe(width);
    const { files } = await fitted(own, () => [drawn], dpi);
    const assets = own.drawn.map(({ raster }) => raster!.whole.asset);
    return Promise.all(assets.map(async (asset) => (await sharp(files.get(asset)).metadata()).width));
  }
  // Two inches at 300 to the inch: what screens show is more than enough.
  expect(await across(144, 300)).toEqual([2400, 2400]);
  // Twelve inches: less than there is.
  expect(await across(864, 300)).toEqual([3600, 3600]);
  // As wide as it gets.
  expect(await across(1800, 300)).toEqual([WIDE, WIDE]);
});

test('where no picture is large nothing is drawn to find out', async () => {
  const { drawn, pixels } = await readIn(await discFile.plain(), 'disc', 'somebody');
  const own = { drawn: [drawn], files: new Map([[drawn.raster!.whole.asset, pixels!.image]]) };
  const never = () => {
    throw new Error('drawn');
  };
  expect(await fitted(own, never, 300)).toBe(own);
});
