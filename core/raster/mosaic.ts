import { hexOf } from '../colour/rgb';
import type { Pixels } from './pixels';
import { SEEN } from './pixels';

/** A picture's colours on a coarse grid, row by row; an empty text where it is clear. */
export type Mosaic = { columns: number; rows: number; cells: string[] };

/** The longest side of a mosaic, in cells. */
const LONGEST = 48;

/** The mean colour of each cell of a picture. */
export function mosaicOf({ width, height, data }: Pixels): Mosaic {
  const cell = Math.max(1, Math.max(width, height) / LONGEST);
  const [columns, rows] = [Math.max(1, Math.round(width / cell)), Math.max(1, Math.round(height / cell))];
  const sums = Array.from({ length: columns * rows }, () => [0, 0, 0, 0, 0]);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const sum = sums[Math.floor((y * rows) / height) * columns + Math.floor((x * columns) / width)];
      const at = (y * width + x) * 4;
      const seen = data[at + 3];
      for (let channel = 0; channel < 3; channel++) sum[channel] += data[at + channel] * seen;
      sum[3] += seen;
      sum[4]++;
    }
  const cells = sums.map(([r, g, b, seen, count]) =>
    seen < count * SEEN ? '' : hexOf([r / seen, g / seen, b / seen]),
  );
  return { columns, rows, cells };
}

/** The colour at a place given as shares across and down; null where the picture is clear. */
export function colourAt({ columns, rows, cells }: Mosaic, across: number, down: number): string | null {
  const within = (share: number, count: number) => Math.max(0, Math.min(count - 1, Math.floor(share * count)));
  return cells[within(down, rows) * columns + within(across, columns)] || null;
}
