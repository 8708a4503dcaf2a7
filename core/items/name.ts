import { cutTo } from '../values/characters';
import { OUTLINES } from '../geometry/shapes/shapes';
import type { ShapeName } from '../geometry/shapes/shapes';
import { bodyText } from '../text/body';
import { kindOf } from './all';
import type { Item } from '../schema/sheet';
import { isWritten } from '../schema/sheet';

export const shapeName = (shape: ShapeName) => OUTLINES[shape].name;

/** What an item is called in lists and by screen readers: its words first, else what it is. */
export function itemName(item: Item): string {
  const words = isWritten(item) ? bodyText(item.body).replace(/\s+/g, ' ').trim() : '';
  if (words) return words.length > 40 ? `${cutTo(words, 38)}…` : words;
  return kindOf(item).called(item);
}

/** A title as a file name, or a substitute if it has no letters. */
export const fileName = (title: string, otherwise: string): string =>
  title.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || otherwise;

/** A name from a file name: without folder and extension, with spaces. */
export const nameFromFile = (file: string, otherwise: string): string =>
  cutTo(
    file
      .replace(/^.*[\\/]/, '')
      .replace(/\.[a-z0-9]{1,5}$/i, '')
      .replace(/[_\s]+/g, ' ')
      .trim(),
    80,
  ) || otherwise;
