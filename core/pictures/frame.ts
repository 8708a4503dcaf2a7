import equal from 'fast-deep-equal';
import { mapped } from '../geometry/box';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { transform } from '../geometry/matrix';

/** Which part of a picture shows in the frame of its item. */

/** In shares of the picture's width and height. It may reach beyond the picture, which then leaves room in its frame. */
export type Crop = Box;
export const WHOLE: Crop = { x: 0, y: 0, width: 1, height: 1 };

type Size = { width: number; height: number };
export type Framed = Size & { crop: Crop | null };

/** From the coordinates of a picture to the local ones of its item. */
export function pictureMatrix(item: Framed, picture: Size): Matrix {
  const { x, y, width, height } = item.crop ?? WHOLE;
  const [across, down] = [item.width / width, item.height / height];
  return [across / picture.width, 0, 0, down / picture.height, 0 - x * across, 0 - y * down];
}

/** Where a spot of a picture shows, in the local coordinates of its item; it may lie outside. */
export const onItem = (item: Framed, picture: Size, spot: Point): Point =>
  transform(pictureMatrix(item, picture), spot);

/** The box in which the whole picture would show, in the local coordinates of its item. */
export const wholeBox = (item: Framed): Box => mapped(WHOLE, pictureMatrix(item, WHOLE));

/** What shows after the frame became `box`, given in its local coordinates of before, while the picture stayed where it was. */
export function croppedTo({ width, height, crop }: Framed, box: Box): Crop {
  const now = crop ?? WHOLE;
  return {
    x: now.x + (box.x / width) * now.width,
    y: now.y + (box.y / height) * now.height,
    width: (box.width / width) * now.width,
    height: (box.height / height) * now.height,
  };
}

/** What shows after the picture was moved by so much below its frame, in the local coordinates of the item. */
export const shiftedBelow = (item: Framed, { x, y }: Point): Crop =>
  croppedTo(item, { x: -x, y: -y, width: item.width, height: item.height });

/** What shows once the picture is so much larger in its frame, about the frame's middle. */
export function zoomed(crop: Crop | null, by: number): Crop {
  const { x, y, width, height } = crop ?? WHOLE;
  return {
    x: x + (width * (1 - 1 / by)) / 2,
    y: y + (height * (1 - 1 / by)) / 2,
    width: width / by,
    height: height / by,
  };
}

/** The least and the most of a picture that shows, and how far from its corner, in shares of its size. */
export const CROP = { least: 0.02, most: 20, farthest: 20 };

/** A crop that a sheet may hold; null where it shows just the whole. */
export function fitCrop({ x, y, width, height }: Crop): Crop | null {
  const size = (share: number) => Math.max(CROP.least, Math.min(CROP.most, share));
  const place = (share: number) => Math.max(-CROP.farthest, Math.min(CROP.farthest, share));
  const fine = (share: number) => Math.round(share * 1e5) / 1e5;
  const crop = { x: fine(place(x)), y: fine(place(y)), width: fine(size(width)), height: fine(size(height)) };
  return equal(crop, WHOLE) ? null : crop;
}

/**
 * What shows of another picture put in the place of one. Where the old one was cut to a part, the new one fills the frame from
 * the same part; where it showed whole, so does the new one, in the middle of the frame, unless it is to `fill` it. It is never
 * stretched more than the old one was.
 */
export function replacedCrop(item: Framed, before: Size, next: Size, fill: boolean): Crop | null {
  const now = item.crop ?? WHOLE;
  const stretched = item.width / (now.width * before.width) / (item.height / (now.height * before.height));
  // The frame's proportions, in those of the new picture.
  const ratio = (item.width * next.height) / (item.height * next.width * stretched);
  const cut = item.crop !== null && now.width <= 1 && now.height <= 1;
  const middle = { x: now.x + now.width / 2, y: now.y + now.height / 2 };
  const most = cut ? Math.max(now.width, now.height) : 1;
  const inside = cut || fill;
  // As wide as high as the frame: the largest within the picture, or the smallest around it.
  const width = (inside ? ratio <= 1 : ratio > 1) ? ratio * most : most;
  const height = width / ratio;
  const within = now.x >= 0 && now.y >= 0 && now.x + now.width <= 1 && now.y + now.height <= 1;
  const at = (centre: number, size: number) => {
    if (!inside) return (1 - size) / 2;
    return within ? Math.max(0, Math.min(1 - size, centre - size / 2)) : centre - size / 2;
  };
  return fitCrop({ x: at(middle.x, width), y: at(middle.y, height), width, height });
}

/** A crop moved so that the picture stays within its frame, or covers it where it is the larger one. */
export function held({ x, y, width, height }: Crop): Crop {
  const within = (at: number, size: number) => Math.max(Math.min(0, 1 - size), Math.min(Math.max(0, 1 - size), at));
  return { x: within(x, width), y: within(y, height), width, height };
}
