/** A shipped picture, taken apart into paths when it was built: so it can be recoloured, and drawn alike everywhere. */
export type PicturePath = {
  d: string;
  fill: string | null;
  stroke: string | null;
  width: number;
  opacity: number;
  rule?: 'evenodd';
  cap?: 'round';
};

/** A named part of a diagram: the point that a leader line ends at, and how near counts as on it. */
export type PictureTarget = { name: string; x: number; y: number; reach: number };

export type DrawnPicture = {
  id: string;
  name: string;
  width: number;
  height: number;
  paths: PicturePath[];
  targets: PictureTarget[];
  licence: string;
  credit: string;
};

/** Looks a picture up; undefined while it is not loaded, or when there is none of that name. */
export type Pictures = (id: string) => DrawnPicture | undefined;
