import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { Sharp } from 'sharp';
import type { BasicColour } from '../../core/colour/main-colours';
import { mainColours } from '../../core/colour/main-colours';
import { coloursOf } from '../../core/palettes/palette';
import type { DrawnPicture } from '../../core/pictures/picture';
import { readSvg } from '../../core/drawing/svg-in/read';
import { SvgProblem } from '../../core/drawing/svg-in/tree';
import type { Blurred } from '../../core/raster/lines';
import { blursFor, linesOf } from '../../core/raster/lines';
import { formatOf, LEAST_SIDE, MOST_BYTES, MOST_PIXELS, MOST_RATIO, tooLarge } from '../../core/raster/limits';
import type { Clearing } from '../../core/raster/recipe';
import { clearedMask, maskPixels } from '../../core/raster/clearing';
import { clearedId } from '../../core/pictures/picture';
import { mosaicOf } from '../../core/raster/mosaic';
import { outlineOf } from '../../core/raster/outline';
import type { Pixels } from '../../core/raster/pixels';
import type { Faces } from '../../core/text/faces';

/**
 * Takes in a PNG, JPEG, WebP, GIF or SVG file from outside. Only its pixels, or its shapes, are kept: they are read and written
 * again, upright, without anything else that was in the file (place, camera, profile, hidden data, programs).
 */

/** The longest side of what screens show, in pixels: full width on the largest, or A4 at some 200 to the inch. */
const SCREEN = 2400;
const SMALL = 640;
/** Lines are drawn, and outlines found, at these sizes. */
const LINED = 1400;
const TRACED = 420;
const INK = { r: 42, g: 40, b: 32 };
/** Letters of what a drawing is kept as. */
const MOST_DRAWN = 4_000_000;

/** What is wrong with a file, as a sentence that says what to do. */
export class PictureProblem extends Error {
  override name = 'PictureProblem';
}

type ImageType = 'image/jpeg' | 'image/png';

export type PictureIn = {
  drawn: DrawnPicture;
  colours: BasicColour[];
  /** None for a drawing. */
  pixels: {
    type: ImageType;
    /** In full size. */
    image: Buffer;
    /** Large enough for screens, where that is less. */
    screen: Buffer | null;
    lines: Buffer;
  } | null;
  /** What could not be taken of a drawing: “a filter”. */
  leftOut: string[];
  /** A page made elsewhere in full size, where that was wanted. */
  whole?: { type: string; bytes: Buffer };
};

const dataUrl = (type: string, bytes: Buffer) => `data:${type};base64,${bytes.toString('base64')}`;

const within = (side: number) => ({ width: side, height: side, fit: 'inside' as const, withoutEnlargement: true });

async function pixelsOf(image: Sharp): Promise<Pixels> {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/** Pixels as a picture to go on with, without decoding it once more. */
const opened = ({ width, height, data }: Pixels) =>
  sharp(data, { raw: { width, height, channels: 4 }, limitInputPixels: MOST_PIXELS });

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

const NO_PICTURE = 'This is no PNG, JPEG, WebP, GIF or SVG picture. Save it as one of these and try again.';
const TOO_MUCH = (width: number, height: number) =>
  `This picture has ${Math.ceil((width * height) / 1e6)} million pixels; at most ${MOST_PIXELS / 1e6} million can be taken in. Save it smaller and try again.`;

async function checked(bytes: Uint8Array): Promise<void> {
  const known = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!known) throw new PictureProblem(NO_PICTURE);
  const { width, height } = known;
  if (width * height > MOST_PIXELS) throw new PictureProblem(TOO_MUCH(width, height));
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
 * @param faces what the words of a drawing are set in
 * @throws PictureProblem for what is no usable picture
 */
export async function readIn(
  bytes: Uint8Array,
  name: string,
  owner: string,
  { page, faces }: { page?: { whole: boolean }; faces?: Faces } = {},
): Promise<PictureIn> {
  if (bytes.length === 0) throw new PictureProblem('This file is empty. Choose another one.');
  if (bytes.length > MOST_BYTES)
    throw new PictureProblem(`This file has ${tooLarge(bytes.length)}. Save it smaller and try again.`);
  const format = formatOf(bytes);
  // A page made elsewhere is kept as it came, and a drawing is none.
  if (format === null || format === 'ZIP' || (page && format === 'SVG')) throw new PictureProblem(NO_PICTURE);
  if (format === 'SVG') return drawing(new TextDecoder().decode(bytes), name, owner, faces!);
  await checked(bytes);
  try {
    const whole = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .autoOrient()
      .toColourspace('srgb');
    const upright = await pixelsOf(page ? whole.resize(within(SCREEN)) : whole);
    const taken = await takenApart(upright, name, owner, page !== undefined);
    return page?.whole ? { ...taken, whole: await inFull(bytes) } : taken;
  } catch {
    throw new PictureProblem('This picture is damaged and can’t be read to its end. Save it anew and try again.');
  }
}

function drawing(text: string, name: string, owner: string, faces: Faces): PictureIn {
  let read: ReturnType<typeof readSvg>;
  try {
    read = readSvg(text, faces);
  } catch (error) {
    throw error instanceof SvgProblem ? new PictureProblem(error.message) : error;
  }
  const { leftOut, ...shapes } = read;
  const written = JSON.stringify(shapes);
  if (written.length > MOST_DRAWN)
    throw new PictureProblem('This drawing has too many points. Simplify it, or save it as PNG, and try again.');
  const hash = createHash('sha256').update(owner).update(written).digest('hex').slice(0, 32);
  const drawn: DrawnPicture = { id: `own/${hash}`, name, ...shapes, targets: [], licence: '', credit: '' };
  return { drawn, colours: mainColours(coloursOf(drawn)), pixels: null, leftOut };
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

const hashOf = (owner: string, { width, height, data }: Pixels) =>
  createHash('sha256').update(owner).update(`${width} ${height}`).update(data).digest('hex').slice(0, 32);

function hasClearPixels({ data }: Pixels): boolean {
  for (let at = 3; at < data.length; at += 4) if (data[at] < 255) return true;
  return false;
}

/** @param as what it is kept as: by its pixels, unless it is made from another picture, whose units it shares then */
async function takenApart(
  upright: Pixels,
  name: string,
  owner: string,
  isPage: boolean,
  as: { id: string; width: number; height: number } | null = null,
): Promise<PictureIn> {
  const { width, height } = as ?? upright;
  const isLarge = Math.max(width, height) > SCREEN;
  // Everything but the picture itself is made from what screens show.
  const shown = isLarge ? await pixelsOf(opened(upright).resize(within(SCREEN))) : upright;
  const traced = await pixelsOf(opened(shown).resize(within(TRACED)));
  const isOpaque = as === null && !hasClearPixels(upright);
  const type: ImageType = isOpaque ? 'image/jpeg' : 'image/png';
  const written = (image: Sharp, quality: number) =>
    (isOpaque ? image.flatten().jpeg({ quality }) : image.png({ compressionLevel: 6 })).toBuffer();
  const image = await written(opened(upright), 88);
  const screen = isLarge ? await written(opened(shown), 86) : null;
  const small = await written(opened(shown).resize(within(SMALL)), 74);
  const lines = await (isPage ? nothing() : await lined(shown)).png({ palette: true, colours: 16 }).toBuffer();
  const smallLines = await sharp(lines).resize(within(SMALL)).png({ palette: true, colours: 16 }).toBuffer();
  const id = as?.id ?? `own/${hashOf(isPage ? `${owner} page` : owner, upright)}`;
  const outline = isPage ? null : outlineOf(traced, width / traced.width);
  const frame = `M0 0H${width}V${height}H0Z`;
  const ending = isOpaque ? 'jpg' : 'png';
  const mosaic = mosaicOf(traced);
  const drawn: DrawnPicture = {
    id,
    name,
    width,
    height,
    paths: [{ d: outline ?? frame, fill: '#6b6450', stroke: null, width: 0, opacity: 1, rule: 'evenodd' }],
    targets: [],
    licence: '',
    credit: '',
    raster: {
      whole: {
        asset: `${id}.${ending}`,
        small: dataUrl(type, small),
        ...((screen || as) && { screen: `${id}-screen.${ending}` }),
      },
      lines: { asset: `${id}-lines.png`, small: dataUrl('image/png', smallLines) },
      clear: !isOpaque,
      outlined: outline !== null,
      mosaic,
    },
  };
  const colours = mainColours(mosaic.cells.filter(Boolean).map((hex) => [hex, 1]));
  return { drawn, colours, pixels: { type, image, screen, lines }, leftOut: [] };
}

export type ClearedIn = {
  drawn: DrawnPicture;
  /** What is left of the picture, as a PNG of one channel. */
  mask: Buffer;
  /** As screens show it, a PNG. */
  screen: Buffer;
  lines: Buffer;
};

/** A picture without its background. @param shown its file as screens show it */
export async function clearedPicture(
  { id, name, width, height }: DrawnPicture,
  shown: Uint8Array,
  recipe: Clearing,
): Promise<ClearedIn> {
  const pixels = await pixelsOf(sharp(shown, { limitInputPixels: MOST_PIXELS }));
  const mask = clearedMask(pixels, recipe);
  maskPixels(pixels, mask, pixels.width, pixels.height);
  const as = { id: clearedId(id, recipe), width, height };
  const { drawn, pixels: files } = await takenApart(pixels, name, '', false, as);
  const channel = sharp(Buffer.from(mask), { raw: { width: pixels.width, height: pixels.height, channels: 1 } });
  return { drawn, mask: await channel.png().toBuffer(), screen: files!.image, lines: files!.lines };
}
