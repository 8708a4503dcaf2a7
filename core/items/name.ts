import { cutTo } from '../values/characters';
import { OUTLINES } from '../geometry/shapes/shapes';
import type { ShapeName } from '../geometry/shapes/shapes';
import { bodyText } from '../text/body';
import { MAKER_NAMES } from '../schema/recipes/recipes';
import type { Item } from '../schema/sheet';
import { isWritten } from '../schema/sheet';

export const shapeName = (shape: ShapeName) => OUTLINES[shape].name;

/** What an item is called in lists and by screen readers: its words first, else what it is. */
export function itemName(item: Item): string {
  const words = isWritten(item) ? bodyText(item.body).replace(/\s+/g, ' ').trim() : '';
  if (words) return words.length > 40 ? `${cutTo(words, 38)}…` : words;
  switch (item.kind) {
    case 'text':
      return item.prompt || (item.role === 'label' ? 'empty label' : 'empty text');
    case 'shape':
      return shapeName(item.shape);
    case 'line':
      return lineName(item.to.target ?? item.from.target);
    case 'picture':
      return item.alt || item.picture.split('/')[1].replace(/-/g, ' ');
    case 'ink':
      return item.alt || 'pen stroke';
    case 'group':
      if (item.maker) return item.alt || MAKER_NAMES[item.maker.kind];
      return `group of ${item.items.length}`;
  }
}

/** A spot without a name tells nobody anything. */
const lineName = (target: string | null) => (target === null ? 'line' : `line to ${partName(target)}`);

/** A part of a picture as it is said: by its name, or as a spot where names are kept back. */
export const partName = (target: string): string => (target.startsWith('@') ? 'a part' : target);

/** A title as the name of a file, or what stands in for one that holds no letter. */
export const fileName = (title: string, otherwise: string): string =>
  title.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || otherwise;

/** What a thing is called after the file that it came from: without folder and ending, with spaces. */
export const nameFromFile = (file: string, otherwise: string): string =>
  cutTo(
    file
      .replace(/^.*[\\/]/, '')
      .replace(/\.[a-z0-9]{1,5}$/i, '')
      .replace(/[_\s]+/g, ' ')
      .trim(),
    80,
  ) || otherwise;
