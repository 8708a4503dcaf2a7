import type { Point } from '../geometry/matrix';
import { hundredths } from '../values/hundredths';
import type { Clearing } from '../raster/recipe';
import { clearingCode } from '../raster/recipe';
import type { Mosaic } from '../raster/mosaic';
import type { DrawnPaint } from './paint';

/** A shipped picture, taken apart into paths when it was built: so it can be recoloured, and drawn alike everywhere. */
export type PicturePath = {
  d: string;
  fill: string | null;
  stroke: string | null;
  width: number;
  opacity: number;
  rule?: 'evenodd';
  cap?: 'round';
  /** Corners of lines are round where nothing is said. */
  join?: 'miter';
  dash?: number[];
  /** A gradient instead of the one colour, which stands for it where there can be but one. */
  paint?: DrawnPaint;
};

/** Paths from one up to another that are see-through as a whole, or cut off. Those that hold others come before them. */
export type PictureLayer = { from: number; to: number; opacity?: number; clip?: string };

/** A named part of a diagram: the point that a leader line ends at, and how near counts as on it. */
export type PictureTarget = { name: string; x: number; y: number; reach: number };

/**
 * One of a picture's files of pixels: its name, and a small form as data URL for where nothing can be fetched. `screen` is the name of
 * a smaller one that is enough for screens, where there is more to see on paper.
 */
export type RasterFile = { asset: string; small: string; screen?: string };

/** What an own picture has instead of the paths that a shipped one is drawn with: its paths are only its outline. */
export type Raster = {
  whole: RasterFile;
  /** As a drawing in lines, on clear ground. */
  lines: RasterFile;
  /** Whether one sees through it somewhere. */
  clear: boolean;
  /** Whether its outline is another one than its frame. */
  outlined: boolean;
  mosaic: Mosaic;
};

export type DrawnPicture = {
  id: string;
  name: string;
  width: number;
  height: number;
  paths: PicturePath[];
  layers?: PictureLayer[];
  targets: PictureTarget[];
  licence: string;
  credit: string;
  /** For own pictures: pixels instead of paths. */
  raster?: Raster;
};

/** How a picture is named: SET/NAME. */
export const PICTURE_ID = /^[a-z]+\/[a-z0-9-]{1,80}$/;

/** Own pictures are told from shipped ones by their names. */
export const isOwn = (id: string): boolean => id.startsWith('own/');

/** The name of an own picture without its background. */
export const clearedId = (id: string, recipe: Clearing): string => `${id}-${clearingCode(recipe)}`;

/** What a picture item shows: the picture itself, or the same without its background. */
export const shownId = ({ picture, clearing }: { picture: string; clearing: Clearing | null }): string =>
  clearing && isOwn(picture) ? clearedId(picture, clearing) : picture;

/** Looks a picture up; undefined while it is not loaded, or when there is none of that name. */
export type Pictures = (id: string) => DrawnPicture | undefined;

/**
 * A part of a picture told by where it is, in percentages across and down: what students get instead of its name, which is
 * often the answer.
 */
export const spotCode = ({ width, height }: Pick<DrawnPicture, 'width' | 'height'>, { x, y }: Point): string =>
  `@${hundredths((100 * x) / width)},${hundredths((100 * y) / height)}`;

/** The part of a picture that is meant by a name, or by its spot. */
export const partOf = (picture: DrawnPicture | undefined, target: string): PictureTarget | undefined =>
  picture?.targets.find((part) => part.name === target || spotCode(picture, part) === target);

/** A picture with its parts told by their spots alone. */
export const withoutNames = <T extends Pick<DrawnPicture, 'targets' | 'width' | 'height'>>(picture: T): T => ({
  ...picture,
  targets: picture.targets.map((part) => ({ ...part, name: spotCode(picture, part) })),
});

/** A picture with the names of its parts, in their order. */
export const withNames = (picture: DrawnPicture, names: readonly string[] | undefined): DrawnPicture =>
  names
    ? { ...picture, targets: picture.targets.map((part, i) => ({ ...part, name: names[i] ?? part.name })) }
    : picture;
