import sharp from 'sharp';
import type { DrawnPicture } from '../../core/pictures/picture';

/** Uploaded pictures, made up for tests. */

/** As it is after upload: a blue square with an outline within its frame. */
export const ownPicture = (
  id = 'own/0123456789abcdef0123456789abcdef',
  values: Partial<DrawnPicture> = {},
): DrawnPicture => ({
  id,
  name: 'square',
  width: 400,
  height: 200,
  paths: [
    { d: 'M100 50L300 50L300 150L100 150Z', fill: '#6b6450', stroke: null, width: 0, opacity: 1, rule: 'evenodd' },
  ],
  targets: [],
  licence: '',
  credit: '',
  raster: {
    whole: { asset: `${id}.jpg`, small: 'data:image/jpeg;base64,AAAA' },
    lines: { asset: `${id}-lines.png`, small: 'data:image/png;base64,BBBB' },
    clear: false,
    outlined: true,
    mosaic: { columns: 4, rows: 2, cells: ['#0000ff', '#0000ff', '#ff0000', '#ff0000', '', '#0000ff', '#ff0000', ''] },
  },
  ...values,
});

const DISC = '<circle cx="150" cy="100" r="70" fill="#b2501c"/>';
const drawn = (inner: string, width: number, height: number) =>
  sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${inner}</svg>`));

/** An orange disc of 140 pixels in 300 by 200, on clear, plain or mixed ground. */
export const discFile = {
  clear: () => drawn(DISC, 300, 200).png().toBuffer(),
  plain: () =>
    drawn(`<rect width="300" height="200" fill="#d5e3ee"/>${DISC}`, 300, 200).jpeg({ quality: 80 }).toBuffer(),
  mixed: () =>
    drawn(
      `<linearGradient id="g"><stop stop-color="#123456"/><stop offset="1" stop-color="#fedcba"/></linearGradient><rect width="300" height="200" fill="url(#g)"/>${DISC}`,
      300,
      200,
    )
      .jpeg()
      .toBuffer(),
};
