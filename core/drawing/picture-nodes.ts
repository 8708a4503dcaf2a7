import type { ToneMatrix } from '../colour/tone';
import { toned, toneMatrix } from '../colour/tone';
import { roundedBox, shapePath } from '../geometry/shapes/shapes';
import { pictureMatrix } from '../pictures/frame';
import type { PictureItem } from '../schema/sheet';
import type { DisplayNode } from './list';
import { ink } from './list';
import type { DrawnPicture, Pictures } from '../pictures/picture';

/** From pictures to the display list. */

/** How a picture's colours are changed: each of a drawing's own for another, then all by one map. */
type Colouring = { colours: Readonly<Record<string, string>>; tone: ToneMatrix | null };
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

const pathNodes = (picture: DrawnPicture, colouring: Colouring): DisplayNode[] =>
  picture.paths.map(({ d, fill, stroke, width, opacity, rule, cap }) => ({
    kind: 'path',
    d,
    ...(fill && { fill: ink(colouredBy(colouring, fill), opacity) }),
    ...(stroke && {
      stroke: {
        paint: ink(colouredBy(colouring, stroke), opacity),
        width,
        cap: cap ?? 'butt',
        join: 'round' as const,
      },
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
  const matrix = pictureMatrix(item, picture);
  const unit = 1 / Math.max(0.01, Math.abs(matrix[0]));
  const whole: DisplayNode = {
    kind: 'group',
    matrix,
    children: item.form === 'outline' ? outlineNodes(picture, unit) : pictureNodes(picture, colouringOf(item)),
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

/** What is cut away of a picture lies outside of this path, in the item's own coordinates. */
function clipOf({ cut, crop, width, height }: PictureItem): string | null {
  if (cut) return shapePath(cut, width, height, []);
  // One that shows whole may reach over its frame by a line's width.
  return crop ? roundedBox(width, height, 0) : null;
}
