import type { DrawnPicture, PicturePath } from './picture';

/** The ink that outlines are drawn with, and how wide, in points. */
export const OUTLINE = { ink: '#2a2820', paper: '#ffffff', width: 1.2 };

/** Every shape of a picture white with a dark edge, so that it can be coloured in; lines stay lines. @param unit a point in the picture */
export const outlinedPaths = ({ paths }: Pick<DrawnPicture, 'paths'>, unit: number): PicturePath[] =>
  paths.map(({ paint: _paint, dash: _dash, ...path }) => ({
    ...path,
    fill: path.fill && OUTLINE.paper,
    stroke: OUTLINE.ink,
    width: path.fill || !path.stroke ? unit * OUTLINE.width : Math.max(unit * OUTLINE.width, path.width * 0.5),
    opacity: 1,
  }));
