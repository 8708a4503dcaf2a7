import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';

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
