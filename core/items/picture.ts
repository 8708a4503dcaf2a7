import { drawPicture } from '../drawing/picture-nodes';
import type { PictureItem } from '../schema/sheet';
import { nearBox } from './box';
import type { ItemKind } from './kind';

export const PICTURE: ItemKind<PictureItem> = {
  kind: 'picture',
  name: 'picture',
  called: (item) => item.alt || item.picture.split('/')[1].replace(/-/g, ' '),
  look: ['opacity', 'shadow', 'form', 'soften', 'reflection'],
  filled: () => [],
  pointedAt: false,
  draw: (item, drawing) => drawPicture(item, drawing.pictures),
  meets: nearBox,
  grown: (item) => item,
  /** Pictures keep their colours. */
  recoloured: (item) => item,
};
