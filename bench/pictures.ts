import sharp from 'sharp';
import type { Clearing } from '../core/raster/recipe';
import { clearedMask } from '../core/raster/clearing';
import { readIn } from '../server/pictures/read-in';
import type { Figure } from './measure';
import { figure, inTurn, median } from './measure';

/** Backgrounds taken away, against a bare flood fill; a large photo taken in. */

const [WIDE, HIGH] = [2400, 1700];
const RECIPE: Clearing = { border: true, spots: [], tolerance: 0.2, soft: 0.2, strokes: [] };

/** Something dark on an uneven light ground. */
async function photo(width: number, height: number): Promise<Buffer> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><defs><linearGradient id="g" x2="0" y2="1"><stop stop-color="#cfe0ee"/><stop offset="1" stop-color="#e2e8ea"/></linearGradient></defs><rect width="100%" height="100%" fill="url(#g)"/><path d="M${width * 0.2} ${height * 0.8}C${width * 0.1} ${height * 0.1} ${width * 0.8} 0 ${width * 0.8} ${height * 0.6}S${width * 0.4} ${height} ${width * 0.2} ${height * 0.8}Z" fill="#4a4038"/></svg>`;
  const noise = await sharp({
    create: {
      width: 256,
      height: 256,
      channels: 3,
      background: '#808080',
      noise: { type: 'gaussian', mean: 128, sigma: 6 },
    },
  })
    .png()
    .toBuffer();
  return sharp(Buffer.from(svg), { limitInputPixels: false })
    .composite([{ input: noise, tile: true, blend: 'soft-light' }])
    .jpeg({ quality: 92 })
    .toBuffer();
}

/** The least that it takes: one typed array, one stack, red, green and blue compared with a corner. */
function bareFlood(data: Uint8Array, width: number, height: number): Uint8Array {
  const mask = new Uint8Array(width * height).fill(255);
  const stack = new Int32Array(width * height);
  let top = 0;
  const [r, g, b] = data;
  const isGround = (at: number) =>
    Math.abs(data[at * 4] - r) + Math.abs(data[at * 4 + 1] - g) + Math.abs(data[at * 4 + 2] - b) < 90;
  const put = (at: number) => {
    if (mask[at] === 0 || !isGround(at)) return;
    mask[at] = 0;
    stack[top++] = at;
  };
  put(0);
  while (top > 0) {
    const at = stack[--top];
    const x = at % width;
    if (x > 0) put(at - 1);
    if (x < width - 1) put(at + 1);
    if (at >= width) put(at - width);
    if (at < width * (height - 1)) put(at + width);
  }
  return mask;
}

export async function run(): Promise<Figure[]> {
  const { data, info } = await sharp(await photo(WIDE, HIGH))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const pixels = { width: info.width, height: info.height, data };
  const [ours, bare] = await inTurn(
    9,
    () => clearedMask(pixels, RECIPE),
    () => bareFlood(data, info.width, info.height),
  );
  const gone = (mask: Uint8Array) => mask.reduce((sum, left) => sum + (left < 128 ? 1 : 0), 0) / mask.length;
  const [mine, theirs] = [gone(clearedMask(pixels, RECIPE)), gone(bareFlood(data, info.width, info.height))];
  if (Math.abs(mine - theirs) > 0.05) throw new Error(`not the same background: ${mine} and ${theirs}`);

  const large = await photo(6000, 4000);
  const times: number[] = [];
  for (let i = 0; i < 3; i++) {
    const begun = performance.now();
    await readIn(large, 'photo', `owner ${i}`);
    times.push(performance.now() - begun);
  }
  const decode: number[] = [];
  for (let i = 0; i < 3; i++) {
    const begun = performance.now();
    await sharp(large).raw().toBuffer();
    decode.push(performance.now() - begun);
  }
  return [
    figure('the background of 4 megapixels taken away, against 300 ms', ours, 300, 1),
    figure('the same against a bare flood fill in one typed array', ours, bare, 8),
    figure('a photo of 24 megapixels taken in, against decoding it alone', median(times), median(decode), 20),
    figure('the same, against 5 s', median(times), 5000, 1),
  ];
}
