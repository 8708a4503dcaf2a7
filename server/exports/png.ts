import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import type { GroupNode } from '../../core/drawing/list';
import type { SvgOptions } from '../../core/drawing/svg';
import { svgMarkup } from '../../core/drawing/svg';
import type { Faces } from '../../core/text/faces';

/** Pixels to the inch of a shadow in a PDF: it is soft, so more would not be seen. */
const SHADOW_DPI = 150;

/** The shadow of a group alone, on nothing, as PNG of its box. */
export function shadowPng(node: GroupNode, faces: Faces, options: SvgOptions = {}): Promise<Buffer> {
  const { box, dx, dy, blur, hex, alpha } = node.shadow!;
  const cast = svgMarkup([{ ...node, shadow: undefined }], faces, { ...options, prefix: 'c' });
  const area = `x="${box.x}" y="${box.y}" width="${box.width}" height="${box.height}"`;
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${box.width}pt" height="${box.height}pt" viewBox="${box.x} ${box.y} ${box.width} ${box.height}">` +
    `<filter id="f" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" ${area}><feGaussianBlur in="SourceAlpha" stdDeviation="${blur}"/><feOffset dx="${dx}" dy="${dy}" result="o"/><feFlood flood-color="${hex}" flood-opacity="${alpha}"/><feComposite in2="o" operator="in"/></filter>` +
    `<g filter="url(#f)">${cast}</g></svg>`;
  return pngOf(svg, Math.min(4000, (box.width / 72) * SHADOW_DPI));
}

/** A page's SVG as PNG. `width` in pixels; words are outlines already, so no font is needed. */
export async function pngOf(svg: string, width: number): Promise<Buffer> {
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'width', value: Math.round(width) },
    font: { loadSystemFonts: false },
  }).render();
  return sharp(drawn.pixels, { raw: { width: drawn.width, height: drawn.height, channels: 4, premultiplied: true } })
    .png({ compressionLevel: 6 })
    .toBuffer();
}
