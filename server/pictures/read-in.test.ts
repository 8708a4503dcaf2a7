import sharp from 'sharp';
import { beforeAll, describe, expect, test } from 'vitest';
import { colourAt } from '../../core/raster/mosaic';
import { flatten } from '../../core/geometry/flatten';
import type { Faces } from '../../core/text/faces';
import { allFaces } from '../../tests/support/fonts';
import { discFile } from '../../tests/support/own';
import { MOST_BYTES } from '../../core/raster/limits';
import { PictureProblem, readIn } from './read-in';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const read = (bytes: Uint8Array) => readIn(bytes, 'a disc', 'somebody', { faces });

describe('a picture from outside', () => {
  test('on clear ground stays clear, and has its outline', async () => {
    const { drawn, pixels } = await read(await discFile.clear());
    const { type, image, lines } = pixels!;
    expect(type).toBe('image/png');
    expect(drawn).toMatchObject({ name: 'a disc', width: 300, height: 200, raster: { clear: true, outlined: true } });
    expect(drawn.id).toMatch(/^own\/[0-9a-f]{32}$/);
    expect(drawn.raster!.whole.asset).toBe(`${drawn.id}.png`);
    const { box } = flatten(drawn.paths[0].d);
    for (const [got, wanted] of [
      [box.x, 80],
      [box.y, 30],
      [box.width, 140],
    ])
      expect(Math.abs(got - wanted)).toBeLessThan(3);
    expect(colourAt(drawn.raster!.mosaic, 0.5, 0.5)).toBe('#b2501c');
    expect(colourAt(drawn.raster!.mosaic, 0.05, 0.05)).toBeNull();
    const pixel = async (bytes: Uint8Array, x: number, y: number) =>
      (await sharp(bytes).ensureAlpha().raw().toBuffer()).subarray((y * 300 + x) * 4, (y * 300 + x) * 4 + 4);
    expect([...(await pixel(image, 150, 100))]).toEqual([0xb2, 0x50, 0x1c, 255]);
    // Inked along its edge, and nowhere else.
    expect((await pixel(lines, 150, 100))[3]).toBeLessThan(20);
    expect((await pixel(lines, 5, 5))[3]).toBeLessThan(20);
    expect((await pixel(lines, 150, 31))[3]).toBeGreaterThan(150);
  });
  test('on plain ground is a JPEG with the outline of what stands on it', async () => {
    const { drawn, pixels } = await read(await discFile.plain());
    expect([pixels!.type, drawn.raster!.clear, drawn.raster!.outlined]).toEqual(['image/jpeg', false, true]);
    expect(Math.abs(flatten(drawn.paths[0].d).box.width - 140)).toBeLessThan(4);
  });
  test('on mixed ground has the outline of its frame', async () => {
    const { drawn } = await read(await discFile.mixed());
    expect(drawn.raster!.outlined).toBe(false);
    expect(flatten(drawn.paths[0].d).box).toEqual({ x: 0, y: 0, width: 300, height: 200 });
  });
  test('of which one pixel is to be seen has no outline that words could fill', async () => {
    const dot = await sharp({ create: { width: 1, height: 1, channels: 4, background: '#000' } })
      .png()
      .toBuffer();
    const clear = { r: 0, g: 0, b: 0, alpha: 0 };
    const bytes = await sharp({ create: { width: 200, height: 150, channels: 4, background: clear } })
      .composite([{ input: dot, left: 90, top: 70 }])
      .png()
      .toBuffer();
    const { drawn } = await read(bytes);
    expect(drawn.raster).toMatchObject({ clear: true, outlined: false });
    expect(flatten(drawn.paths[0].d).box).toEqual({ x: 0, y: 0, width: 200, height: 150 });
  });
  test('comes as WebP, too; as a page it has its pixels in full size and no outline', async () => {
    const webp = await sharp(await discFile.plain())
      .resize({ width: 3000 })
      .webp()
      .withExif({ IFD0: { Copyright: 'somebody at a place' } })
      .toBuffer();
    const { drawn, whole } = await readIn(webp, 'a disc', 'somebody', { page: { whole: true } });
    expect([drawn.width, drawn.raster!.outlined, whole!.type]).toEqual([2400, false, 'image/webp']);
    const { width, exif } = await sharp(whole!.bytes).metadata();
    expect([width, exif]).toEqual([3000, undefined]);
    // Beside the same picture that was uploaded as one.
    expect((await read(webp)).drawn.id).not.toBe(drawn.id);
    expect((await readIn(webp, 'a disc', 'somebody', { page: { whole: false } })).whole).toBeUndefined();
  });
  test('stands upright, and keeps nothing of what else was in the file', async () => {
    const bytes = await sharp(await discFile.plain())
      .withExif({ IFD0: { Copyright: 'somebody at a place' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(bytes).metadata()).orientation).toBe(6);
    const { drawn, pixels } = await read(bytes);
    expect([drawn.width, drawn.height]).toEqual([200, 300]);
    const kept = await sharp(pixels!.image).metadata();
    expect([kept.exif, kept.orientation, kept.icc]).toEqual([undefined, undefined, undefined]);
  });
  test('is kept in full, with a smaller one for screens where it is large', async () => {
    const large = await sharp({ create: { width: 5000, height: 1000, channels: 3, background: '#445566' } })
      .png()
      .toBuffer();
    const { drawn, pixels, colours } = await read(large);
    expect(drawn).toMatchObject({ width: 5000, height: 1000, raster: { whole: { screen: `${drawn.id}-screen.jpg` } } });
    expect((await sharp(pixels!.image).metadata()).width).toBe(5000);
    expect((await sharp(pixels!.screen!).metadata()).width).toBe(2400);
    expect(colours).toEqual(['blue']);
    const small = await read(await discFile.plain());
    expect([small.pixels!.screen, small.drawn.raster!.whole.screen]).toEqual([null, undefined]);
  });
  test('comes as GIF, too: its first picture', async () => {
    const frames = [
      await discFile.plain(),
      await sharp(await discFile.plain())
        .negate()
        .toBuffer(),
    ];
    const gif = await sharp(frames, { join: { animated: true } })
      .gif()
      .toBuffer();
    const { drawn } = await read(gif);
    expect([drawn.width, drawn.height]).toEqual([300, 200]);
    // The disc is not negated.
    expect(colourAt(drawn.raster!.mosaic, 0.5, 0.5)).toMatch(/^#b/);
  });
  test('in grey, with a palette or in 16 bits is read like any other', async () => {
    const disc = sharp(await discFile.plain());
    for (const bytes of [
      await disc.clone().greyscale().jpeg().toBuffer(),
      await disc.clone().png({ palette: true }).toBuffer(),
      await disc.clone().toColourspace('rgb16').png().toBuffer(),
      await disc.clone().toColourspace('cmyk').jpeg().toBuffer(),
    ])
      expect((await read(bytes)).drawn).toMatchObject({ width: 300, height: 200, raster: { outlined: true } });
  });
  test('is the same thing when it is brought again, and another one for somebody else', async () => {
    const bytes = await discFile.plain();
    const [first, second, elsewhere] = [
      await read(bytes),
      await read(bytes),
      await readIn(bytes, 'a disc', 'somebody else'),
    ];
    expect(second.drawn.id).toBe(first.drawn.id);
    expect(elsewhere.drawn.id).not.toBe(first.drawn.id);
  });
});

describe('what is no usable picture', () => {
  const png = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
  test.each<[string, () => Promise<Uint8Array> | Uint8Array, RegExp]>([
    ['nothing', () => new Uint8Array(), /empty/],
    ['words', () => Buffer.from('not a picture'), /no PNG, JPEG, WebP, GIF or SVG/],
    [
      'a program in SVG',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'),
      /Nothing in this drawing can be taken \(it has a script\)/,
    ],
    [
      'another kind of picture',
      async () =>
        sharp(await png(30, 30))
          .tiff()
          .toBuffer(),
      /no PNG, JPEG, WebP, GIF or SVG/,
    ],
    ['a file that ends too early', async () => (await discFile.plain()).subarray(0, 1500), /damaged/],
    ['a picture of a line', () => png(300, 3), /300 by 3 pixels/],
    ['a picture of a thread', () => png(8, 9000), /8 by 9000 pixels: too long/],
    ['a picture of a beam', () => png(9000, 8), /at most 30 times as long/],
    ['more pixels than memory', () => png(20_000, 5_000), /100 million pixels; at most 50/],
    ['too many bytes', () => new Uint8Array(MOST_BYTES + 1), /20 MB/],
  ])('%s is told from one', async (_, bytes, message) => {
    const problem = await Promise.resolve(bytes())
      .then(read)
      .catch((error: unknown) => error);
    expect(problem).toBeInstanceOf(PictureProblem);
    expect((problem as Error).message).toMatch(message);
  });
});
