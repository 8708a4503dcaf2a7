/** Plane affine maps as in SVG: x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
export type Point = { x: number; y: number };
export type Box = { x: number; y: number; width: number; height: number };

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];
export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];
export const scaling = (x: number, y: number): Matrix => [x, 0, 0, y, 0, 0];

/** Rotation about the origin, degrees clockwise (y grows downwards). */
export function rotation(degrees: number): Matrix {
  const turn = (degrees * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return [c, s, -s, c, 0, 0];
}

/** The map that does `second` first and `first` after it, as matrices multiply. */
export function multiply(first: Matrix, second: Matrix): Matrix {
  const [a, b, c, d, e, f] = first;
  const [g, h, i, j, k, l] = second;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

export const compose = (...maps: Matrix[]): Matrix => maps.reduce(multiply, IDENTITY);

/** @throws RangeError when the map flattens the plane. */
export function inverse([a, b, c, d, e, f]: Matrix): Matrix {
  const det = a * d - b * c;
  if (Math.abs(det) < 1e-12) throw new RangeError('this map can’t be inverted');
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

export const transform = ([a, b, c, d, e, f]: Matrix, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** The same map without its translation: for differences of points. */
export const linear = ([a, b, c, d]: Matrix): Matrix => [a, b, c, d, 0, 0];

export const isIdentity = (m: Matrix) => m.every((value, i) => Math.abs(value - IDENTITY[i]) < 1e-9);
