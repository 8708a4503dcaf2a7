import type { Box, Matrix } from '../geometry/matrix';
import type { ToneMatrix } from '../colour/tone';
import type { DrawnPaint, DrawnStop } from '../pictures/paint';
import type { Mosaic } from '../raster/mosaic';

/**
 * The display list: what a page looks like, with everything resolved. Points, y down. Editor, thumbnails, PNG and PDF are
 * all drawn from it, so they can not differ.
 */

export type { DrawnPaint, DrawnStop };

export type DrawnStroke = {
  paint: DrawnPaint;
  width: number;
  dash?: number[];
  cap: 'butt' | 'round';
  join: 'miter' | 'round';
};

export type PathNode = { kind: 'path'; d: string; fill?: DrawnPaint; stroke?: DrawnStroke; rule?: 'evenodd' };
export type GlyphsNode = {
  kind: 'glyphs';
  file: string;
  size: number;
  x: number;
  y: number;
  text: string;
  /** Positions relative to x, y. */
  glyphs: {
    id: number;
    cluster: number;
    x: number;
    y: number;
    advance: number;
    /** Turned about its origin, for letters along a curve: [a, b, c, d], y down. */
    turn?: readonly [number, number, number, number];
  }[];
  fill: DrawnPaint;
  /** Drawn behind the fill, so that it shows only outside of it: `width` is what shows. */
  stroke?: DrawnStroke;
};
export type ImageNode = {
  kind: 'image';
  asset: string;
  /** A smaller one that is enough for screens. */
  screen?: string;
  /** A small form of it as data URL, for where the asset can't be fetched. */
  small: string;
  x: number;
  y: number;
  width: number;
  height: number;
  /** Its colours, for use without drawing. */
  mosaic?: Mosaic;
  /** How its colours are changed. */
  tone?: ToneMatrix;
};
export type DrawnShadow = {
  dx: number;
  dy: number;
  /** Standard deviation of the blur. */
  blur: number;
  hex: string;
  alpha: number;
  /** The area the shadow may cover, in the group's outer coordinates. */
  box: Box;
};
export type GroupNode = {
  kind: 'group';
  id?: string;
  matrix?: Matrix;
  opacity?: number;
  /** Falls from the whole group, within the coordinates that the group stands in. */
  shadow?: DrawnShadow;
  /** Fades out from one height to another, in the group's own coordinates: from `alpha` to nothing within `box`. */
  fade?: { from: number; to: number; alpha: number; box: Box };
  /** Path data, in the group's own coordinates: what lies outside of it is not drawn. */
  clip?: string;
  children: DisplayNode[];
};
export type DisplayNode = PathNode | GlyphsNode | ImageNode | GroupNode;

export type DrawnPage = { width: number; height: number; nodes: DisplayNode[] };

export const ink = (hex: string, alpha = 1): DrawnPaint => ({ kind: 'solid', hex, alpha });

/** All font files a list draws with. */
export function filesOf(nodes: readonly DisplayNode[], found = new Set<string>()): Set<string> {
  for (const node of nodes) {
    if (node.kind === 'glyphs') found.add(node.file);
    else if (node.kind === 'group') filesOf(node.children, found);
  }
  return found;
}
