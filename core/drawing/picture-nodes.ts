import type { Rgb } from '../colour/rgb';
import { hexOf, rgbOf } from '../colour/rgb';
import { roundedBox } from '../geometry/shapes/shapes';
import type { PictureItem } from '../schema/sheet';
import type { DisplayNode } from './list';
import { ink } from './list';
import type { DrawnPicture, Pictures, Raster } from '../pictures/picture';

/** From pictures to the display list. */

/** What an own picture is drawn with: its pixels, towards white over what it hides. */
function rasterNodes({ width, height, paths }: DrawnPicture, raster: Raster, soften: number): DisplayNode[] {
  const { whole, clear, mosaic } = raster;
  const pixels: DisplayNode = { kind: 'image', ...whole, x: 0, y: 0, width, height, mosaic };
  if (soften === 0) return [pixels];
  const ground = clear ? paths.map(({ d, rule }) => ({ d, rule })) : [{ d: `M0 0H${width}V${height}H0Z` }];
  return [
    ...ground.map((path): DisplayNode => ({ kind: 'path', ...path, fill: ink('#ffffff') })),
    { kind: 'group', opacity: 1 - soften, children: [pixels] },
  ];
}

/** A picture in its own coordinates. */
export const pictureNodes = (picture: DrawnPicture, soften = 0): DisplayNode[] =>
  picture.raster ? rasterNodes(picture, picture.raster, soften) : pathNodes(picture, soften);

const pathNodes = (picture: DrawnPicture, soften: number): DisplayNode[] =>
  picture.paths.map(({ d, fill, stroke, width, opacity, rule, cap }) => ({
    kind: 'path',
    d,
    ...(fill && { fill: ink(softened(fill, soften), opacity) }),
    ...(stroke && {
      stroke: { paint: ink(softened(stroke, soften), opacity), width, cap: cap ?? 'butt', join: 'round' as const },
    }),
    ...(rule && { rule }),
  }));

/**
 * Every shape white with a dark edge, so that it can be coloured in; lines stay lines, and pixels are drawn as lines.
 * `unit` is a point in the picture.
 */
const outlineNodes = (picture: DrawnPicture, unit: number): DisplayNode[] => [
  ...outlinedPaths(picture, unit),
  ...(picture.raster
    ? [{ kind: 'image' as const, ...picture.raster.lines, x: 0, y: 0, width: picture.width, height: picture.height }]
    : []),
];

const outlinedPaths = (picture: DrawnPicture, unit: number): DisplayNode[] =>
  picture.paths.map(({ d, fill, stroke, width, rule, cap }) => ({
    kind: 'path',
    d,
    ...(fill && { fill: ink('#ffffff') }),
    stroke: {
      paint: ink('#2a2820'),
      width: fill || !stroke ? unit * 1.2 : Math.max(unit * 1.2, width * 0.5),
      cap: cap ?? 'butt',
      join: 'round' as const,
    },
    ...(rule && { rule }),
  }));

/** A picture item in its own coordinates. */
export function drawPicture(item: PictureItem, pictures: Pictures): DisplayNode[] {
  const picture = pictures(item.picture);
  // Not loaded yet, or no longer shipped: its place stays visible.
  if (!picture)
    return [
      {
        kind: 'path',
        d: roundedBox(item.width, item.height, 4),
        stroke: { paint: ink('#b9b29c'), width: 1, dash: [4, 3], cap: 'butt', join: 'round' },
      },
    ];
  const drawn: DisplayNode = {
    kind: 'group',
    matrix: [item.width / picture.width, 0, 0, item.height / picture.height, 0, 0],
    children:
      item.form === 'outline'
        ? outlineNodes(picture, picture.width / Math.max(0.01, item.width))
        : pictureNodes(picture, item.soften),
  };
  if (item.reflection === 0) return [drawn];
  const { width, height, reflection } = item;
  return [
    {
      kind: 'group',
      matrix: [1, 0, 0, -1, 0, 2 * height],
      children: [drawn],
      fade: { from: height, to: height * (1 - reflection), alpha: 0.5, box: { x: 0, y: 0, width, height } },
    },
    drawn,
  ];
}

/** A colour washed out towards white. */
export const softened = (hex: string, by: number): string =>
  by === 0 ? hex : hexOf(rgbOf(hex).map((value) => value + (255 - value) * by) as unknown as Rgb);
