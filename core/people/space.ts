/** Points and turns in space: x to the right, y down, z towards who looks. */

export type Vec = readonly [x: number, y: number, z: number];
/** Row by row. */
export type Turn = readonly [Vec, Vec, Vec];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const times = (a: Vec, by: number): Vec => [a[0] * by, a[1] * by, a[2] * by];
export const between = (a: Vec, b: Vec, t: number): Vec => add(times(a, 1 - t), times(b, t));
const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

export const turned = ([a, b, c]: Turn, v: Vec): Vec => [dot(a, v), dot(b, v), dot(c, v)];
const column = (turn: Turn, i: number): Vec => [turn[0][i], turn[1][i], turn[2][i]];
const both = (a: Turn, b: Turn): Turn =>
  a.map((row) => [0, 1, 2].map((i) => dot(row, column(b, i)))) as unknown as Turn;
/** One turn after another, the last one first. */
export const inTurn = (...turns: readonly Turn[]): Turn => turns.reduce(both);

export const RADIANS = Math.PI / 180;
/** Forward: what hangs down swings towards who looks. */
export function forward(degrees: number): Turn {
  const [c, s] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  return [
    [1, 0, 0],
    [0, c, -s],
    [0, s, c],
  ];
}
/** To the right: what hangs down swings to the right. */
export function sideways(degrees: number): Turn {
  const [c, s] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  return [
    [c, s, 0],
    [-s, c, 0],
    [0, 0, 1],
  ];
}
/** About its own length: what looks at one looks to the right. */
export function about(degrees: number): Turn {
  const [c, s] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  return [
    [c, 0, s],
    [0, 1, 0],
    [-s, 0, c],
  ];
}
