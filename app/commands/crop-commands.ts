import type { Point } from '../../core/geometry/matrix';
import { inverse, linear, transform } from '../../core/geometry/matrix';
import { fitCrop, held, shiftedBelow, zoomed } from '../../core/pictures/frame';
import { pageMatrix } from '../../core/placement/on-page';
import type { Page, PictureItem } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { setEach } from './set-values';

/** Cropping pictures. */

/** Sets values of each chosen picture from its present ones. */
export const setPictures = (
  editor: Editor,
  name: string,
  valuesOf: (item: PictureItem) => Partial<PictureItem>,
): void => setEach(editor, name, (item) => (item.kind === 'picture' ? valuesOf(item) : {}));

/** Begins to crop the chosen picture, or ends it. */
export function toggleCrop(editor: Editor): void {
  const { chosen } = editor;
  if (chosen?.kind === 'picture' && !chosen.locked)
    editor.put({ cropping: editor.cropping === chosen.id ? null : chosen.id });
}

export const showWhole = (editor: Editor): void => setPictures(editor, 'Show whole', () => ({ crop: null }));

/** What shows of a picture that was moved below its frame, by so much as seen on the page. */
export const movedBelow = (page: Page, item: PictureItem, by: Point): PictureItem['crop'] =>
  fitCrop(held(shiftedBelow(item, transform(inverse(linear(pageMatrix(page, item))), by))));

export const shiftCropped = (editor: Editor, by: Point): void =>
  setPictures(editor, 'Move in frame', (item) => ({ crop: movedBelow(editor.page, item, by) }));

export const zoomCropped = (editor: Editor, by: number): void =>
  setPictures(editor, 'Zoom in frame', (item) => ({ crop: fitCrop(held(zoomed(item.crop, by))) }));
