import type { DrawnPicture, PicturePath, PictureTarget } from '../../core/pictures/picture';

/** Building blocks for our own pictures, in each picture's own units. */

export type Tagged = DrawnPicture & { tags: string[]; group: string };

const round = (n: number) => Math.round(n * 100) / 100;

export const filled = (d: string, fill: string, opacity = 1): PicturePath => ({
  d,
  fill,
  stroke: null,
  width: 0,
  opacity,
});
export const stroked = (d: string, stroke: string, width: number, opacity = 1): PicturePath => ({
  d,
  fill: null,
  stroke,
  width,
  opacity,
  cap: 'round',
});
export const both = (d: string, fill: string, stroke: string, width: number): PicturePath => ({
  d,
  fill,
  stroke,
  width,
  opacity: 1,
  cap: 'round',
});

/** An ellipse as a path. */
export function oval(cx: number, cy: number, rx: number, ry = rx): string {
  const [kx, ky] = [rx * 0.5523, ry * 0.5523];
  const p = (x: number, y: number) => `${round(x)} ${round(y)}`;
  return (
    `M${p(cx - rx, cy)}C${p(cx - rx, cy - ky)} ${p(cx - kx, cy - ry)} ${p(cx, cy - ry)}` +
    `C${p(cx + kx, cy - ry)} ${p(cx + rx, cy - ky)} ${p(cx + rx, cy)}C${p(cx + rx, cy + ky)} ${p(cx + kx, cy + ry)} ${p(cx, cy + ry)}` +
    `C${p(cx - kx, cy + ry)} ${p(cx - rx, cy + ky)} ${p(cx - rx, cy)}Z`
  );
}

export const target = (name: string, x: number, y: number, reach = 14): PictureTarget => ({ name, x, y, reach });

export function diagram(
  id: string,
  name: string,
  width: number,
  height: number,
  paths: PicturePath[],
  targets: PictureTarget[],
  tags: string[],
): Tagged {
  return {
    id: `diagram/${id}`,
    name,
    width,
    height,
    paths,
    targets,
    tags,
    group: 'diagrams',
    licence: 'CC0-1.0',
    credit: 'Drawn for Dappled Margin',
  };
}
