import type { Matrix } from '../geometry/matrix';

/** What something is painted with, in the coordinates that it stands in; colours are hex, alpha 0 to 1. */

export type DrawnStop = [offset: number, hex: string, alpha: number];
export type DrawnPaint =
  | { kind: 'solid'; hex: string; alpha: number }
  | { kind: 'linear'; x1: number; y1: number; x2: number; y2: number; stops: DrawnStop[] }
  | {
      kind: 'radial';
      cx: number;
      cy: number;
      r: number;
      stops: DrawnStop[];
      /** From the circle's coordinates to those of what is painted, where it is no circle there. */
      matrix?: Matrix;
    };
