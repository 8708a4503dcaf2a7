import { drawPicture } from '../drawing/picture-nodes';
import type { PictureItem } from '../schema/sheet';
import { nearBox } from './box';
import { recoloured } from './colours';
import type { ItemKind } from './kind';

export const PICTURE: ItemKind<PictureItem> = {
  kind: 'picture',
  name: 'picture',
  called: (item) => item.alt || item.picture.split('/')[1].replace(/-/g, ' '),
  look: ['opacity', 'shadow', 'form', 'soften', 'reflection', 'cut', 'colours', 'tone'],
  filled: () => [],
  pointedAt: false,
  draw: (item, drawing) => drawPicture(item, drawing.pictures),
  meets: nearBox,
  grown: (item) => item,
  /** It keeps its own colours; those that it was given are exchanged. */
  recoloured: (item, to) => ({
    ...item,
    colours: Object.fromEntries(Object.entries(item.colours).map(([own, given]) => [own, to(given)])),
    tone: item.tone && {
      ...item.tone,
      twoColours: item.tone.twoColours && {
        dark: to(item.tone.twoColours.dark),
        light: to(item.tone.twoColours.light),
      },
      tint: recoloured(item.tone.tint, to),
    },
  }),
};
