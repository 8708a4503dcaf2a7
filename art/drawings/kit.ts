import svgpath from 'svgpath';
import type { PicturePath } from '../../core/pictures/picture';
import type { Tagged } from '../diagrams/drawn';
import { filled, oval, stroked } from '../diagrams/drawn';

/** What the small drawings are made of. Each is 32 by 32: flat colours without outlines, a darker side and a light. */

export const SIDE = 32;

/** The colours that the drawings share, from light to dark. */
export const INK = '#3b3f4a';
export const WOOD = ['#dda466', '#b97a45', '#8d5a2f'] as const;
export const STEEL = ['#e3e8ee', '#b4bcc6', '#7d8793', '#565f6b'] as const;
export const GLASS = ['#e6f4fa', '#bfdfee', '#86b3c9'] as const;
export const PAPER = ['#fbf8f1', '#e6dfd0', '#c2b8a3'] as const;
export const STONE = ['#d9d3c7', '#b3ab9c', '#857d70'] as const;
export const RED = ['#f07a6b', '#d9483f', '#a42f33'] as const;
export const YELLOW = ['#fbdc74', '#f4b93a', '#cf8d1f'] as const;
export const GREEN = ['#9ccb7d', '#5fa55a', '#3b7d46'] as const;
export const BLUE = ['#8cc4ea', '#3f8fd6', '#2a64a3'] as const;
export const MUD = ['#b59a78', '#8b7355', '#665038'] as const;
export const STRAW = ['#ead08a', '#cdac56', '#9c7d34'] as const;

export { oval };
export const f = filled;
export const s = stroked;

/** A rectangle as a path, with round corners where `r` is given. */
export const rect = (x: number, y: number, w: number, h: number, r = 0): string =>
  r === 0
    ? `M${x} ${y}h${w}v${h}h${-w}z`
    : `M${x + r} ${y}h${w - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${h - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - w}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - h}a${r} ${r} 0 0 1 ${r} ${-r}z`;

/** Turned about a point, clockwise, in degrees. */
export const turned = (degrees: number, paths: readonly PicturePath[], x = SIDE / 2, y = SIDE / 2): PicturePath[] =>
  paths.map((path) => ({ ...path, d: svgpath(path.d).rotate(degrees, x, y).toString() }));

/** Moved by x and y, and scaled about the corner first. */
export const moved = (x: number, y: number, paths: readonly PicturePath[], scale = 1): PicturePath[] =>
  paths.map((path) => ({
    ...path,
    width: path.width * scale,
    d: svgpath(path.d).scale(scale).translate(x, y).toString(),
  }));

/** A picture by its name, what else it is called, and its paths from the back to the front. */
export type Drawing = readonly [name: string, words: string, ...paths: PicturePath[]];

export const drawings = (group: string, all: readonly Drawing[]): Tagged[] =>
  all.map(([name, words, ...paths]) => ({
    id: `drawn/${name.toLowerCase().replace(/[^a-z]+/g, '-')}`,
    name,
    width: SIDE,
    height: SIDE,
    paths,
    targets: [],
    tags: words.split(', '),
    group,
    licence: 'CC0-1.0',
    credit: 'Drawn for Dappled Margin',
  }));
