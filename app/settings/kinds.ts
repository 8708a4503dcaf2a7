import type { ComponentType } from 'react';
import type { Item } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { LineFields } from './line-fields';
import { InkFields, ShapeFields } from './look-fields';
import { PictureFields } from './picture-fields';

/** The settings that only one kind of item has, shown while nothing of another kind is selected with it. */

type Fields<T extends Item> = ComponentType<{ editor: Editor; items: readonly T[]; palette: readonly string[] }>;

const KINDS = {
  text: null,
  shape: ShapeFields,
  line: LineFields,
  picture: PictureFields,
  ink: InkFields,
  group: null,
} satisfies { [K in Item['kind']]: Fields<Extract<Item, { kind: K }>> | null };

export const fieldsOf = (kind: Item['kind']) => KINDS[kind] as Fields<Item> | null;
