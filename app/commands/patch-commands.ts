import { Sampler } from '../../core/drawing/sampler';
import { pictureNodes } from '../../core/drawing/picture-nodes';
import { around } from '../../core/geometry/box';
import type { Point } from '../../core/geometry/matrix';
import { inverse, transform } from '../../core/geometry/matrix';
import { pictureMatrix } from '../../core/pictures/frame';
import { patchOver } from '../../core/pictures/patch';
import type { DrawnPicture } from '../../core/pictures/picture';
import { pageMatrix } from '../../core/placement/on-page';
import type { PictureItem } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { imageUrl, pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { setPictures } from './crop-commands';
import { set } from './steps';

/** Patches: unwanted parts of a picture covered by the colour around them. They move with their picture. */

/** Smaller than this, in shares of the picture, nothing was drawn. */
const LEAST = 0.004;

/** What a picture shows at a spot, in shares of its width and height, before any of its settings but other colours. */
async function colours(picture: DrawnPicture, given: PictureItem['colours']) {
  const { width, height, raster } = picture;
  if (!raster) {
    const nodes = pictureNodes(picture, { colours: given, tone: null });
    const sampler = new Sampler([{ kind: 'group', id: 'picture', children: nodes }]);
    return (x: number, y: number) => {
      const { hex, items } = sampler.at({ x: x * width, y: y * height });
      return items.length > 0 ? hex : null;
    };
  }
  const image = new Image();
  image.src = imageUrl(raster.whole);
  await image.decode();
  const { naturalWidth, naturalHeight } = image;
  const context = Object.assign(document.createElement('canvas'), {
    width: naturalWidth,
    height: naturalHeight,
  }).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(image, 0, 0);
  return (x: number, y: number) => {
    const [r, g, b, seen] = context.getImageData(
      Math.floor(x * naturalWidth),
      Math.floor(y * naturalHeight),
      1,
      1,
    ).data;
    return seen < 128 ? null : `#${[r, g, b].map((value) => value.toString(16).padStart(2, '0')).join('')}`;
  };
}

/** Waits for a part of the picture to be drawn over, and covers it. */
export function drawPatch(editor: Editor, id: string, round: boolean): void {
  editor.say('Draw over the part of the picture that is to be covered.', ({ tool }) => tool === null);
  editor.put({ tool: { kind: 'spot', taken: (from, to) => void cover(editor, id, round, from, to) } });
}

async function cover(editor: Editor, id: string, round: boolean, from: Point, to: Point): Promise<void> {
  const item = findOn(editor.page, id)?.item;
  const picture = item?.kind === 'picture' ? pictureNow(item.picture) : undefined;
  if (item?.kind !== 'picture' || !picture) return editor.say('The picture is not here any more.');
  const shares = [from, to].map((point) => {
    const { x, y } = transform(
      inverse(pictureMatrix(item, picture)),
      transform(inverse(pageMatrix(editor.page, item)), point),
    );
    return { x: Math.max(0, Math.min(1, x / picture.width)), y: Math.max(0, Math.min(1, y / picture.height)) };
  });
  const box = around(shares);
  if (box.width < LEAST || box.height < LEAST)
    return editor.say('Draw over a part of the picture itself, from one corner to the other.');
  try {
    const patch = patchOver(box, round, await colours(picture, item.colours));
    editor.make('Patch', set(id, { patches: [...item.patches, patch] }));
  } catch {
    editor.say('The picture can’t be loaded just now. Try again when the network is back.');
  }
}

export const removeLastPatch = (editor: Editor): void =>
  setPictures(editor, 'Remove patch', ({ patches }) => ({ patches: patches.slice(0, -1) }));
