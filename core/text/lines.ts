import type { Box } from '../geometry/matrix';
import type { FullStyle } from './style';

/** Words laid out in lines, in their box's own coordinates, in points. */

export type PlacedGlyph = { id: number; x: number; dy: number; advance: number; cluster: number };
/** Glyphs of one file, size and style on one line; `text` are the characters they stand for. */
export type Piece = {
  file: string;
  size: number;
  style: FullStyle;
  text: string;
  x: number;
  width: number;
  glyphs: PlacedGlyph[];
};
export type Line = {
  /** Flat positions in the body: [start, end), trailing spaces included. */
  start: number;
  end: number;
  x: number;
  /** Without trailing spaces. */
  width: number;
  top: number;
  baseline: number;
  bottom: number;
  pieces: Piece[];
  /** A bullet or number, drawn before the line. */
  marker: Piece | null;
  /** Where a caret stands before each position from start to end, both included. */
  stops: number[];
};
export type Layout = {
  lines: Line[];
  /** Height of the words alone, without padding. */
  height: number;
  /** The words need more room than the box has. */
  overflows: boolean;
  /** What sizes were multiplied by to fit; 1 unless the box shrinks its words. */
  scale: number;
};

/** The box around the straight words of a layout. */
export function wordsBox({ lines }: Layout): Box {
  const filled = lines.filter((line) => line.width > 0);
  const used = filled.length > 0 ? filled : lines;
  const left = Math.min(...used.map((line) => line.x));
  const right = Math.max(...used.map((line) => line.x + line.width));
  const [top, bottom] = [lines[0].top, lines[lines.length - 1].bottom];
  return { x: left, y: top, width: right - left, height: bottom - top };
}
