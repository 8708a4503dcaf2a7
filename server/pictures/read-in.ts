import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { Sharp } from 'sharp';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { Blurred } from '../../core/raster/lines';
import { blursFor, linesOf } from '../../core/raster/lines';
import { mosaicOf } from '../../core/raster/mosaic';
import { outlineOf } from '../../core/raster/outline';
import type { Pixels } from '../../core/raster/pixels';
import { LEAST_SIDE, MOST_BYTES, MOST_PIXELS, MOST_RATIO } from '../../core/raster/limits';

/**
 * Takes in a PNG, JPEG or WebP file from outside. Only its pixels are kept: they are read and written again, upright, without
 * anything else that was in the file (place, camera, profile, hidden data).
 */

/** The longest side of what is kept, in pixels: A4 in full at some 200 to the inch. */
const KEPT = 2400;
const SMALL = 640;
/** Lines are drawn, and outlines found, at these sizes. */
const LINED = 1400;
const TRACED = 420;
const INK = { r: 42, g: 40, b: 32 };

/** What is wrong with a file, as a sentence that says what to do. */
export class PictureProblem extends Error {
  override name = 'PictureProblem';
}

export type PictureIn = {
  drawn: DrawnPicture;
  type: 'image/jpeg' | 'image/png';
  image: Buffer;
  lines: Buffer;
  /** In full size, where that was wanted. */
  whole?: { type: string; bytes: Buffer };
};

const dataUrl = (type: string, bytes: Buffer) => `data:${type};base64,${bytes.toString('base64')}`;

const within = (side: number) => ({ width: side, height: side, fit: 'inside' as const, withoutEnlargement: true });

async function pixelsOf(image: Sharp): Promise<Pixels> {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/** Pixels as a picture to go on with, without decoding it once more. */
const opened = ({ width, height, data }: Pixels) => sharp(data, { raw: { width, height, channels: 4 } });

/** On white, by a standard deviation in pixels; red, green and blue, 0 to 1. Finer than 8 bits: differences are what counts. */
async function blurred(upright: Pixels, by: number): Promise<Blurred> {
  const { data, info } = await opened(upright)
    .pipelineColourspace('rgb16')
    .flatten({ background: '#ffffff' })
    .resize(within(LINED))
    .blur({ sigma: by, precision: 'float' })
    .toColourspace('rgb16')
    .raw({ depth: 'float' })
    .toBuffer({ resolveWithObject: true });
  // 8 bits are carried over to 16 by a shift.
  const values = new Float32Array(data.buffer, data.byteOffset, data.length / 4).map((value) => value / 0xff00);
  return { width: info.width, height: info.height, values };
}

const inked = (alpha: Uint8Array, width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: INK } }).joinChannel(Buffer.from(alpha), {
    raw: { width, height, channels: 1 },
  });

/** How files of the formats begin: nothing else is given to a decoder at all. Null stands for any byte. */
const BEGINNINGS: (number | null)[][] = [
  [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
  [0xff, 0xd8, 0xff],
  [0x52, 0x49, 0x46, 0x46, null, null, null, null, 0x57, 0x45, 0x42, 0x50],
];
const isPicture = (bytes: Uint8Array) =>
  BEGINNINGS.some((begins) => begins.every((byte, i) => byte === null || bytes[i] === byte));

async function checked(bytes: Uint8Array): Promise<void> {
  if (bytes.length === 0) throw new PictureProblem('This file is empty. Choose another one.');
  if (bytes.length > MOST_BYTES)
    throw new PictureProblem(
      `This file has ${Math.ceil(bytes.length / 1e6)} MB; at most ${MOST_BYTES / 1e6} MB can be uploaded. Save it smaller and try again.`,
    );
  const known = isPicture(bytes)
    ? await sharp(bytes, { limitInputPixels: false })
        .metadata()
        .catch(() => null)
    : null;
  if (!known) throw new PictureProblem('This is no PNG, JPEG or WebP picture. Save it as one of these and try again.');
  const { width, height } = known;
  if (width * height > MOST_PIXELS)
    throw new PictureProblem(
      `This picture has ${Math.ceil((width * height) / 1e6)} million pixels; at most ${MOST_PIXELS / 1e6} million can be taken in. Save it smaller and try again.`,
    );
  if (Math.min(width, height) < LEAST_SIDE)
    throw new PictureProblem(
      `This picture is only ${width} by ${height} pixels. Choose one of at least ${LEAST_SIDE} each way.`,
    );
  if (Math.max(width, height) > MOST_RATIO * Math.min(width, height))
    throw new PictureProblem(
      `This picture is ${width} by ${height} pixels: too long for its other side. Cut it to at most ${MOST_RATIO} times as long, and try again.`,
    );
}

/**
 * @param owner who brings it along: the same file has another id for somebody else
 * @param page for a page made elsewhere: without outline and lines; `whole`: also in full size, as a file of the same format
 * @throws PictureProblem for what is no usable picture
 */
export async function readIn(
  bytes: Uint8Array,
  name: string,
  owner: string,
  page?: { whole: boolean },
): Promise<PictureIn> {
  await checked(bytes);
  try {
    const upright = await pixelsOf(
      sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
        .autoOrient()
        .toColourspace('srgb')
        .resize(within(KEPT)),
    );
    const taken = await takenApart(upright, name, owner, page !== undefined);
    return page?.whole ? { ...taken, whole: await inFull(bytes) } : taken;
  } catch {
    throw new PictureProblem('This picture is damaged and can’t be read to its end. Save it anew and try again.');
  }
}

/** All its pixels, upright, in its own format. */
async function inFull(bytes: Uint8Array): Promise<{ type: string; bytes: Buffer }> {
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .autoOrient()
    .toColourspace('srgb')
    .toBuffer({ resolveWithObject: true });
  return { type: `image/${info.format}`, bytes: data };
}

/** How it looks as an outline: inked along its edges. */
async function lined(upright: Pixels): Promise<Sharp> {
  const { near, far } = blursFor(Math.min(LINED, Math.max(upright.width, upright.height)));
  const fine = await blurred(upright, near);
  const ink = linesOf(fine, await blurred(upright, far));
  return inked(ink, fine.width, fine.height);
}
const nothing = () => inked(new Uint8Array([0]), 1, 1);

async function takenApart(upright: Pixels, name: string, owner: string, isPage: boolean): Promise<PictureIn> {
  const traced = await pixelsOf(opened(upright).resize(within(TRACED)));
  const { width, height } = upright;
  const { isOpaque } = await opened(upright).stats();
  const type = isOpaque ? 'image/jpeg' : 'image/png';
  const written = (image: Sharp, quality: number) =>
    isOpaque ? image.flatten().jpeg({ quality }) : image.png({ compressionLevel: 8 });
  const image = await written(opened(upright), 86).toBuffer();
  const small = await written(opened(upright).resize(within(SMALL)), 74).toBuffer();
  const lines = await (isPage ? nothing() : await lined(upright)).png({ palette: true, colours: 16 }).toBuffer();
  const smallLines = await sharp(lines).resize(within(SMALL)).png({ palette: true, colours: 16 }).toBuffer();
  const hash = createHash('sha256')
    .update(isPage ? `${owner} page` : owner)
    .update(`${width} ${height}`)
    .update(upright.data)
    .digest('hex')
    .slice(0, 32);
  const outline = isPage ? null : outlineOf(traced, width / traced.width);
  const frame = `M0 0H${width}V${height}H0Z`;
  const drawn: DrawnPicture = {
    id: `own/${hash}`,
    name,
    width,
    height,
    paths: [{ d: outline ?? frame, fill: '#6b6450', stroke: null, width: 0, opacity: 1, rule: 'evenodd' }],
    targets: [],
    licence: '',
    credit: '',
    raster: {
      whole: { asset: `own/${hash}.${isOpaque ? 'jpg' : 'png'}`, small: dataUrl(type, small) },
      lines: { asset: `own/${hash}-lines.png`, small: dataUrl('image/png', smallLines) },
      clear: !isOpaque,
      outlined: outline !== null,
      mosaic: mosaicOf(traced),
    },
  };
  return { drawn, type, image, lines };
}
