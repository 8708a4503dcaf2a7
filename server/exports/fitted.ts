import sharp from 'sharp';
import type { DisplayNode, DrawnPage } from '../../core/drawing/list';
import type { Matrix } from '../../core/geometry/matrix';
import { IDENTITY, multiply } from '../../core/geometry/matrix';
import type { DrawnPicture } from '../../core/pictures/picture';
import { maskPixels } from '../../core/raster/clearing';
import type { PictureFiles } from '../stores/pictures';

/** Large pictures as fine as what they are made for can show, and no finer: pixels that nobody sees make files heavy. */

/** How wide each picture is shown where it is widest, in points, by the names of their files. */
export function shownWidths(
  nodes: readonly DisplayNode[],
  matrix: Matrix = IDENTITY,
  found = new Map<string, number>(),
): Map<string, number> {
  for (const node of nodes) {
    if (node.kind === 'group') shownWidths(node.children, node.matrix ? multiply(matrix, node.matrix) : matrix, found);
    else if (node.kind === 'image') {
      const [a, b] = matrix;
      found.set(node.asset, Math.max(found.get(node.asset) ?? 0, Math.hypot(a, b) * node.width));
    }
  }
  return found;
}

/** With fewer pixels than this share of what it has, a picture is made smaller. */
const WORTH_IT = 0.75;

/** @param pages asked for only where one of the pictures is large; @param dpi pixels to the inch that can be seen */
export async function fitted(own: PictureFiles, pages: () => Iterable<DrawnPage>, dpi: number): Promise<PictureFiles> {
  const large = own.drawn.filter((picture) => picture.raster?.whole.screen !== undefined);
  if (large.length === 0) return own;
  const widths = new Map<string, number>();
  for (const page of pages()) shownWidths(page.nodes, IDENTITY, widths);
  const files = new Map(own.files);
  const { masks } = own;
  // Those that are made of others come first: what they are made of may become smaller.
  for (const picture of large.toSorted((a, b) => b.id.length - a.id.length))
    await fit(files, masks, picture, ((widths.get(picture.raster!.whole.asset) ?? 0) / 72) * dpi);
  return { ...own, files };
}

/** @param wanted pixels across */
async function fit(
  files: Map<string, Uint8Array>,
  masks: PictureFiles['masks'],
  { width, raster }: DrawnPicture,
  wanted: number,
): Promise<void> {
  const { asset, screen } = raster!.whole;
  const left = masks?.get(asset);
  const [whole, small] = [files.get(left?.of ?? asset), files.get(screen!)];
  if (!whole || !small) return;
  const { width: smallWidth } = await sharp(small).metadata();
  if (wanted <= smallWidth) files.set(asset, small);
  else if (left) files.set(asset, await masked(whole, left.mask, Math.min(width, Math.ceil(wanted))));
  else if (wanted < width * WORTH_IT) {
    const smaller = sharp(whole).resize({ width: Math.ceil(wanted) });
    files.set(asset, await (raster!.clear ? smaller.png() : smaller.jpeg({ quality: 90 })).toBuffer());
  }
}

/** A picture of which only so much is left, so many pixels wide. */
async function masked(picture: Uint8Array, mask: Uint8Array, width: number): Promise<Buffer> {
  const { data, info } = await sharp(picture)
    .resize({ width, withoutEnlargement: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const left = await sharp(mask).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  maskPixels({ width: info.width, height: info.height, data }, left.data, left.info.width, left.info.height);
  return sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } })
    .png()
    .toBuffer();
}
