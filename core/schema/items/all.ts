import { z } from 'zod';
import { MakerState } from '../recipes/recipes';
import { base, frame } from './common';
import { InkItem } from './ink';
import { LineItem } from './line';
import { PictureItem } from './picture';
import { ShapeItem } from './shape';
import { TextItem } from './text';

/** Groups, and all kinds of items together. */

export type GroupItem = z.infer<typeof groupShell> & { items: Item[] };
const groupShell = z.strictObject({
  kind: z.literal('group'),
  ...base,
  ...frame,
  /** What its parts were made from, where a maker made them. */
  maker: MakerState.nullable().default(null),
});
export const GroupItem: z.ZodType<GroupItem> = groupShell.extend({
  /** In the group's own coordinates, front to back. */
  get items() {
    return z.array(Item);
  },
});

export type Item = TextItem | ShapeItem | LineItem | PictureItem | InkItem | GroupItem;
export type FramedItem = Exclude<Item, LineItem>;
export type WrittenItem = TextItem | ShapeItem;

/** A table by kind: adding a kind is adding a schema and a row; the compiler points at the rest. */
export const ITEM_SCHEMAS: { [K in Item['kind']]: z.ZodType<Extract<Item, { kind: K }>> } = {
  text: TextItem,
  shape: ShapeItem,
  line: LineItem,
  picture: PictureItem,
  ink: InkItem,
  group: GroupItem,
};
export const Item: z.ZodType<Item> = z.lazy(() => EveryItem);
const EveryItem = z.discriminatedUnion('kind', [
  TextItem,
  ShapeItem,
  LineItem,
  PictureItem,
  InkItem,
  GroupItem as z.ZodType<GroupItem> & typeof groupShell,
]) as z.ZodType<Item>;

export type Touch = Item['touch'];

export const isFramed = (item: Item): item is FramedItem => item.kind !== 'line';
export const isWritten = (item: Item): item is WrittenItem => item.kind === 'text' || item.kind === 'shape';
