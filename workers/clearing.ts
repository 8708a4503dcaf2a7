import { expose, transfer } from 'comlink';
import type { Clearing } from '../core/raster/recipe';
import { brushed, groundMask, maskPixels } from '../core/raster/clearing';
import type { Pixels } from '../core/raster/pixels';

/** A preview of a picture without its background, off the main thread. */

/** The longer side of what is looked at, in pixels: enough for a window. */
const SIDE = 1200;

let opened: { url: string; pixels: Pixels } | null = null;
/** Without the brush, which is what is done again and again. */
let ground: { key: string; mask: Uint8Array } | null = null;

async function pixelsOf(url: string): Promise<Pixels> {
  if (opened?.url === url) return opened.pixels;
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('the picture can’t be loaded');
  const image = await createImageBitmap(await answer.blob());
  const scale = Math.min(1, SIDE / Math.max(image.width, image.height));
  const [width, height] = [Math.round(image.width * scale), Math.round(image.height * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(image, 0, 0, width, height);
  const pixels = { width, height, data: context.getImageData(0, 0, width, height).data };
  opened = { url, pixels };
  ground = null;
  return pixels;
}

const worker = {
  /** What is left of a picture, to be drawn. */
  async cleared(url: string, recipe: Clearing): Promise<ImageBitmap> {
    const pixels = await pixelsOf(url);
    const { strokes, ...base } = recipe;
    const key = JSON.stringify(base);
    if (ground?.key !== key) ground = { key, mask: groundMask(pixels, base) };
    const mask = brushed(ground.mask.slice(), pixels, strokes);
    const data = new Uint8ClampedArray(pixels.data);
    maskPixels({ ...pixels, data }, mask, pixels.width, pixels.height);
    const bitmap = await createImageBitmap(new ImageData(data, pixels.width, pixels.height));
    return transfer(bitmap, [bitmap]);
  },
};
export type ClearingWorker = typeof worker;
expose(worker);
