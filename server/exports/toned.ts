import sharp from 'sharp';
import type { ToneMatrix } from '../../core/colour/tone';
import { tonePixels } from '../../core/colour/tone';

/** A picture's file with its colours changed: a PNG with what is clear in it, else a JPEG. */
export async function tonedImage(bytes: Uint8Array, clear: boolean, tone: ToneMatrix): Promise<Buffer> {
  const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  tonePixels(data, tone);
  const changed = sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } });
  return clear ? changed.png().toBuffer() : changed.removeAlpha().jpeg({ quality: 90 }).toBuffer();
}
