import type { ToneMatrix } from '../colour/tone';
import { toned, toneMatrix } from '../colour/tone';
import { ellipsePath } from '../geometry/shapes/plain';
import { roundedBox, shapePath } from '../geometry/shapes/shapes';
import { shiftedPath } from '../geometry/shift';
import { shownId } from '../pictures/picture';
import { pictureMatrix } from '../pictures/frame';
import { OUTLINE, outlinedPaths } from '../pictures/outlined';
import type { PictureItem } from '../schema/sheet';
import type { DisplayNode, DrawnPaint } from './list';
import { ink } from './list';
import type { DrawnPicture, PictureLayer, PicturePath, Pictures } from '../pictures/picture';

/** From pictures to the display list. */

/** How a picture's colours are changed: each of a drawing's own for another, then all by one map. */
export type Colouring = { colours: Readonly<Record<string, string>>; tone: ToneMatrix | null };
const AS_IT_IS: Colouring = { colours: {}, tone: null };

const colouringOf = ({ colours, tone, soften }: Pick<PictureItem, 'colours' | 'tone' | 'soften'>): Colouring => ({
  colours,
  tone: toneMatrix(tone, soften),
});

/** A colour of a drawing as it is shown. */
const colouredBy = ({ colours, tone }: Colouring, hex: string): string => toned(colours[hex] ?? hex, tone);

/** A picture in its own coordinates. */
export function pictureNodes(picture: DrawnPicture, colouring = AS_IT_IS): DisplayNode[] {
  const { raster, width, height } = picture;
  if (!raster) return pathNodes(picture, colouring);
  const { tone } = colouring;
  return [{ kind: 'image', ...raster.whole, x: 0, y: 0, width, height, mosaic: raster.mosaic, ...(tone && { tone }) }];
}

/** A gradient with the colours it is shown in. */
const paintedBy = (colouring: Colouring, paint: DrawnPaint): DrawnPaint =>
  paint.kind === 'solid'
    ? paint
    : { ...paint, stops: paint.stops.map(([at, hex, alpha]) => [at, colouredBy(colouring, hex), alpha]) };

function pathNode(
  { d, fill, stroke, width, opacity, rule, cap, join, dash, paint }: PicturePath,
  colouring: Colouring,
): DisplayNode {
  const shown = (hex: string) => (paint ? paintedBy(colouring, paint) : ink(colouredBy(colouring, hex), opacity));
  return {
    kind: 'path',
    d,
    ...(fill && { fill: shown(fill) }),
    ...(stroke && {
      stroke: { paint: shown(stroke), width, cap: cap ?? 'butt', join: join ?? 'round', ...(dash && { dash }) },
    }),
    ...(rule && { rule }),
  };
}

/** The paths from one up to another, in the layers that lie between. */
function pathNodes(
  { paths, layers = [] }: Pick<DrawnPicture, 'paths' | 'layers'>,
  colouring: Colouring,
  from = 0,
  to = paths.length,
): DisplayNode[] {
  const nodes: DisplayNode[] = [];
  let next = 0;
  for (let at = from; at < to;) {
    while (next < layers.length && layers[next].from < at) next++;
    const layer = layers[next];
    if (!layer || layer.from > at || layer.to > to) {
      nodes.push(pathNode(paths[at++], colouring));
      continue;
    }
    const within = layers.slice(next + 1).filter((one) => one.from >= layer.from && one.to <= layer.to);
    nodes.push({
      kind: 'group',
      ...(layer.opacity !== undefined && { opacity: layer.opacity }),
      ...(layer.clip !== undefined && { clip: layer.clip }),
      children: pathNodes({ paths, layers: within }, colouring, layer.from, layer.to),
    });
    at = layer.to;
  }
  return nodes;
}

/** What cuts off goes on to do so; nothing is see-through in outlines. */
const clipsOf = ({ layers = [] }: DrawnPicture): PictureLayer[] =>
  layers.map(({ from, to, clip }) => ({ from, to, ...(clip !== undefined && { clip }) }));

/** To be coloured in; pixels are drawn as lines. @param unit a point in the picture */
export const outlineNodes = (picture: DrawnPicture, unit: number): DisplayNode[] => [
  ...pathNodes({ paths: outlinedPaths(picture, unit), layers: clipsOf(picture) }, AS_IT_IS),
  ...(picture.raster
    ? [{ kind: 'image' as const, ...picture.raster.lines, x: 0, y: 0, width: picture.width, height: picture.height }]
    : []),
];

/** A picture item in its own coordinates. */
export function drawPicture(item: PictureItem, pictures: Pictures): DisplayNode[] {
  const picture = pictures(shownId(item)) ?? pictures(item.picture);
  // Not loaded yet, or no longer shipped: its place stays visible.
  if (!picture)
    return [
      {
        kind: 'path',
        d: roundedBox(item.width, item.height, 4),
        stroke: { paint: ink('#b9b29c'), width: 1, dash: [4, 3], cap: 'butt', join: 'round' },
      },
    ];
  const matrix = pictureMatrix(item, picture);
  const unit = 1 / Math.max(0.01, Math.abs(matrix[0]));
  const whole: DisplayNode = {
    kind: 'group',
    matrix,
    children: [
      ...(item.form === 'outline' ? outlineNodes(picture, unit) : pictureNodes(picture, colouringOf(item))),
      ...patchNodes(item, picture),
    ],
  };
  const clip = clipOf(item);
  const drawn: DisplayNode = clip === null ? whole : { kind: 'group', clip, children: [whole] };
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

/** What covers parts of a picture, in the picture's coordinates. */
function patchNodes(item: PictureItem, { width, height }: DrawnPicture): DisplayNode[] {
  const colouring = colouringOf(item);
  return item.patches.map(({ x, y, width: across, height: down, round, from, to, across: sideways }) => {
    const box = { x: x * width, y: y * height, width: across * width, height: down * height };
    // In an outline what is covered is simply not there.
    const [first, last] =
      item.form === 'outline' ? [OUTLINE.paper, OUTLINE.paper] : [from, to].map((hex) => toned(hex, colouring.tone));
    return {
      kind: 'path' as const,
      d: round
        ? shiftedPath(ellipsePath(box.width, box.height), box.x, box.y)
        : `M${box.x} ${box.y}h${box.width}v${box.height}h${-box.width}z`,
      fill:
        first === last
          ? ink(first)
          : {
              kind: 'linear' as const,
              x1: box.x,
              y1: box.y,
              x2: sideways ? box.x + box.width : box.x,
              y2: sideways ? box.y : box.y + box.height,
              stops: [
                [0, first, 1],
                [1, last, 1],
              ],
            },
    };
  });
}

/** What is cut away of a picture lies outside of this path, in the item's own coordinates. */
function clipOf({ cut, crop, width, height }: PictureItem): string | null {
  if (cut) return shapePath(cut, width, height, []);
  // One that shows whole may reach over its frame by a line's width.
  return crop ? roundedBox(width, height, 0) : null;
}
