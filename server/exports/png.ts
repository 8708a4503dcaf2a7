import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import type { Box } from '../../core/geometry/matrix';
import type { DisplayNode, DrawnPage, GroupNode, ImageNode } from '../../core/drawing/list';
import type { SvgOptions } from '../../core/drawing/svg';
import { pageSvg, svgMarkup } from '../../core/drawing/svg';
import type { Faces } from '../../core/text/faces';

/** Pixels to the inch of a shadow whose blur does not say less. */
const SHADOW_DPI = 150;
/** A blur of so many pixels is as smooth as one of more: a softer shadow needs fewer pixels to the inch. */
const BLUR_PIXELS = 4;
const LEAST_DPI = 20;
const MOST_SHADOW_PIXELS = 6e6;
/** A picture of a page has at most so many pixels: one of an enormous page has fewer to the inch. */
export const MOST_PIXELS = 60e6;

/** The shadow of a group alone, on nothing, as PNG of its box: as fine as its blur lets one see. */
export function shadowPng(node: GroupNode, faces: Faces, options: SvgOptions = {}): Promise<Buffer> {
  const { box, dx, dy, blur, hex, alpha } = node.shadow!;
  const cast = svgMarkup([{ ...node, shadow: undefined }], faces, { ...options, prefix: 'c' });
  const area = `x="${box.x}" y="${box.y}" width="${box.width}" height="${box.height}"`;
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${box.width}pt" height="${box.height}pt" viewBox="${box.x} ${box.y} ${box.width} ${box.height}">` +
    `<filter id="f" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" ${area}><feGaussianBlur in="SourceAlpha" stdDeviation="${blur}"/><feOffset dx="${dx}" dy="${dy}" result="o"/><feFlood flood-color="${hex}" flood-opacity="${alpha}"/><feComposite in2="o" operator="in"/></filter>` +
    `<g filter="url(#f)">${cast}</g></svg>`;
  const fine = blur > 0 ? Math.max(LEAST_DPI, (72 * BLUR_PIXELS) / blur) : SHADOW_DPI;
  const most = 72 * Math.sqrt(MOST_SHADOW_PIXELS / (box.width * box.height));
  return pngOf(svg, Math.max(1, (box.width / 72) * Math.min(SHADOW_DPI, fine, most)));
}

/** The same nodes with each shadow as a picture beneath what throws it: a blur over a whole page at full size takes minutes. */
async function castShadows(nodes: readonly DisplayNode[], faces: Faces, options: SvgOptions): Promise<DisplayNode[]> {
  const out: DisplayNode[] = [];
  for (const node of nodes) {
    if (node.kind !== 'group') {
      out.push(node);
      continue;
    }
    const { shadow, ...plain } = { ...node, children: await castShadows(node.children, faces, options) };
    if (shadow) {
      const png = await shadowPng({ ...plain, shadow }, faces, options);
      out.push(shadowImage(shadow.box, png));
    }
    out.push(plain);
  }
  return out;
}

const shadowImage = ({ x, y, width, height }: Box, png: Buffer): ImageNode => ({
  kind: 'image',
  asset: '',
  small: `data:image/png;base64,${png.toString('base64')}`,
  x,
  y,
  width,
  height,
});

/** A page as PNG; words are outlines already, so no font is needed. */
export async function pagePng(page: DrawnPage, faces: Faces, dpi: number, options: SvgOptions = {}): Promise<Buffer> {
  const nodes = await castShadows(page.nodes, faces, options);
  const most = 72 * Math.sqrt(MOST_PIXELS / (page.width * page.height));
  return pngOf(pageSvg({ ...page, nodes }, faces, options), (page.width / 72) * Math.min(dpi, most));
}

/** An SVG as PNG. `width` in pixels. */
export async function pngOf(svg: string, width: number): Promise<Buffer> {
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'width', value: Math.max(1, Math.round(width)) },
    font: { loadSystemFonts: false },
  }).render();
  return sharp(drawn.pixels, { raw: { width: drawn.width, height: drawn.height, channels: 4, premultiplied: true } })
    .png({ compressionLevel: 6 })
    .toBuffer();
}
