import type { Item } from '../schema/sheet';
import { GROUP } from './group';
import { INK } from './ink';
import type { ItemKind } from './kind';
import { LINE } from './line';
import { PICTURE } from './picture';
import { SHAPE } from './shape';
import { TEXT } from './text';

/** All item kinds. A new one is a schema in core/schema/items, a file here and a row. */
const KINDS = { text: TEXT, shape: SHAPE, line: LINE, picture: PICTURE, ink: INK, group: GROUP } satisfies {
  [K in Item['kind']]: ItemKind<Extract<Item, { kind: K }>>;
};

/** The kind of an item, for callers that know it only at run time. */
export const kindOf = (item: Item): ItemKind<Item> => KINDS[item.kind] as unknown as ItemKind<Item>;
