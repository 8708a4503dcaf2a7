/** Bytes of a file, pixels of a picture, pixels of its shorter side, and how many times as long the other one may be. */
export const MOST_BYTES = 20_000_000;
export const MOST_PIXELS = 50_000_000;
export const LEAST_SIDE = 8;
export const MOST_RATIO = 30;
/** How large a file is and may be, as the middle of a sentence: “30 MB; at most 20 MB can be uploaded”. */
export const tooLarge = (bytes: number, most = MOST_BYTES): string =>
  `${Math.ceil(bytes / 1e6)} MB; at most ${most / 1e6} MB can be uploaded`;

/** Bytes of a ZIP file and of all that is in it, and the pictures that are taken from one. */
export const MOST_ZIPPED = 60_000_000;
export const MOST_UNZIPPED = 150_000_000;
export const MOST_IN_ZIP = 40;
/** Picture files are told by these beginnings, whatever their names say. Null stands for any byte. */
const BEGINNINGS: Record<'PNG' | 'JPEG' | 'WebP' | 'GIF' | 'ZIP', readonly (number | null)[]> = {
  PNG: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
  JPEG: [0xff, 0xd8, 0xff],
  WebP: [0x52, 0x49, 0x46, 0x46, null, null, null, null, 0x57, 0x45, 0x42, 0x50],
  GIF: [0x47, 0x49, 0x46, 0x38],
  ZIP: [0x50, 0x4b, 0x03, 0x04],
};
export type PictureFormat = keyof typeof BEGINNINGS | 'SVG';

const LOOKED_AT = 4000;

/** What a file is by its first bytes; null for nothing that can be taken in. */
export function formatOf(bytes: Uint8Array): PictureFormat | null {
  for (const [format, begins] of Object.entries(BEGINNINGS))
    if (begins.every((byte, i) => byte === null || bytes[i] === byte)) return format as PictureFormat;
  const text = new TextDecoder().decode(bytes.subarray(0, LOOKED_AT));
  return /^\uFEFF?\s*(?:<\?xml|<!--|<!DOCTYPE svg|<svg)/i.test(text) && /<(?:\w+:)?svg[\s>/]/i.test(text)
    ? 'SVG'
    : null;
}

/** How much a recipe for taking a background away may hold; `points` in one stroke of the brush. */
export const CLEARING = { spots: 40, strokes: 120, points: 1000 };
