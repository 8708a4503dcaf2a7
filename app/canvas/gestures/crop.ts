import type { Press } from './ground';
import { centre, common, spanned } from '../../../core/geometry/box';
import { frameMatrix } from '../../../core/geometry/frame';
import type { Box } from '../../../core/geometry/matrix';
import { inverse, linear, transform } from '../../../core/geometry/matrix';
import type { Handle } from '../../../core/geometry/resize';
import { resize } from '../../../core/geometry/resize';
import { croppedTo, fitCrop, wholeBox } from '../../../core/pictures/frame';
import { parentMatrix } from '../../../core/placement/on-page';
import type { PictureItem } from '../../../core/schema/sheet';
import { movedBelow } from '../../commands/crop-commands';
import type { Editor } from '../../document/editor';
import type { Ground } from './ground';
import { mayMove } from './ground';

/** Cropping a picture on the sheet: its edges are pulled, and it is dragged below its frame. */

/** The picture that is being cropped, if this person may. */
export function croppedNow(editor: Editor): PictureItem | null {
  const item = editor.chosen;
  return item?.kind === 'picture' && item.id === editor.cropping && mayMove(editor, item) ? item : null;
}

/** The part of a box that lies in another; the box itself where less than a point does. */
function within(box: Box, whole: Box): Box {
  const part = common(box, whole);
  return part && part.width >= 1 && part.height >= 1 ? part : box;
}

/** Shift keeps the proportions, Alt crops both sides alike. */
export function pullCrop(ground: Ground, event: Press, item: PictureItem, handle: Handle): void {
  const { editor } = ground;
  const start = ground.pointOf(event);
  const back = inverse(linear(parentMatrix(editor.page, item.id)));
  const toParent = frameMatrix(item);
  const toItem = inverse(toParent);
  const corner = handle.x !== 0 && handle.y !== 0;
  ground.reshape(event, 'Crop', [item], (point, pointer) => {
    const delta = transform(back, { x: point.x - start.x, y: point.y - start.y });
    const frame = resize(item, handle, delta, {
      proportional: corner && pointer.shiftKey,
      fromCentre: pointer.altKey,
    });
    const there = frameMatrix(frame);
    const [from, to] = [
      { x: 0, y: 0 },
      { x: frame.width, y: frame.height },
    ].map((at) => transform(toItem, transform(there, at)));
    const box = within(spanned(from, to), wholeBox(item));
    const middle = transform(toParent, centre(box));
    const { width, height } = box;
    return [
      {
        ...item,
        x: middle.x - width / 2,
        y: middle.y - height / 2,
        width,
        height,
        crop: fitCrop(croppedTo(item, box)),
      },
    ];
  });
}

/** Drags the picture below its frame. */
export function dragBelow(ground: Ground, event: Press, item: PictureItem): void {
  const start = ground.pointOf(event);
  const { page } = ground.editor;
  ground.reshape(event, 'Move in frame', [item], (point) => [
    { ...item, crop: movedBelow(page, item, { x: point.x - start.x, y: point.y - start.y }) },
  ]);
}
