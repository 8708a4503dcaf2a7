import { unzipSync } from 'fflate';
import { formatOf, MOST_BYTES, MOST_IN_ZIP, MOST_UNZIPPED, tooLarge } from '../../core/raster/limits';

/** The picture files in a ZIP file, and what is wrong with the others. */

export type Unpacked = {
  files: { name: string; bytes: Uint8Array }[];
  refused: { name: string; problem: string }[];
};

/** What computers put into ZIP files by themselves. */
const UNSEEN = /(?:^|\/)(?:__MACOSX\/|\.|Thumbs\.db$|desktop\.ini$)/i;

const baseName = (path: string) => path.split('/').at(-1)!;

/** @returns null for what is no ZIP file that can be read */
export function unpack(zip: Uint8Array): Unpacked | null {
  const refused: Unpacked['refused'] = [];
  let [bytes, count] = [0, 0];
  let unpacked: Record<string, Uint8Array>;
  try {
    unpacked = unzipSync(zip, {
      filter({ name, originalSize }) {
        if (name.endsWith('/') || UNSEEN.test(name)) return false;
        const refuse = (problem: string) => {
          refused.push({ name: baseName(name), problem });
          return false;
        };
        if (originalSize > MOST_BYTES) return refuse(`It has ${tooLarge(originalSize)}.`);
        if (count >= MOST_IN_ZIP)
          return refuse(`At most ${MOST_IN_ZIP} pictures are taken from one ZIP file. Put it into another one.`);
        if (bytes + originalSize > MOST_UNZIPPED)
          return refuse(
            `All that is in the ZIP file has more than ${MOST_UNZIPPED / 1e6} MB. Put it into another one.`,
          );
        count++;
        bytes += originalSize;
        return true;
      },
    });
  } catch {
    return null;
  }
  const files = Object.entries(unpacked).flatMap(([path, content]) => {
    const name = baseName(path);
    const format = formatOf(content);
    if (format !== null && format !== 'ZIP') return [{ name, bytes: content }];
    refused.push({
      name,
      problem:
        format === 'ZIP'
          ? 'A ZIP file inside a ZIP file is not opened. Take the pictures out of it first.'
          : 'This is no PNG, JPEG, WebP, GIF or SVG picture.',
    });
    return [];
  });
  return { files, refused };
}
